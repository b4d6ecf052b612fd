{{-- What this person entered on this device and the server has not saved; filled by held.js. --}}
<button type="button" id="held" class="held" data-held hidden></button>
<dialog id="held-list" class="leaf pad" aria-label="Not saved yet">
    <h2>Not saved yet</h2>
    <p class="dim">These entries are on this device only. Fix them on their page, send them again, or discard them.</p>
    <ul class="plain-list held-list"></ul>
    <form method="dialog"><button class="button">Close</button></form>
</dialog>
