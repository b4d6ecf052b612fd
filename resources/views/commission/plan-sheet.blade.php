@php($good = array_filter($rows, fn ($row) => $row['refused'] === ''))
<x-office title="Plans from a spreadsheet" at="plans" about="nothing is saved yet">
    <div class="leaf pad">
        <p><b>{{ count($good) === 1 ? '1 plan' : count($good).' plans' }}</b> can be saved{{ count($rows) === count($good) ? '.' :
            ', '.(count($rows) - count($good)).' cannot. Those stay as they are.' }}</p>
        <div class="scrolls" tabindex="0" role="region" aria-label="Rows of the spreadsheet">
        <table class="ledger"><thead><tr><th scope="col">Row</th><th scope="col">Agent</th><th scope="col">From</th><th
            scope="col">Plan</th></tr></thead><tbody>
            @foreach ($rows as $row)<tr><td>{{ $row['line'] }}</td><td>{{ $row['agent']?->name ?? $row['email'] }}</td>
                <td>{{ $row['from']?->long() ?? '' }}</td><td>@if ($row['refused'] !== '')<span class="late">{{ $row['refused'] }}</span>
                @else{{ \App\Commission\PlanYear::said($row['plan']) }}@endif</td></tr>@endforeach
        </tbody></table></div>
        <form method="post" action="/office/plans-sheet/set">@csrf<input type="hidden" name="bytes" value="{{ $bytes }}">
            @if ($good !== [])<button class="button now">Save {{ count($good) === 1 ? '1 plan' : count($good).' plans' }}</button>@endif
            <a class="button" href="/office/plans">Save none</a></form>
    </div>
</x-office>
