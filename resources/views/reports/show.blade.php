@php
    use Unanimus\Money\Money;
    use Unanimus\Reports\Tally;
    $q = fn (array $more = []) => http_build_query([...$asked->query(), ...$more]);
    $closed = $report->tally('closed'); $pending = $report->tally('pending'); $was = $report->closedBefore;
    $than = function (int $now, int $before) use ($asked) {
        $more = Tally::more($now, $before);

        return $more === null ? '' : ($more >= 0 ? '+' : '−').abs($more).'% on '.$asked->before()->label;
    };
    $days = $report->days();
    $review = $report->review();
    $referrals = $report->referrals();
@endphp
<x-layout title="Reports" place="commission">
    <div class="head-row"><h1>Reports</h1><span class="dim">{{ $asked->period->label }}{{ $all ? '' : ', your own files' }}</span>
        <span class="right in-row">
            <a class="button tight" href="/reports.pdf?{{ $q() }}">PDF</a>
            <form method="post" action="/reports/mail">@csrf<input type="hidden" name="press"
                value="{{ \Illuminate\Support\Str::ulid() }}"><input type="hidden" name="asked" value="{{ $q() }}">
                <button class="button tight">Email it to me</button></form>
            <a class="button tight" href="/reports/agents/{{ Auth::user()->key }}?year={{ $asked->period->to->year() }}">My
                year</a></span></div>
    @include('reports.asks')

    <div class="figures">
        @foreach ([
            ['Closed', 'closed', $closed, [['volume', $closed->volume, $was->volume], ['gross', $closed->gross, $was->gross],
                ['to the company', $closed->company, $was->company]]],
            ['Pending in this period', 'pending', $pending, [['volume', $pending->volume, null], ['expected gross', $pending->gross, null],
                ['expected to the company', $pending->company, null]]],
        ] as [$name, $stands, $tally, $figures])
        <section class="leaf pad" aria-label="{{ $name }}"><h2><a href="/reports/deals?{{ $q(['stands' => $stands]) }}">{{ $name }}: {{
            $tally->sides === 1 ? '1 side' : $tally->sides.' sides' }}</a></h2>
            <dl>@foreach ($figures as [$label, $cents, $before])<div><dt>{{ $label }}</dt><dd>{{ Money::cents($cents) }}
                @if ($before !== null && $than($cents, $before) !== '')<small class="dim">{{ $than($cents, $before) }}</small>@endif
                </dd></div>
                @endforeach</dl>
            @if ($tally->unknown > 0)<p class="dim small">Of {{ $tally->unknown === 1 ? '1 side' : $tally->unknown.' sides' }} no
                commission is entered yet: they count in the volume only.</p>@endif</section>
        @endforeach
        <section class="leaf pad" aria-label="On the way"><h2>On the way</h2>
            <dl><div><dt>listing to contract</dt><dd>{{ $days['contract'] === null ? '–' : $days['contract'].' days' }}</dd></div>
                <div><dt>contract to closing</dt><dd>{{ $days['closing'] === null ? '–' : $days['closing'].' days' }}</dd></div>
                <div><dt>submitted to accepted</dt><dd>{{ $review['review'] ?: '–' }}</dd></div>
                <div><dt>files under contract complete</dt><dd>{{ $review['complete'] === null ? '–' : $review['complete'].'%' }}</dd></div>
                <div><dt>fell through or expired</dt><dd><a href="/reports/deals?{{ $q(['stands' => 'fell']) }}">{{
                    count($report->rows('fell')) }}</a></dd></div></dl>
            <p class="dim small">Median of what closed.</p></section>
    </div>

    <section class="leaf pad" aria-label="By month"><h2>By month</h2>
        <div class="scrolls" tabindex="0" role="region" aria-label="Bars by month"><svg class="month-bars"
            viewBox="0 0 {{ \App\Reports\MonthBars::WIDTH }} {{ \App\Reports\MonthBars::TALL }}" role="img"
            aria-label="Gross commission by month; the table beneath has the figures">
            <line class="base" x1="0" x2="{{ \App\Reports\MonthBars::WIDTH }}" y1="{{ \App\Reports\MonthBars::base() }}"
                y2="{{ \App\Reports\MonthBars::base() }}"/>
            @foreach ($bars->bars as $bar)
            <rect class="bar-closed" x="{{ round($bar['x'], 1) }}" y="{{ round(\App\Reports\MonthBars::base() - $bar['closed'], 1) }}"
                width="{{ round($bar['wide'], 1) }}" height="{{ round($bar['closed'], 1) }}"/>
            <rect class="bar-pending" x="{{ round($bar['x'], 1) }}" y="{{ round(\App\Reports\MonthBars::base() - $bar['closed'] -
                $bar['pending'], 1) }}" width="{{ round($bar['wide'], 1) }}" height="{{ round($bar['pending'], 1) }}"/>
            <text class="sum" x="{{ round($bar['x'] + $bar['wide'] / 2, 1) }}" y="{{ round(\App\Reports\MonthBars::base() - $bar['closed'] -
                $bar['pending'] - 5, 1) }}" text-anchor="middle">{{ $bar['sum'] }}</text>
            <text class="dim-text" x="{{ round($bar['x'] + $bar['wide'] / 2, 1) }}" y="176" text-anchor="middle">{{ $bar['month'] }}</text>
            @endforeach</svg></div>
        <p class="small dim bar-key"><span class="key-closed"></span> closed <span class="key-pending"></span> pending, gross commission</p>
        @include('reports.groups', ['by' => 'month', 'groups' => $months, 'heading' => 'Month'])
    </section>
    <div class="columns-2">
        @php($ways = ['office' => 'By office', 'agent' => 'By agent', 'side' => 'By side', 'label' => 'By tag', 'source' => 'By source'])
        @foreach ($ways as $by => $heading)
        @if ($all || $by !== 'office')
        <section class="leaf pad" aria-label="{{ $heading }}"><h2>{{ $heading }}</h2>
            @include('reports.groups', ['groups' => $report->by($by), 'heading' => \Unanimus\Reports\Grouped::BY[$by]])</section>@endif
        @endforeach
        <section class="leaf pad" aria-label="Authorized sheets"><div class="head-row"><h2>Authorized sheets by agent</h2><span
            class="right"><a class="small" href="/reports.csv?{{ $q(['table' => 'sheets']) }}">CSV</a></span></div>
            @if ($report->sheets === [])<p class="empty">No sheet with a closing in this period is authorized yet.</p>@else
            <table class="ledger"><thead><tr><th scope="col">Agent</th><th scope="col" class="amount">Sheets</th><th scope="col"
                class="amount">Net</th><th scope="col" class="amount">To the company</th><th scope="col" class="amount">Paid</th>
                <th scope="col" class="amount">Of the cap</th></tr></thead>
                <tbody>@foreach ($report->agents() as $key => $agent)<tr><td><a
                    href="/reports/agents/{{ $key }}?year={{ $asked->period->to->year() }}">{{ $agent['name'] }}</a></td>
                    <td class="amount">{{ $agent['sheets'] }}</td><td class="amount">{{ $agent['cn']->ledger() }}</td>
                    <td class="amount">{{ $agent['company']->ledger() }}</td><td class="amount">{{ $agent['paid']->ledger() }}</td>
                    <td class="amount">@if (($caps[$key] ?? null)?->cap() === null)–@else{{ $caps[$key]->wayToCap() }}%<small
                        class="dim"> of {{ $caps[$key]->cap() }}</small>@endif</td></tr>
                @endforeach</tbody></table>@endif</section>
        @if ($referrals !== [])<section class="leaf pad" aria-label="Referrals"><h2>Firms that referred clients</h2>
            <table class="ledger"><thead><tr><th scope="col">Firm</th><th scope="col" class="amount">Sheets</th><th scope="col"
                class="amount">They get</th></tr></thead><tbody>@foreach ($referrals as $firm => $one)<tr><td>{{ $firm }}</td>
                <td class="amount">{{ $one['count'] }}</td><td class="amount">{{ $one['sum']->ledger() }}</td></tr>@endforeach
                </tbody></table></section>@endif
        <section class="leaf pad" aria-label="Fell through"><h2>Fell through or expired, and why</h2>
            @if ($report->fell() === [])<p class="empty">Nothing in this period.</p>@else
            <table class="ledger"><tbody>@foreach ($report->fell() as $reason => $count)<tr><td><a
                href="/reports/deals?{{ $q(['stands' => 'fell', 'by' => 'reason', 'of' => $reason]) }}">{{ $reason }}</a></td>
                <td class="amount">{{ $count }}</td></tr>@endforeach</tbody></table>@endif</section>
        <section class="leaf pad" aria-label="Due to close"><h2>Due to close within {{ $ahead }} days</h2>
            @if ($due === [])<p class="empty">Nothing is due.</p>@else
            <table class="ledger"><thead><tr><th scope="col">File</th><th scope="col">Closing</th><th scope="col"
                class="amount">Gross</th><th scope="col" class="amount">To the company</th></tr></thead><tbody>
                @foreach (array_slice($due, 0, 12) as $row)<tr><td><a
                href="/files/{{ $row->file }}{{ Gate::allows('commission-place') ? '/commission' : '' }}">{{ $row->name }}</a></td>
                <td>{{ $row->day?->short() }}</td>
                <td class="amount">{{ $row->gross === null ? '–' : Money::cents($row->gross)->ledger() }}</td>
                <td class="amount">{{ $row->company === null ? '–' : Money::cents($row->company)->ledger() }}</td></tr>@endforeach
                <tr class="sum"><td>{{ count($due) > 12 ? 'All '.count($due) : 'Together' }}</td><td></td>
                <td class="amount">{{ Money::cents(Tally::of($due)->gross)->ledger() }}</td>
                <td class="amount">{{ Money::cents(Tally::of($due)->company)->ledger() }}</td></tr></tbody></table>@endif</section>
        <section class="leaf pad" aria-label="Expiring listings"><h2>Listings that expire within {{ $ahead }} days</h2>
            @if ($expiring === [])<p class="empty">None.</p>@else
            <table class="ledger"><tbody>@foreach ($expiring as $file)<tr><td><a href="/files/{{ $file->key }}">{{ $file->name }}</a></td>
                <td>{{ \Unanimus\Dates\LocalDate::of($file->knownFacts->firstWhere('name', 'listing_expires')->value)->short() }}</td></tr>
                @endforeach</tbody></table>@endif</section>
    </div>
    <section class="leaf pad" aria-label="Saved reports"><h2>Save this report</h2>
        <form method="post" action="/reports/kept" class="in-row">@csrf<input type="hidden" name="asked" value="{{ $q() }}">
            <input class="input" name="name" maxlength="60" required placeholder="Monday meeting" aria-label="Name of the report">
            <label class="checkbox"><input type="checkbox" name="monthly" value="1"> email it to me each month</label>
            <button class="button tight">Save report</button></form>
        @foreach ($kept as $one)@if ($one->asked_at !== null)<p class="small dim">{{
            \App\Reports\Asked::of($one->asked, $today)->period->label }}: being put together, and emailed to you then.</p>@else<form
            method="post" action="/reports/kept/{{ $one->key }}" class="in-row small">@csrf @method('delete')
            <a href="/reports?{{ http_build_query($one->asked) }}">{{ $one->name }}</a>{{ $one->monthly ? ', emailed each month' : '' }}
            <button class="button tight quiet">Remove report</button></form>@endif
        @endforeach
    </section>
</x-layout>
