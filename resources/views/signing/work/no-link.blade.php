<x-guest title="Documents to have signed">
    <div class="sheet"><h1>This link does not work</h1><p>Check that the whole link was copied, or ask whoever sent it to you for a new
        one.</p></div>
</x-guest>
