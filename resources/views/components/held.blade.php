{{-- What this person entered on this device and the server has not stored; filled by held.js. --}}
<button type="button" id="held" class="held" data-held hidden></button>
<dialog id="held-list" class="leaf pad" aria-label="What waits on this device">
    <h2>On this device, not stored yet</h2>
    <p class="dim">Nothing of it is lost while it stands here. Correct it where it belongs, send it again, or let go of it.</p>
    <ul class="plain-list held-list"></ul>
    <form method="dialog"><button class="button">Close</button></form>
</dialog>
