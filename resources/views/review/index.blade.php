<x-layout title="Review" place="review">
    <div class="head-row"><h1>Review desk</h1><span class="dim">{{ $waiting->count() === 0 ? 'nothing waits' : $waiting->count().' waiting, longest first' }}</span></div>
    <div class="leaf pad">
        @if ($waiting->isEmpty())
            <p class="empty">Papers that agents hand in stand here, the longest waiting first. There is nothing to decide right now.</p>
        @else
            <table class="ledger">
                <thead><tr><th>Paper</th><th>File</th><th>Why it is asked for</th><th>Handed in</th><th></th></tr></thead>
                <tbody>
                @foreach ($waiting as $requirement)
                    <tr data-row><td><a href="/review/{{ $requirement->key }}" data-open><b>{{ $requirement->title }}</b></a></td><td><a href="/files/{{ $requirement->file->key }}">{{ $requirement->file->name }}</a></td><td class="dim">{{ $requirement->reason }}</td><td>{{ \App\Terms\When::list($requirement->submitted_at, $requirement->file->office->zone) }}</td><td class="right"><a class="button tight now" href="/review/{{ $requirement->key }}">Read</a></td></tr>
                @endforeach
                </tbody>
            </table>
        @endif
    </div>
</x-layout>
