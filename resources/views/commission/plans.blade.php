<x-office title="Plans" at="plans" :about="$keeps ? 'how agents share with the company, and how far their year is' :
    'how you share with the company, and how far your year is'">
    @if ($keeps)
    <div class="leaf pad in-row plan-table"><a class="button tight" href="/office/plans.csv">Download all plans (CSV)</a>
        <form method="post" action="/office/plans-sheet" enctype="multipart/form-data" class="in-row">@csrf
            <label class="button tight">Upload spreadsheet<input class="unseen" type="file" name="sheet" required data-sends
                accept=".csv,.xlsx,.ods,.xls,text/csv,text/tab-separated-values"></label></form>
        @error('sheet')<p class="late">{{ $message }}</p>@enderror
        <span class="dim small">You see what each row changes before anything is saved.</span></div>
    @endif
    @foreach ($agents as $agent)
        @php($year = $years[$agent->id])
        <section class="leaf pad plan-of" aria-label="{{ $agent->name }}">
            <div class="head-row"><h2>{{ $agent->name }}</h2><span class="dim">{{ $year ? $year->readable() : 'no plan yet' }}</span></div>
            @if ($year)
                <p class="small">Since {{ $year->begins->long() }}: commissionable net {{ $year->cn }}, to the company {{
                    $year->company }}{{ $year->cap() ? ' of '.$year->cap() : '' }}.</p>
                @if ($year->cap())<div class="plan-year"><svg viewBox="0 0 300 14" role="img"
                    aria-label="{{ $year->wayToCap() }}% of the cap paid"><rect class="way" width="300" height="10" y="2"/><rect
                    class="paid" width="{{ 3 * $year->wayToCap() }}" height="10" y="2"/></svg></div>@endif
            @endif
            @foreach ($plans[$agent->id] ?? [] as $plan)
                <p class="dim small">From {{ $plan->from_day->long() }}: {{ \App\Commission\PlanYear::said($plan->plan) }}</p>@endforeach
            @foreach (($debts[$agent->id] ?? collect())->filter(fn ($debt) => isset($owed[$agent->id][$debt->id])) as $debt)
                @php($left = $owed[$agent->id][$debt->id])
                <div class="small">Owes {{ \Unanimus\Money\Money::of((string) $left)->ledger() }} of {{ $debt->amount->ledger() }} for
                    {{ $debt->label }}{{ $debt->payee === '' ? '' : ', to '.$debt->payee }}.
                    @if ($keeps)<form method="post" action="/office/debts/{{ $debt->key }}/settle" class="in-row">@csrf<input class="input"
                        name="why" maxlength="200" placeholder="reason" aria-label="Why {{ $debt->label }} of
                        {{ $agent->name }} is settled"><button class="button tight quiet">Settle debt</button></form>@endif</div>
            @endforeach
            @if ($keeps)
                <details class="more-lines"><summary>Enter what {{ $agent->name }} owes</summary>
                    <form method="post" action="/office/plans/{{ $agent->key }}/debts" class="in-row">@csrf
                        <input type="hidden" name="once" value="{{ \Illuminate\Support\Str::ulid() }}">
                        <input class="input" name="label" maxlength="60" required placeholder="advance, arrears"
                            aria-label="What {{ $agent->name }} owes for">
                        <input class="input" name="amount" maxlength="20" required inputmode="decimal" placeholder="amount"
                            aria-label="How much {{ $agent->name }} owes">
                        <input class="input" name="payee" maxlength="60" placeholder="to the company"
                            aria-label="To whom {{ $agent->name }} owes it">
                        <button class="button tight">Save debt</button></form></details>
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
                            <label class="line"><span>Fee a deal after the cap, $ or %</span><input class="input" name="after_cap"
                                inputmode="decimal" value="{{ $mine('after_cap') }}"></label>
                            <label class="line"><span>Cap on that fee a year</span><input class="input" name="after_cap_cap"
                                inputmode="decimal" value="{{ $mine('after_cap_cap') }}"></label>
                            <span></span>
                            <label class="line"><span>Team is led by</span><span class="select"><select name="team_lead">
                                <option value="">no one</option>@foreach ($agents as $one)@if ($one->id !== $agent->id)<option
                                value="{{ $one->key }}" @selected($mine('team_lead') === $one->key)>{{ $one->name }}</option>@endif
                                @endforeach</select></span></label>
                            <label class="line"><span>Lead gets, %</span><input class="input" name="team_percent" inputmode="decimal"
                                value="{{ $mine('team_percent') }}"></label>
                            <label class="line"><span>Of the agent’s part</span><span class="select"><select name="team_base">
                                <option value="after">after the split</option><option value="before" @selected($mine('team_base') ===
                                'before')>before the split</option></select></span></label>
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
