<x-layout :title="'Statement '.$statement->year.': '.$statement->agent->name" place="commission">
    <div class="head-row"><h1>{{ $statement->agent->name }}</h1><span class="dim">statement {{ $statement->year }}</span>
        <span class="right in-row"><a class="button tight" href="?year={{ $statement->year - 1 }}">{{ $statement->year - 1 }}</a>
            <a class="button tight" href="/reports/agents/{{ $statement->agent->key }}/pdf?year={{ $statement->year }}">PDF</a></span></div>
    <div class="leaf pad">
        @if ($statement->plan)<p>{{ $statement->plan->readable() }}</p>
            @if ($statement->plan->cap())<div class="plan-year"><svg viewBox="0 0 300 14" role="img"
                aria-label="{{ $statement->plan->wayToCap() }}% of the cap paid"><rect class="way" width="300" height="10" y="2"/><rect
                class="paid" width="{{ 3 * $statement->plan->wayToCap() }}" height="10" y="2"/></svg> <span class="small">{{
                $statement->plan->company }} of {{ $statement->plan->cap() }} paid since
                {{ $statement->plan->begins->long() }}</span></div>@endif
        @endif
        @if ($statement->rows === [])<p class="empty">No authorized sheet has its closing in {{ $statement->year }}.</p>@else
        <table class="ledger"><thead><tr><th scope="col">File</th><th scope="col">Closing</th><th scope="col" class="amount">Commissionable
            net</th><th scope="col" class="amount">To the company</th><th scope="col" class="amount">Fee after the cap</th><th scope="col"
            class="amount">Paid</th></tr></thead><tbody>
            @foreach ($statement->rows as $row)<tr data-row><td>@can('commission-place')<a
                href="/files/{{ $row['key'] }}/commission?side={{ $row['side'] }}" data-open><b
                class="serif">{{ $row['file'] }}</b></a>@else<b class="serif">{{ $row['file'] }}</b>@endcan</td>
                <td>{{ $row['day']->long() }}</td>
                @foreach (['cn', 'company', 'afterCap', 'paid'] as $what)<td class="amount">{{ $row[$what]->ledger() }}</td>@endforeach</tr>
            @endforeach
            <tr class="sum"><td>Together</td><td></td>@foreach ($statement->sum as $amount)<td class="amount">{{ $amount->ledger() }}</td>
                @endforeach</tr></tbody></table>@endif
    </div>
</x-layout>
