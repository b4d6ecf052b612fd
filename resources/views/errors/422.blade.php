<x-guest title="This could not be read">
    <h1>This could not be read</h1>
    <p>{{ $told ?? 'Something in what was sent could not be read. Nothing was changed.' }}</p>
    <p><a href="/">To the start</a></p>
</x-guest>
