<x-guest title="Papers to sign">
    <div class="sheet"><h1>This link does not work</h1><p>It may be cut off: open it again from the letter, the whole of it. If it still does not work, ask the person who sent it for another. Nothing you signed is lost.</p></div>
</x-guest>
