<x-guest title="We could not read that">
    <h1>We could not read that</h1>
    <p>{{ $told ?? 'We could not read what was sent. Nothing was changed.' }}</p>
    <p><a href="/">Go to Today</a></p>
</x-guest>
