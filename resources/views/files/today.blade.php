<x-layout title="Today" place="today">
    <h1 class="unseen">Today</h1>
    <div class="leaf three">
        <section aria-labelledby="mine"><h2 id="mine">Waiting on me<small>{{ count($today->mine) ?: '' }}</small></h2>
            <ul>
                @forelse ($today->mine as $row)
                    <li data-row><a href="{{ $row['href'] }}" data-open><span @class(['bullet', 'soft' => ! $row['hot']])></span><span class="what"><b>{{ $row['what'] }}</b> {{ $row['about'] }}</span><span class="where">{{ $row['where'] }}</span></a></li>
                @empty
                    <li class="dim">Nothing is waiting on you.</li>
                @endforelse
            </ul>
        </section>
        <section aria-labelledby="others"><h2 id="others">Waiting on others<small>{{ count($today->others) ?: '' }}</small></h2>
            <ul>
                @forelse ($today->others as $row)
                    <li data-row><a href="{{ $row['href'] }}" data-open><x-seat :seat="$row['seat']" /><span class="what"><b>{{ $row['who'] }}</b> {{ $row['what'] }}</span><span class="where">{{ $row['where'] }}</span></a></li>
                @empty
                    <li class="dim">No one owes you anything.</li>
                @endforelse
            </ul>
        </section>
        <section aria-labelledby="coming"><h2 id="coming">Coming up<small>next 7 days</small></h2>
            <ul>
                @forelse ($today->coming as $row)
                    <li data-row><a href="{{ $row['href'] }}" data-open><span @class(['day', 'late' => $row['late']])>{{ $row['day'] }}</span><span class="what"><b>{{ $row['what'] }}</b></span><span class="where">{{ $row['where'] }}</span></a></li>
                @empty
                    <li class="dim">Nothing is due in the next next 7 days.</li>
                @endforelse
            </ul>
        </section>
    </div>
    <div class="lanes-head">
        <h2>Lanes</h2><span class="dim">{{ count($today->lanes->rows) }} open files{{ $person ? ' of '.$person->name : '' }}</span> <a href="/tasks">Tasks</a>
        <form action="/" class="in-row right"><input type="hidden" name="by" value="{{ $span }}"><span class="select"><select name="who" aria-label="whose lanes" data-sends><option value="">everyone’s</option>@foreach ($people as $one)<option value="{{ $one->key }}" @selected($person?->id === $one->id)>{{ $one->name }}</option>@endforeach</select></span><noscript><button class="button tight">Show</button></noscript></form>
        <span class="zoom">@foreach (['week', 'month', 'quarter'] as $by)<a href="/?{{ http_build_query(array_filter(['by' => $by, 'who' => $person?->key])) }}" @if ($by === $span) aria-current="true" @endif>{{ $by }}</a>@endforeach <a href="/?{{ http_build_query(array_filter(['by' => $span, 'who' => $person?->key, 'print' => 1])) }}">print</a></span>
    </div>
    @if ($today->open === 0)
        <div class="leaf empty">Each open file gets a lane here with its dates. <a href="/open">Open your first file</a>.</div>
    @else
        <div class="lanes-wrap">@include('files.lanes', ['lanes' => $today->lanes])</div>
    @endif
</x-layout>
