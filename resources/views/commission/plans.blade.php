<x-office title="Plans" at="plans" :about="$keeps ? 'how agents share with the company, and how far their year is' :
    'how you share with the company, and how far your year is'">
    @foreach ($agents as $agent)
        @php($year = $years[$agent->id])
        <section class="leaf pad plan-of" aria-label="{{ $agent->name }}">
            <div class="head-row"><h2>{{ $agent->name }}</h2><span class="dim">{{ $year ? $year->readable() : 'no plan yet' }}</span></div>
            @if ($year)
                <p class="small">Since {{ $year->begins->long() }}: commissionable net {{ $year->cn }}, to the company {{ $year->company }}
                    @if ($year->cap()) of {{ $year->cap() }}@endif.</p>
                @if ($year->cap())<div class="plan-year"><svg viewBox="0 0 300 14" role="img"
                    aria-label="{{ $year->wayToCap() }}% of the cap paid"><rect class="way" width="300" height="10" y="2"/><rect
                    class="paid" width="{{ 3 * $year->wayToCap() }}" height="10" y="2"/></svg></div>@endif
            @endif
            @foreach ($plans[$agent->id] ?? [] as $plan)
                <p class="dim small">From {{ $plan->from_day->long() }}: {{ \App\Commission\PlanYear::said($plan->plan) }}</p>@endforeach
            @if ($keeps)
                <details class="more-lines" @if ($errors->any() && old('who') === $agent->key) open @endif>
                    <summary>{{ $year ? 'Another plan from a day on' : 'Enter a plan' }}</summary>
                    <form method="post" action="/office/plans/{{ $agent->key }}">@csrf<input type="hidden" name="who"
                        value="{{ $agent->key }}">
                        @php($mine = fn (string $name) => old('who') === $agent->key ? old($name) : '')
                        <div class="money-entries">
                            <label class="line"><span>In force from</span><input class="input" name="from" maxlength="40" required
                                value="{{ $mine('from') ?: $today->long() }}"></label>
                            <label class="line"><span>Plan year begins (month-day; empty: January 1)</span><input class="input" name="year"
                                maxlength="10" placeholder="03-01" value="{{ $mine('year') }}"></label>
                            @foreach ([1 => 'Agent’s rate, %', 2 => 'then, %', 3 => 'then, %'] as $n => $label)
                                <label class="line"><span>{{ $label }}</span><input class="input" name="rate{{ $n }}" inputmode="decimal"
                                    value="{{ $mine("rate{$n}") }}"></label>
                                <label class="line"><span>{{ $n < 3 ? 'up to (empty: always)' : 'up to (leave empty)' }}</span><input
                                    class="input" name="to{{ $n }}" inputmode="decimal" value="{{ $mine("to{$n}") }}"></label>
                            @endforeach
                            <label class="line"><span>Thresholds are of</span><span class="select"><select name="tiers_by">
                                <option value="cn">commissionable net of the year</option><option value="company"
                                @selected($mine('tiers_by') === 'company')>company dollars of the year</option></select></span></label>
                            <label class="line"><span>Cap on the company’s part a year</span><input class="input" name="cap"
                                inputmode="decimal" value="{{ $mine('cap') }}"></label>
                            <label class="line"><span>Company gets at least, a deal</span><input class="input" name="minimum"
                                inputmode="decimal" value="{{ $mine('minimum') }}"></label>
                            <label class="line"><span>Fee a deal after the cap</span><input class="input" name="after_cap"
                                inputmode="decimal" value="{{ $mine('after_cap') }}"></label>
                            <label class="line"><span>Cap on that fee a year</span><input class="input" name="after_cap_cap"
                                inputmode="decimal" value="{{ $mine('after_cap_cap') }}"></label>
                            <span></span>
                            <label class="line"><span>Counted before: net</span><input class="input" name="cn" inputmode="decimal"
                                value="{{ $mine('cn') }}"></label>
                            <label class="line"><span>Counted before: to the company</span><input class="input" name="company"
                                inputmode="decimal" value="{{ $mine('company') }}"></label>
                        </div>
                        @if (old('who') === $agent->key)
                            @foreach ($errors->all() as $error)<p class="late">{{ $error }}</p>@endforeach @endif
                        <button class="button tight now">Set the plan</button>
                    </form>
                </details>
            @endif
        </section>
    @endforeach
    @if ($agents->isEmpty())<p class="leaf pad empty">There are no agents yet.</p>@endif
</x-office>
