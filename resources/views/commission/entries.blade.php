@php
    $kept = $entries?->given ?? [];
    $v = fn (string $name, string $else = '') => old($name, $kept[$name] ?? $else);
    $figure = fn (string $name, string $else = '') => old($name, \Unanimus\Commission\Figure::shown($kept[$name] ?? $else));
    $fees = $entries?->entered()->otherFees() ?? $officeFees;
    $lines = $entries?->entered()->lines() ?? [];
    $first = $entries?->entered()->flatFee();
    $agents = array_intersect_key($names, $years);
    $rent = (string) ($facts->value('price') ? '' : $facts->value('rent'));
    $isReferral = ! $file->kind->isDeal();
    $share = (string) $facts->value('referral_percent');
    $begun = match (true) {
        $kept !== [] => [],
        $isReferral => ['kind' => 'referralIn', 'percent' => $share],
        $rent !== '' => ['kind' => 'month', 'of' => $rent],
        default => [],
    };
@endphp
<div class="money-entries">
    <label class="line"><span>Gross commission, % of {{ $rent === '' ? 'price' : 'rent' }}</span><input class="input" name="rate"
        @disabled($locked) inputmode="decimal"
        value="{{ $v('rate', $proposed?->rate === null ? '' : \Unanimus\Money\Percent::of($proposed->rate)->decimal()) }}"><small
        class="source">{{ $sources->sourceOfRate((string) ($kept['rate'] ?? $proposed?->rate)) }}</small></label>
    @foreach ($years as $id => $year)
        <label class="line"><span>{{ count($years) === 1 ? 'Agent’s split' : 'Split of '.$names[$id][0] }}, %{{ $year ?
            ', if not by the plan' : '' }}</span><input class="input" inputmode="decimal" @disabled($locked)
            name="{{ count($years) === 1 ? 'agent_share' : "splits[{$id}]" }}"
            value="{{ old(count($years) === 1 ? 'agent_share' : "splits.{$id}", $kept['splits'][$id] ?? '') }}"
            placeholder="{{ $year ? 'as the plan says' : '' }}"><small class="source">{{
            ($kept['splits'][$id] ?? '') !== '' ? 'entered here' : ($year ? "by the plan: {$year->readable()}" : '') }}</small></label>
        @if (count($years) > 1)<label class="line"><span>Share of {{ $names[$id][0] }}, %</span><input class="input" inputmode="decimal"
            name="shares[{{ $id }}]" @disabled($locked) value="{{ old("shares.{$id}", $kept['agents'][$id] ?? '') }}"></label>@endif
    @endforeach
    <label class="line"><span>Flat fee the agent pays</span><input class="input" name="fee" @disabled($locked) inputmode="decimal"
        value="{{ old('fee', $first['amount'] ?? ($proposed?->fee === null || $fees !== [] ? '' :
            \Unanimus\Money\Money::of($proposed->fee))) }}"><small class="source">{{
        $sources->sourceOfFee((string) ($first['amount'] ?? ($fees === [] ? $proposed?->fee : ''))) }}</small></label>
    <label class="line"><span>Name of the fee</span><input class="input" name="fee_name" @disabled($locked)
        value="{{ old('fee_name', $first['label'] ?? ($fees === [] ? $proposed?->feeName : '')) }}"></label>
</div>
<label class="checkbox small"><input type="checkbox" name="fee_counts" value="1" @checked(old('fee_counts', $first['counts'] ?? false))
    @disabled($locked)> This fee counts towards the agent’s cap</label>
<label class="line"><span>What is unusual</span><textarea class="textarea" name="note" rows="2" maxlength="500"
    @disabled($locked)>{{ $v('note', (string) $facts->value('commission_note')) }}</textarea></label>

<details class="more-lines" @if ($lines !== [] || array_intersect(['flat', 'minimum', 'maximum', 'reduced'], array_keys($kept)) !== [] ||
    $v('base') === 'price_less_concessions' || $begun !== []) open @endif>
    <summary>More that comes in: first and balance, rent, referral in, limits</summary>
    <div class="money-entries">
        <label class="line"><span>Percentage of</span><span class="select"><select name="base" @disabled($locked)>
            <option value="price">the price</option><option value="price_less_concessions" @selected($v('base') ===
            'price_less_concessions')>the price less concessions</option></select></span></label>
        <label class="line"><span>Reduced rate, both sides ours, %</span><input class="input" name="reduced" value="{{ $v('reduced') }}"
            @disabled($locked) inputmode="decimal"></label>
        <label class="line"><span>Our side gets at least</span><input class="input" name="minimum" value="{{ $v('minimum') }}"
            @disabled($locked) inputmode="decimal"></label>
        <label class="line"><span>Our side gets at most</span><input class="input" name="maximum" value="{{ $v('maximum') }}"
            @disabled($locked) inputmode="decimal"></label>
        @if ($v('flat') !== '')<label class="line"><span>Flat amount on top</span><input class="input" name="flat" value="{{ $v('flat') }}"
            @disabled($locked) inputmode="decimal"></label>@endif
    </div>
    @foreach (range(0, min(\Unanimus\Commission\LineEntered::MOST - 1, max(1, count($lines)))) as $n)
        @php($line = $lines[$n] ?? ($n === 0 ? $begun : []))
        <div class="line-row">
            <label class="line"><span>Line</span><span class="select"><select name="lines[{{ $n }}][kind]" @disabled($locked)>
                @foreach (\Unanimus\Commission\LineEntered::KINDS as $kind => $word)<option value="{{ $kind }}"
                    @selected(old("lines.{$n}.kind", $line['kind'] ?? '') === $kind)>{{ $word }}</option>@endforeach</select></span></label>
            <label class="line"><span>%</span><input class="input" name="lines[{{ $n }}][percent]" inputmode="decimal" @disabled($locked)
                value="{{ old("lines.{$n}.percent", $line['percent'] ?? '') }}"></label>
            <label class="line"><span>of, or amount</span><input class="input" name="lines[{{ $n }}][of]" inputmode="decimal"
                @disabled($locked) value="{{ old("lines.{$n}.of", $line['of'] ?? '') }}"></label>
        </div>
    @endforeach
