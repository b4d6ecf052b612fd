<x-layout title="Deals of a report" place="commission">
    <div class="head-row"><h1>{{ $of }}</h1><span class="dim"><a
        href="/reports?{{ http_build_query($asked->query()) }}">the report</a></span>
        <span class="right"><a class="button tight" href="/reports.csv?{{ http_build_query([...request()->query(), 'table' => 'deals']) }}">
            CSV</a></span></div>
    @php($without = array_diff_key(request()->query(), ['stands' => '']))
    <nav class="in-row small" aria-label="Status">@foreach (['' => 'All', 'closed' => 'Closed', 'pending' => 'Pending', 'fell' =>
        'Fell through'] as $stands => $word)<a class="button tight{{
        request()->query('stands', '') === $stands ? ' is-dark' : '' }}" href="/reports/deals?{{ http_build_query([...$without,
        ...$stands === '' ? [] : ['stands' => $stands]]) }}" @if (request()->query('stands', '') === $stands) aria-current="page"
        @endif>{{ $word }}</a>@endforeach</nav>
    <div class="leaf pad">
        @if ($rows === [])<p class="empty">No deals here.</p>@else
        <table class="ledger"><thead><tr><th scope="col">File</th><th scope="col">Side</th><th scope="col">Agents</th><th
            scope="col">Day</th><th scope="col" class="amount">Price</th><th scope="col" class="amount">Gross</th><th scope="col"
            class="amount">To the company</th></tr></thead><tbody>
            @foreach (array_slice($rows, 0, 500) as $row)<tr data-row><td><a href="/files/{{ $row->file }}" data-open><b class="serif">{{
                $row->name }}</b></a></td><td>{{ $row->side }}</td><td>{{ implode(', ', $row->agents) }}</td>
                <td>{{ $row->day?->long() ?? '–' }}{{ $row->stands === 'fell' ? ', '.$row->reason : '' }}</td>
                <td class="amount">{{ $row->price === null ? '–' : \Unanimus\Money\Money::cents($row->price) }}</td>
                <td class="amount">{{ $row->gross === null ? '–' : \Unanimus\Money\Money::cents($row->gross)->ledger() }}</td>
                <td class="amount">{{ $row->company === null ? '–' : \Unanimus\Money\Money::cents($row->company)->ledger() }}</td></tr>
            @endforeach
            @php($sum = \Unanimus\Reports\Tally::of($rows))
            <tr class="sum"><td>{{ $sum->sides === 1 ? '1 side' : $sum->sides.' sides' }}</td><td></td><td></td><td></td>
                <td class="amount">{{ \Unanimus\Money\Money::cents($sum->volume) }}</td>
                <td class="amount">{{ \Unanimus\Money\Money::cents($sum->gross)->ledger() }}</td>
                <td class="amount">{{ \Unanimus\Money\Money::cents($sum->company)->ledger() }}</td></tr></tbody></table>
        @if (count($rows) > 500)<p class="dim small">The first 500 are shown. The CSV has all.</p>@endif @endif
    </div>
</x-layout>
