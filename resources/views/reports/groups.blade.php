@php($link = fn ($key, $stands) => '/reports/deals?'.http_build_query([...$asked->query(), 'by' => $by, 'of' => $key, 'stands' => $stands]))
<table class="ledger groups">
    <thead><tr><th scope="col">{{ $heading }}</th><th scope="col" class="amount">Sides</th><th scope="col" class="amount">Volume</th><th
        scope="col" class="amount">Gross</th><th scope="col" class="amount">Pending</th><th scope="col"
        class="amount">Expected</th></tr></thead>
    <tbody>@foreach ($groups as $key => $group)<tr><td>{{ $group['name'] }}</td>
        <td class="amount">@if ($group['closed']->sides > 0)<a href="{{ $link($key, 'closed') }}">{{ $group['closed']->sides }}</a>@else
            –@endif</td>
        <td class="amount">{{ $group['closed']->sides === 0 ? '–' : \Unanimus\Money\Money::cents($group['closed']->volume) }}</td>
        <td class="amount">{{ $group['closed']->sides === 0 ? '–' :
            \Unanimus\Money\Money::cents($group['closed']->gross)->ledger() }}</td>
        <td class="amount">@if ($group['pending']->sides > 0)<a href="{{ $link($key, 'pending') }}">{{ $group['pending']->sides }}</a>@else
            –@endif</td>
        <td class="amount">{{ $group['pending']->sides === 0 ? '–' :
            \Unanimus\Money\Money::cents($group['pending']->gross)->ledger() }}</td>
        </tr>@endforeach</tbody>
</table>
<a class="small" href="/reports.csv?{{ http_build_query([...$asked->query(), 'table' => $by]) }}">CSV</a>
