@php($kept = $entries?->given ?? [])
@php($v = fn (string $name, string $else = '') => old($name, $kept[$name] ?? $else))
@php($fees = $entries?->entered()->otherFees() ?? [])
@php($first = $entries?->entered()->flatFee())
<div class="money-entries">
    <label class="line"><span>Gross commission, % of price</span><input class="input" name="rate" @disabled($locked) inputmode="decimal"
        value="{{ $v('rate', $proposed?->rate === null ? '' : \Unanimus\Money\Percent::of($proposed->rate)->decimal()) }}"></label>
    @foreach ($years as $id => $year)
        <label class="line"><span>{{ count($years) === 1 ? 'Agent’s split' : 'Split of '.$names[$id][0] }}, %{{ $year ?
            ', if not by the plan' : '' }}</span><input class="input" inputmode="decimal" @disabled($locked)
            name="{{ count($years) === 1 ? 'agent_share' : "splits[{$id}]" }}"
            value="{{ old(count($years) === 1 ? 'agent_share' : "splits.{$id}", $kept['splits'][$id] ?? '') }}"
            placeholder="{{ $year ? 'as the plan says' : '' }}"></label>
        @if (count($years) > 1)<label class="line"><span>Share of {{ $names[$id][0] }}, %</span><input class="input" inputmode="decimal"
            name="shares[{{ $id }}]" @disabled($locked) value="{{ old("shares.{$id}", $kept['agents'][$id] ?? '') }}"></label>@endif
    @endforeach
    <label class="line"><span>Flat fee the agent pays</span><input class="input" name="fee" @disabled($locked) inputmode="decimal"
        value="{{ old('fee', $first['amount'] ?? ($proposed?->fee === null ? '' : \Unanimus\Money\Money::of($proposed->fee))) }}"></label>
    <label class="line"><span>Name of the fee</span><input class="input" name="fee_name" @disabled($locked)
        value="{{ old('fee_name', $first['label'] ?? $proposed?->feeName) }}"></label>
</div>
@php($more = array_diff(array_keys($kept), ['rate', 'base', 'agents', 'splits', 'fees']) !== [] || $fees !== [] ||
    ($first['counts'] ?? false) || ($kept['base'] ?? 'price') !== 'price')
<details class="more-lines" @if ($more) open @endif>
    <summary>Bonus, credits, referral, franchise, more fees</summary>
    <div class="money-entries">
        <label class="line"><span>Percentage of</span><span class="select"><select name="base" @disabled($locked)>
            <option value="price">the price</option><option value="price_less_concessions" @selected($v('base') ===
            'price_less_concessions')>the price less concessions</option></select></span></label>
        <label class="line"><span>Reduced rate, both sides ours, %</span><input class="input" name="reduced" value="{{ $v('reduced') }}"
            @disabled($locked) inputmode="decimal"></label>
        <label class="line"><span>Flat amount on top</span><input class="input" name="flat" value="{{ $v('flat') }}" @disabled($locked)
            inputmode="decimal"></label>
        <label class="line"><span>Our side gets at least</span><input class="input" name="minimum" value="{{ $v('minimum') }}"
            @disabled($locked) inputmode="decimal"></label>
        <label class="line"><span>Bonus</span><input class="input" name="bonus" value="{{ $v('bonus') }}" @disabled($locked)
            inputmode="decimal"></label>
        <label class="line"><span>Goes</span><span class="select"><select name="bonus_through" @disabled($locked)>
            <option value="split">through the split</option><option value="straight" @selected($v('bonus_through') === 'straight')>straight
            to the agent</option></select></span></label>
        <label class="line"><span>Credit to the client</span><input class="input" name="credit" value="{{ $v('credit') }}"
            @disabled($locked) inputmode="decimal"></label>
        <span></span>
        <label class="line"><span>Referral out, %</span><input class="input" name="referral" value="{{ $v('referral',
            (string) ($facts->value('referral_percent') ?? '')) }}" @disabled($locked) inputmode="decimal"></label>
        <label class="line"><span>To</span><input class="input" name="referral_to" value="{{ $v('referral_to',
            (string) ($facts->value('referred_to') ?? '')) }}" @disabled($locked)></label>
        <label class="line"><span>Of</span><span class="select"><select name="referral_of" @disabled($locked)><option value="gross">gross
            </option><option value="gross_less_credits" @selected($v('referral_of') === 'gross_less_credits')>gross less
            credits</option></select></span></label>
        <span></span>
        <label class="line"><span>Franchise fee, % of gross</span><input class="input" name="franchise" value="{{ $v('franchise') }}"
            @disabled($locked) inputmode="decimal"></label>
        <label class="line"><span>Taken</span><span class="select"><select name="franchise_when" @disabled($locked)>
            <option value="before">before the split</option><option value="after" @selected($v('franchise_when') === 'after')>after it, by
            the company</option></select></span></label>
        <label class="line"><span>Other deduction</span><input class="input" name="deduction" value="{{ $v('deduction') }}"
            @disabled($locked) inputmode="decimal"></label>
        <label class="line"><span>Called</span><input class="input" name="deduction_label" value="{{ $v('deduction_label') }}"
            @disabled($locked)></label>
    </div>
    <label class="checkbox"><input type="checkbox" name="fee_counts" value="1" @checked(old('fee_counts', $first['counts'] ?? false))
        @disabled($locked)> The fee above counts towards the agent’s cap</label>
    @foreach (range(0, min(max(2, count($fees)), \Unanimus\Commission\Entered::FEES - 2)) as $n)
        @php($fee = $fees[$n] ?? [])
        <div class="fee-row">
            <label class="line"><span>Fee</span><input class="input" name="fees[{{ $n }}][label]" @disabled($locked)
                value="{{ old("fees.{$n}.label", $fee['label'] ?? '') }}"></label>
            <label class="line"><span>Amount</span><input class="input" name="fees[{{ $n }}][amount]" inputmode="decimal" @disabled($locked)
                value="{{ old("fees.{$n}.amount", $fee['amount'] ?? '') }}" placeholder="open"></label>
            <label class="line"><span>Paid by</span><span class="select"><select name="fees[{{ $n }}][payer]" @disabled($locked)>
                @foreach (['agent' => 'the agent', 'company' => 'the company', 'client' => 'the client'] as $value => $word)
                <option value="{{ $value }}" @selected(old("fees.{$n}.payer", $fee['payer'] ?? '') === $value)>{{ $word }}</option>
                @endforeach</select></span></label>
            <label class="line"><span>To</span><input class="input" name="fees[{{ $n }}][payee]" @disabled($locked)
                value="{{ old("fees.{$n}.payee", $fee['payee'] ?? '') }}" placeholder="the company"></label>
        </div>
    @endforeach
    <label class="line"><span>What is unusual</span><textarea class="textarea" name="note" rows="2" maxlength="500"
        @disabled($locked)>{{ $v('note') }}</textarea></label>
</details>
