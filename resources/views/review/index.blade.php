<x-layout title="Review" place="review">
    <div class="head-row"><h1>Review desk</h1>
        <span class="dim">{{ $all === 0 ? 'nothing waiting' : $all.' waiting, most urgent first' }} ·
        <a href="/review/done">reviewed before</a></span></div>
    @if ($offices->count() > 1 || $agents->count() > 1 || array_filter($only) !== [])
        <nav class="queue-ways" aria-label="Show only">
            <a href="/review" @if (array_filter($only) === []) aria-current="true" @endif>All</a>
            <a href="/review?mine=1" @if ($only['mine'] ?? null) aria-current="true" @endif>Assigned to me</a>
            @foreach ($offices->count() > 1 || ($only['office'] ?? null) ? $offices : [] as $office)<a
                href="/review?office={{ $office->key }}" @if (($only['office'] ?? null) === $office->key) aria-current="true"
                @endif>{{ $office->name }}</a>@endforeach
            @foreach ($agents->take(8) as $agent)<a href="/review?agent={{ $agent->key }}" @if (($only['agent'] ?? null) === $agent->key)
                aria-current="true" @endif>{{ $agent->name }}</a>@endforeach
        </nav>
    @endif
    @if ($looked->isNotEmpty())
        <form method="post" action="/review/accept-looked" class="say">@csrf
            @foreach ($looked as $one)<input type="hidden"
                name="looked[{{ $one->key }}]" value="{{ $one->paper->latest->sha256 }}">@endforeach
            You have looked at {{ $looked->pluck('title')->take(4)->join(', ') }}{{ $looked->count() > 4 ? ' …' : '' }}, and nothing was
            found there. <button class="button tight now" data-weighs="accept them">{{ $looked->count() === 1 ? 'Accept it' :
            'Accept all '.$looked->count() }}</button></form>
    @endif
    <div class="leaf pad">
        @if ($waiting->isEmpty())
            <p class="empty">Papers that agents submit show up here, most urgent first. Nothing is waiting right now.</p>
        @else
            <table class="ledger">
                <thead><tr><th>Paper</th><th>File</th><th>Reason</th><th>Submitted</th><th>Needed by</th>
                    <th><span class="unseen">Actions</span></th></tr></thead>
                <tbody>
                @foreach ($waiting as $requirement)
                    @php($zone = $requirement->file->office->zone)
                    <tr data-row><td><a href="/review/{{ $requirement->key }}" data-open><b>{{ $requirement->title }}</b></a>
                        @if ($requirement->off_asked_at)<span class="tag-chip">asks whether it applies</span>@endif
                        @if ($requirement->first_accepted_by)<span class="tag-chip">second reader</span>@endif
                        @if ($requirement->times_sent_back > 0)<span class="tag-chip">sent back before</span>@endif
                        @if ($requirement->reviewer)<span class="tag-chip">{{ $requirement->reviewer->name }} has it</span>
                        @elseif (($open[$requirement->id] ?? []) !== [])<span class="tag-chip">open at {{ implode(', ',
                            $open[$requirement->id]) }}</span>@endif</td><td>
                        <a href="/files/{{ $requirement->file->key }}">{{ $requirement->file->name }}</a></td><td class="dim">
                        {{ $requirement->reason }}</td>
                        <td>{{ \App\Terms\When::list($requirement->off_asked_at ?? $requirement->submitted_at, $zone) }}</td>
                        <td @class(['late' => $requirement->needed_by?->isPast()])>@if ($requirement->needed_by)<b>{{
                            \App\Terms\When::list($requirement->needed_by, $zone) }}</b>@if ($requirement->needed_why !== '')<br><span
                            class="dim small">{{ $requirement->needed_why }}</span>@endif @endif</td><td class="right">
                        <a class="button tight now" href="/review/{{ $requirement->key }}">Review</a></td></tr>
                @endforeach
                </tbody>
            </table>
        @endif
    </div>
    @if ($spots->isNotEmpty())
        <div class="leaf pad spot-checks"><h2>Look at these once more</h2>
            <table class="ledger"><tbody>@foreach ($spots as $one)<tr><td>
                <a href="/review/{{ $one->key }}"><b>{{ $one->title }}</b></a></td>
                <td><a href="/files/{{ $one->file->key }}">{{ $one->file->name }}</a></td><td class="right">
                <form class="inline" method="post" action="/requirements/{{ $one->key }}/spot">@csrf<button class="button tight">It is
                    well</button></form></td></tr>@endforeach</tbody></table></div>
    @endif
</x-layout>
