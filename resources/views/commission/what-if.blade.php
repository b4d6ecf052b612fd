<div class="leaf pad" id="what-if">
    <h2>What if</h2>
    <form method="get" action="{{ $at }}#what-if" class="what-if">
        @if ($side)<input type="hidden" name="side" value="{{ $side->value }}">@endif
        @foreach (['price' => ['Price', (string) $price], 'rate' => ['Rate, %', $entries?->entered()->value('rate') ?? ''],
            'credit' => ['Credit', ''], 'closing' => ['Closing', $closing?->abbreviated() ?? '']] as $name => [$label, $now])
        <label class="line"><span>{{ $label }}</span><input class="input" name="if_{{ $name }}" maxlength="40" autocomplete="off"
            value="{{ request()->string('if_'.$name) }}" placeholder="{{ $now }}"></label>@endforeach
        <button class="button tight">Compare</button>
        @if ($if)<a class="button tight" href="{{ $at }}{{ $side ? '?side='.$side->value : '' }}">Clear</a>@endif
    </form>
    @if ($if && $if->told !== '')<p class="late">{{ $if->told }}</p>
    @elseif ($if)
    <table class="ledger">
        <thead><tr><th scope="col">Who</th><th scope="col" class="amount">Now</th><th scope="col" class="amount">Then</th><th scope="col"
            class="amount">Difference</th></tr></thead>
        <tbody>@foreach ($if->rows as $row)<tr @class(['sum' => $loop->last])><td>{{ $row['name'] }}</td>
            <td class="amount">{{ $row['now']->ledger() }}</td><td class="amount"><b>{{ $row['then']->ledger() }}</b></td>
            <td class="amount">{{ $row['more']->isZero() ? '–' : ($row['more']->isNegative() ? '' : '+').$row['more']->ledger() }}</td></tr>
        @endforeach</tbody>
    </table>
    @foreach ($if->sheet?->held ?? [] as $why)<p class="late">{{ $why }}</p>@endforeach
    <p class="dim small">None of this is saved.</p>
    @endif
</div>
