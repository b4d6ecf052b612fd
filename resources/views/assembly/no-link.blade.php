<x-guest title="Papers to read">
    <div class="sheet"><h1>This link does not work</h1><p>It may be cut off: open the whole of it. If it still does not work, ask the person who sent it for another.</p></div>
</x-guest>
