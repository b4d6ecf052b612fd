<x-office title="Offices" at="offices" about="where they are, and when they are closed">
    @if ($opens)<x-slot:acts><button class="button now" type="button" data-opens="#open-office">Open another office</button></x-slot:acts>
        @endif
    <div class="leaf pad">
        <table class="ledger"><thead><tr><th>Office</th><th>Time zone</th><th>Holidays besides federal ones</th><th class="amount">
            Open files</th><th><span class="unseen">Actions</span></th></tr></thead><tbody>
            @foreach ($offices as $office)
                <tr data-row><td><b>{{ $office->name }}</b></td><td class="dim">{{ str_replace('_', ' ', $office->zone) }}</td>
                    <td class="dim">
                        {{ $office->holidays === [] ? 'none' : collect($office->holidays)->map(fn ($name, $day) =>
                        \Unanimus\Dates\LocalDate::of($day)->short().' '.$name)->implode(', ') }}</td>
                    <td class="amount">{{ $files[$office->id] ?? 0 }}</td>
                    <td class="right">@can('run-office')<button class="button tight" type="button" data-opens="#office-{{ $office->key }}"
                        data-open>Change {{ $office->name }}</button>@endcan</td></tr>
            @endforeach
        </tbody></table>
    </div>
    @can('run-office')
        @foreach ($offices as $office)
            <dialog id="office-{{ $office->key }}" class="leaf pad" aria-label="{{ $office->name }}">
                <h2>{{ $office->name }}</h2>
                <form method="post" action="/offices/{{ $office->key }}">@csrf @method('put')
                    <label class="line"><span>Name</span><input class="input" name="name" value="{{ $office->name }}" required
                        maxlength="80"></label>
                    <label class="line"><span>Time zone</span><input class="input" name="zone" value="{{ $office->zone }}" list="zones"
                        required></label>
                    <label class="line"><span>Office holidays besides federal ones, one per line: date and
                        name</span><textarea class="textarea" name="holidays" rows="5"
                        placeholder="2026-12-24 Christmas Eve">{{ collect($office->holidays)->map(fn ($name, $day) =>
                        "{$day} {$name}")->implode("\n") }}</textarea></label>
                    <fieldset class="line"><legend>Remind signers of the last day</legend>
                        <input type="hidden" name="reminders_asked" value="1">
                        @foreach (\Unanimus\Signing\ReminderPlan::CHOICES as $days)<label class="checkbox"><input type="checkbox"
                            name="reminders[]" value="{{ $days }}" @checked(in_array($days, $office->reminder_days, true))>
                            {{ (new \Unanimus\Signing\ReminderPlan([$days]))->readable() }}</label> @endforeach</fieldset>
                    @php($look = \Unanimus\Signing\DateLook::of($office->date_look))
                    <fieldset class="line"><legend>The date beside a signature</legend>
                        @foreach (\Unanimus\Signing\DateLook::FORMS as $form)<label class="checkbox"><input type="radio" name="date_look"
                            value="{{ $form }}" @checked($look->form === $form)>
                            {{ \Unanimus\Signing\DateLook::of($form)->text(now(), $office->timeZone()) }}</label> @endforeach
                        <label class="checkbox"><input type="checkbox" name="date_time" value="1" @checked($look->withTime)> with the
                            time</label></fieldset>
                    @php($plan = $office->reviewPlan())
                    <fieldset class="line review-plan"><legend>Who reads what is submitted</legend>
                        @foreach (\Unanimus\Requirements\Stage::names() as $stage => $name)<label><span>{{ $name }}</span><span
                            class="select"><select name="review[{{ $stage }}]">
                            <option value="one">one reviewer</option>
                            <option value="two" @selected($plan->needsSecond($stage))>two, one after the other</option>
                            <option value="none" @selected(! $plan->isRead($stage))>no one: complete as submitted</option>
                            </select></span></label>@endforeach
                        <label><span>Look again at one in (0: none)</span><input class="input short" name="spot" inputmode="numeric"
                            value="{{ $plan->spot }}" maxlength="3"></label>
                        <details @if ($plan->agents !== []) open @endif><summary>Two readers for some agents’ files</summary>
                            @foreach (\App\Models\User::inOffice($office, \App\Models\Role::Agent) as $one)<label class="checkbox"><input
                                type="checkbox" name="agents[]" value="{{ $one->key }}" @checked(in_array($one->key, $plan->agents, true))>
                                {{ $one->name }}</label>@endforeach</details>
                        <label class="checkbox"><input type="checkbox" name="whole" value="1" @checked($plan->closesWhole)> A file is closed
                            only when everything on its checklist is settled</label></fieldset>
                    <button class="button now">Save office</button> <button class="button" formmethod="dialog"
                        formnovalidate>Cancel</button>
                </form>
            </dialog>
        @endforeach
    @endcan
    @if ($opens)
        <dialog id="open-office" class="leaf pad" aria-label="Open another office">
            <h2>Open another office</h2>
            <form method="post" action="/offices">@csrf
                <label class="line"><span>Name</span><input class="input" name="name" required maxlength="80"></label>
                <label class="line"><span>Time zone</span><input class="input" name="zone" list="zones" required
                    value="America/New_York"></label>
                <button class="button now">Open office</button> <button class="button" formmethod="dialog" formnovalidate>Cancel</button>
            </form>
        </dialog>
    @endif
    <datalist id="zones">@foreach (\DateTimeZone::listIdentifiers(\DateTimeZone::PER_COUNTRY, 'US') as $zone)<option value="{{ $zone }}">
        @endforeach</datalist>
</x-office>
