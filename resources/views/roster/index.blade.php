@php($today = \Unanimus\Dates\LocalDate::at(now(), new \DateTimeZone($user->zone())))
<x-office title="Roster" at="roster" about="who comes and goes, what each holds, who works on whose files">
    <section class="leaf pad" aria-label="Joining and leaving"><h2>Joining and leaving</h2>
        <table class="ledger"><thead><tr><th scope="col">Who</th><th scope="col">Office</th><th scope="col">Day</th><th
            scope="col">Steps</th></tr></thead><tbody>
        @forelse ($cases as $case)
            @php($done = $case->steps->whereNotNull('done_at')->count())
            <tr data-row><td><a href="/office/roster/{{ $case->key }}" data-open>{{ $case->person->name }}</a> <span class="status">{{
                $case->settled_at ? ($case->kind->value === 'leaving' ? 'left' : 'joined') : $case->kind->value }}</span></td>
                <td>{{ $case->office->name }}</td><td>{{ $case->kind->value === 'leaving' ? 'last day' : 'first day' }} {{
                $case->day->short($today->year()) }}</td><td>{{ $done }} of {{ $case->steps->count() }} done</td></tr>
        @empty<tr><td colspan="4" class="empty">No one is joining or leaving.</td></tr>@endforelse
        </tbody></table>
        @if ($runs)
        <details class="by-hand"><summary>Someone joins or leaves</summary>
            <form method="post" action="/office/roster">@csrf<div class="money-entries">
                <label class="line"><span>Who</span><span class="select"><select name="person">
                    @foreach ($people as $one)<option value="{{ $one->key }}" @selected(old('person')
                        === $one->key)>{{ $one->name }}</option>
                    @endforeach</select></span></label>
                <label class="line"><span>Does what</span><span class="select"><select name="kind"><option
                    value="joining">joins</option><option
                    value="leaving" @selected(old('kind') === 'leaving')>leaves</option></select></span></label>
                <label class="line"><span>Office</span><span class="select"><select name="office">
                    @foreach ($offices as $one)<option value="{{ $one->key }}">{{ $one->name }}</option>@endforeach</select></span></label>
                <label class="line"><span>First or last day</span><input class="input" name="day" value="{{ old('day') }}"
                    placeholder="12/31"
                    autocomplete="off"></label></div>
                <p class="dim">Someone new is <a href="/office">invited</a> first.</p>
                <button class="button now">Begin</button></form></details>
        <p class="small">Steps and documents: @foreach ($offices as $one){{ $one->name }} <a href="/office/roster/kits/{{ $one->key
            }}/joining">joining</a>, <a href="/office/roster/kits/{{ $one->key }}/leaving">leaving</a>{{ $loop->last ? '.' : '; '
            }}@endforeach</p>
        @endif
    </section>
    <section class="leaf pad" aria-label="Licenses and insurance"><h2>Licenses and insurance</h2>
        <table class="ledger"><thead><tr><th scope="col">Who</th><th scope="col">What</th><th scope="col">Number</th><th
            scope="col">Until</th></tr></thead><tbody>
        @forelse ($credentials as $held)
            @php($left = $today->daysUntil($held->expires_on))
            <tr data-row><td>{{ $held->user->name }}</td><td>{{ $held->kind->label() }}</td><td class="dim">{{ $held->number }}</td><td>
                @if ($left < 0)<b class="late">expired {{ $held->expires_on->short($today->year()) }}</b>
                @elseif ($left <= 60)<b class="waits">{{ $held->expires_on->short($today->year())
                    }}, in {{ $left === 1 ? '1 day' : "{$left} days"
                    }}</b>
                @else{{ $held->expires_on->short($today->year()) }}
                @endif</td></tr>
        @empty<tr><td colspan="4" class="empty">Nothing noted yet.</td></tr>@endforelse
        </tbody></table>
        @if ($runs)
        <details class="by-hand"><summary>Note a license, insurance, course or dues</summary>
            @foreach ($people as $one)
            <details class="by-hand"><summary>{{ $one->name }}</summary>
                <form method="post" action="/office/roster/people/{{ $one->key }}/credentials" class="in-row">@csrf
                    <label class="line"><span>What</span><span class="select"><select name="kind">
                        @foreach (\Unanimus\Roster\Credential::cases() as $kind)<option value="{{ $kind->value }}">{{ $kind->label()
                            }}</option>
                        @endforeach</select></span></label>
                    <label class="line"><span>Number</span><input class="input" name="number" maxlength="60" autocomplete="off"></label>
                    <label class="line"><span>Ends</span><input class="input" name="expires" placeholder="6/30/2027"
                        autocomplete="off"></label>
                    <button class="button tight" aria-label="Save for {{ $one->name }}">Save for {{ $one->name }}</button></form></details>
            @endforeach
        </details>
        @endif
    </section>
    <section class="leaf pad" aria-label="Who works on whose files"><h2>Who works on whose files</h2>
        <table class="ledger"><thead><tr><th scope="col">Files of</th><th scope="col">Also worked on by</th><th scope="col">From</th><th
            scope="col">Until</th><th scope="col"><span class="unseen">End</span></th></tr></thead><tbody>
        @forelse ($covers as $cover)
            <tr data-row><td>{{ $cover->user->name }}</td><td>{{ $cover->helper->name }}, {{ \App\Models\Cover::KINDS[$cover->kind] }}</td>
                <td>{{ $cover->from_on->short($today->year()) }}@unless ($cover->began_at) <span class="dim">(not yet)</span>@endunless</td>
                <td>{{ $cover->until_on?->short($today->year()) ?? 'ended by hand' }}</td>
                <td><form method="post" action="/office/covers/{{ $cover->key }}">@csrf @method('delete')<button class="button tight plain"
                aria-label="End: {{ $cover->helper->name }} for {{ $cover->user->name }}">End</button></form></td></tr>
        @empty<tr><td colspan="5" class="empty">Everybody works on their own files.</td></tr>@endforelse
        </tbody></table>
        <details class="by-hand"><summary>Let someone work on files</summary>
            <form method="post" action="/office/covers">@csrf<div class="money-entries">
                <label class="line"><span>Files of</span><span class="select"><select name="of">
                    @foreach ($runs ? $people : $people->where('id', $user->id) as $one)<option value="{{ $one->key }}"
                    @selected($one->id === $user->id)>{{ $one->name }}</option>@endforeach</select></span></label>
                <label class="line"><span>Also worked on by</span><span class="select"><select name="helper">
                    @foreach ($people as $one)<option value="{{ $one->key }}">{{ $one->name }}</option>@endforeach</select></span></label>
                <label class="line"><span>As</span><span class="select"><select name="kind">
                    @foreach (\App\Models\Cover::KINDS as $kind => $name)<option
                        value="{{ $kind }}">{{ $name }}</option>@endforeach</select>
                    </span></label>
                <label class="line"><span>From</span><input class="input" name="from" placeholder="today" autocomplete="off"></label>
                <label class="line"><span>Until, that day included</span><input class="input" name="until" placeholder="ended by hand"
                    autocomplete="off"></label></div>
                <p class="dim">They see and do in these files what a coordinator on that side does, the commission of these files
                    included, and
                    in new files, too. They sign nothing in the agent’s name.</p>
                <button class="button now">Share files</button></form></details>
    </section>
    @if ($offices->isNotEmpty())
    <section class="leaf pad" aria-label="Coordinator of new files"><h2>Coordinator of new files</h2>
        @foreach ($offices as $office)
        <form method="post" action="/office/coordinators/{{ $office->key }}" class="in-row">@csrf @method('put')
            <label class="line"><span>{{ $office->name }}</span><span class="select"><select name="rule"><option value="">no one by
                itself</option>
                <option value="load" @selected($office->coordinator_rule === 'load')>whoever has the fewest open files</option>
                @foreach (\App\Models\User::inOffice($office, \App\Models\Role::Coordinator) as $one)<option value="{{ $one->key }}"
                @selected($office->coordinator_rule === $one->key)>{{ $one->name }}</option>@endforeach</select></span></label>
            <button class="button tight" aria-label="Save for {{ $office->name }}">Save for {{ $office->name }}</button></form>
        @endforeach
    </section>
    @endif
</x-office>
