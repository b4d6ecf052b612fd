<x-guest title="Papers to fill in">
    <div class="sheet"><h1>This link does not work</h1><p>It may be cut off, or another one has been sent since: open the newest letter, and the whole of the link. If it still does not work, ask the person who sent it for another. Nothing you entered is lost.</p></div>
</x-guest>
