<x-office title="Running" at="running" about="whether everything works, what waits, what failed">
    <section class="leaf pad" aria-label="Everything"><h2>This installation</h2>
        <table class="ledger"><tbody>@foreach ($findings as $one)<tr><td><b>{{ ucfirst($one->part) }}</b></td><td
            @class(['ok' => $one->level->value === 'well', 'waits' => $one->level->value === 'look', 'late' => $one->level->value ===
                'broken'])>{{
            ['well' => 'well', 'look' => 'needs attention', 'broken' => 'broken'][$one->level->value] }}</td><td>{{ $one->says
                }}</td></tr>@endforeach
        </tbody></table>
    </section>
    <section class="leaf pad" aria-label="What waits"><h2>Failed or waiting</h2>
        @if ($waiting->isEmpty())<p class="empty">Nothing. What fails is listed here, with why, until it is done.</p>
        @else
        <div class="scrolls"><table class="ledger"><thead><tr><th scope="col">What</th><th scope="col">Since</th><th scope="col">Why</th><th
            scope="col">Next try</th><th scope="col"><span class="unseen">Try again</span></th></tr></thead><tbody>
        @foreach ($waiting as $one)
            <tr data-row><td>{{ str_replace('-', ' ', $one->kind) }}</td><td>{{
                \App\Terms\When::list(\Illuminate\Support\Carbon::parse($one->begun_at),
                $zone) }}</td><td>{{ $one->fault }}, tried {{ $one->tries }} {{ $one->tries === 1 ? 'time' : 'times' }}</td><td>
                @if ($one->stopped)<b class="late">not by itself</b>@elseif ($one->next_try_at){{
                \App\Terms\When::list(\Illuminate\Support\Carbon::parse($one->next_try_at), $zone) }}@endif</td><td class="right"><form
                method="post" action="/office/running/{{ $one->kind }}/{{ $one->thing }}">@csrf<button class="button tight">Try now</button>
                </form></td></tr>
        @endforeach
        </tbody></table></div>
        @endif
    </section>
</x-office>
