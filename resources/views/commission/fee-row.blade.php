<div class="fee-row">
    <label class="line"><span>Fee</span><input class="input" name="fees[{{ $n }}][label]" @disabled($locked)
        value="{{ old("fees.{$n}.label", $fee['label'] ?? '') }}"></label>
    <label class="line"><span>$ or %</span><input class="input" name="fees[{{ $n }}][amount]" @disabled($locked)
        value="{{ old("fees.{$n}.amount", \Unanimus\Commission\Figure::shown($fee['amount'] ?? '')) }}"
        placeholder="open"></label>
    <label class="line"><span>% of</span><span class="select"><select name="fees[{{ $n }}][base]" @disabled($locked)>
        <option value="">–</option>@foreach (\Unanimus\Commission\FeeEntered::BASES as $base => $word)<option value="{{ $base }}"
        @selected(old("fees.{$n}.base", $fee['base'] ?? '') === $base)>{{ $word }}</option>@endforeach</select></span></label>
    <label class="line"><span>Paid by</span><span class="select"><select name="fees[{{ $n }}][payer]" @disabled($locked)>
        @foreach (['agent' => 'the agent', 'company' => 'the company', 'client' => 'the client'] as $value => $word)
        <option value="{{ $value }}" @selected(old("fees.{$n}.payer", $fee['payer'] ?? '') === $value)>{{ $word }}</option>
        @endforeach</select></span></label>
    <label class="line"><span>To</span><input class="input" name="fees[{{ $n }}][payee]" @disabled($locked)
        value="{{ old("fees.{$n}.payee", $fee['payee'] ?? '') }}" placeholder="the company"></label>
    @foreach (['minimum' => 'At least', 'maximum' => 'At most', 'cap' => 'Cap a year'] as $name => $word)
    <label class="line"><span>{{ $word }}</span><input class="input" name="fees[{{ $n }}][{{ $name }}]" inputmode="decimal"
        @disabled($locked) value="{{ old("fees.{$n}.{$name}", $fee[$name] ?? '') }}"></label>@endforeach
    @if (count($agents) > 1)<label class="line"><span>Which agent</span><span class="select"><select
        name="fees[{{ $n }}][agent]" @disabled($locked)><option value="">each</option>@foreach ($agents as $id => $agent)
        <option value="{{ $id }}" @selected(old("fees.{$n}.agent", $fee['agent'] ?? '') === $id)>{{ $agent[0] }}</option>
        @endforeach</select></span></label>@endif
    <label class="checkbox small"><input type="checkbox" name="fees[{{ $n }}][counts]" value="1" @disabled($locked)
        @checked(old("fees.{$n}.counts", $fee['counts'] ?? false))> counts towards the cap</label>
</div>
