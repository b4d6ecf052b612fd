<x-layout title="Review" place="review">
    <div class="head-row"><h1>Review desk</h1>
        <span class="dim">{{ $waiting->count() === 0 ? 'nothing waiting' : $waiting->count().' waiting, longest first' }}</span></div>
    <div class="leaf pad">
        @if ($waiting->isEmpty())
            <p class="empty">Papers that agents submit show up here, longest waiting first. Nothing is waiting right now.</p>
        @else
            <table class="ledger">
                <thead><tr><th>Paper</th><th>File</th><th>Reason</th><th>Submitted</th><th><span class="unseen">Actions</span></th></tr>
                    </thead>
                <tbody>
                @foreach ($waiting as $requirement)
                    <tr data-row><td><a href="/review/{{ $requirement->key }}" data-open><b>{{ $requirement->title }}</b></a></td><td>
                        <a href="/files/{{ $requirement->file->key }}">{{ $requirement->file->name }}</a></td><td class="dim">
                        {{ $requirement->reason }}</td><td>
                        {{ \App\Terms\When::list($requirement->submitted_at, $requirement->file->office->zone) }}</td><td class="right">
                        <a class="button tight now" href="/review/{{ $requirement->key }}">Review</a></td></tr>
                @endforeach
                </tbody>
            </table>
        @endif
    </div>
</x-layout>