</details>

<details class="more-lines" @if (array_intersect(['bonus', 'credit', 'referral', 'franchise', 'deduction'], array_keys($kept)) !== [] ||
    ($share !== '' && ! $isReferral)) open @endif>
    <summary>Bonus and off the top: credit, referral, franchise</summary>
    <div class="money-entries">
        <label class="line"><span>Bonus</span><input class="input" name="bonus" value="{{ $v('bonus') }}" @disabled($locked)
            inputmode="decimal"></label>
        <label class="line"><span>Goes</span><span class="select"><select name="bonus_through" @disabled($locked)>
            <option value="split">through the split</option><option value="straight" @selected($v('bonus_through') === 'straight')>straight
            to the agent</option></select></span></label>
        @if (count($agents) > 1)<label class="line"><span>Straight to</span><span class="select"><select name="bonus_to" @disabled($locked)>
            @foreach ($agents as $id => $agent)<option value="{{ $id }}" @selected($v('bonus_to') === $id)>{{ $agent[0] }}</option>
            @endforeach</select></span></label><span></span>@endif
        <label class="line"><span>Credit to the client, $ or %</span><input class="input" name="credit" value="{{ $figure('credit') }}"
            @disabled($locked)></label>
        <span></span>
        <label class="line"><span>Referral out, % or $</span><input class="input" name="referral" value="{{ $figure('referral',
            $share !== '' && ! $isReferral ? $share.'%' : '') }}" @disabled($locked)></label>
        <label class="line"><span>To</span><input class="input" name="referral_to" value="{{ $v('referral_to',
            $isReferral ? '' : (string) ($facts->value('referred_to') ?? '')) }}" @disabled($locked)></label>
        <label class="line"><span>Of</span><span class="select"><select name="referral_of" @disabled($locked)><option value="gross">gross
            </option><option value="gross_less_credits" @selected($v('referral_of') === 'gross_less_credits')>gross less
            credits</option></select></span></label>
        <span></span>
        <label class="line"><span>Franchise fee, % of gross or $</span><input class="input" name="franchise"
            value="{{ $figure('franchise') }}" @disabled($locked)></label>
        <label class="line"><span>To</span><input class="input" name="franchise_to" value="{{ $v('franchise_to') }}" placeholder="franchise"
            @disabled($locked)></label>
        <label class="line"><span>Taken</span><span class="select"><select name="franchise_when" @disabled($locked)>
            <option value="before">before the split</option><option value="after" @selected($v('franchise_when') === 'after')>after the
            split</option></select></span></label>
        <label class="line"><span>After the split, paid by</span><span class="select"><select name="franchise_by" @disabled($locked)>
            <option value="company">the company</option><option value="agents" @selected($v('franchise_by') === 'agents')>the
            agents</option></select></span></label>
        <label class="line"><span>Its cap a year</span><input class="input" name="franchise_cap" value="{{ $v('franchise_cap') }}"
            inputmode="decimal" @disabled($locked) placeholder="none"></label>
        <label class="line"><span>Cap is kept for</span><span class="select"><select name="franchise_per" @disabled($locked)>
            <option value="agent">the agent’s plan year</option><option value="office" @selected($v('franchise_per') === 'office')>the
            office’s calendar year</option></select></span></label>
        <label class="line"><span>Paid before sheets were kept here</span><input class="input" name="franchise_paid"
            value="{{ $v('franchise_paid') }}" inputmode="decimal" @disabled($locked)></label>
        @if (count($agents) > 1)<label class="line"><span>Counts for</span><span class="select"><select name="franchise_agent"
            @disabled($locked)>@foreach ($agents as $id => $agent)<option value="{{ $id }}" @selected($v('franchise_agent') === $id)>
            {{ $agent[0] }}</option>@endforeach</select></span></label>@else<span></span>@endif
        <label class="line"><span>Other deduction, $ or %</span><input class="input" name="deduction" value="{{ $figure('deduction') }}"
            @disabled($locked)></label>
        <label class="line"><span>Called</span><input class="input" name="deduction_label" value="{{ $v('deduction_label') }}"
            @disabled($locked)></label>
        <label class="line"><span>Deduction goes to</span><input class="input" name="deduction_to" value="{{ $v('deduction_to') }}"
            placeholder="the company" @disabled($locked)></label>
    </div>
</details>

<details class="more-lines" @if ($fees !== []) open @endif>
    <summary>More fees</summary>
    @if ($entries === null && $fees !== [])<p class="dim small">Suggested from the fees of {{ $file->office->name }}. Nothing is computed
        from
        them until you save.</p>@endif
    @foreach (range(0, min(\Unanimus\Commission\FeeEntered::MOST - 2, max(1, count($fees)))) as $n)
        @include('commission.fee-row', ['fee' => $fees[$n] ?? []])
    @endforeach
    <p class="dim small">Save to get another row.</p>
</details>
