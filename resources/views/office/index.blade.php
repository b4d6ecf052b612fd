<x-layout title="Office" place="office">
    <div class="head-row"><h1>Office</h1><span class="right in-row">@can('open-kits')<a href="/kits">Kits</a> @endcan @can('keep-rules')<a href="/rules">Rules</a> @endcan @can('make-forms')<a href="/own-forms">Our forms</a> @endcan <a href="/contacts">Address book</a> @can('run-office')<a href="/office/history">History</a> @endcan <a href="/me">Account and sign-in</a></span></div>
    <div class="columns-2">
        <div class="leaf pad">
            <h2>People</h2>
            <table class="ledger"><thead><tr><th>Name</th><th>Roles</th><th>Email</th></tr></thead><tbody>
                @foreach ($people as $person)<tr data-row><td>@can('run-office')<a href="/people/{{ $person->key }}" data-open><b>{{ $person->name }}</b></a>@else<b>{{ $person->name }}</b>@endcan @if (! $person->active)<span class="dim small">access closed</span>@elseif ($person->invited_at)<span class="dim small">invited</span>@endif</td><td class="dim">{{ $person->officeRoles->map(fn ($role) => $role->role.', '.$role->office->name)->implode(' · ') }}</td><td class="dim">{{ $person->address() }}</td></tr>@endforeach
            </tbody></table>
            @can('run-office')
            <h2><br>Invite someone</h2>
            <form method="post" action="/people" class="task-form">@csrf
                <input class="input" name="name" required maxlength="120" placeholder="name" aria-label="name" autocomplete="off"><input class="input" type="email" name="email" required maxlength="200" placeholder="email address" aria-label="email address" autocomplete="off">
                <span class="select"><select name="office" aria-label="office">@foreach ($offices as $office)<option value="{{ $office->key }}">{{ $office->name }}</option>@endforeach</select></span>
                <span class="select"><select name="role" aria-label="role">@foreach (\App\Models\Role::cases() as $role)<option>{{ $role->value }}</option>@endforeach</select></span>
                <button class="button tight now">Send invitation</button></form>
            @endcan
        </div>
        <div>
            @can('run-office')
                <div class="leaf pad"><h2>Inbox</h2>
                    @if ($inbox->isEmpty())<p class="dim">Email that is not in a file yet waits here.</p>@else
                    <table class="ledger"><tbody>@foreach ($inbox as $item)<tr><td><b>{{ $item->subject ?: '(no subject)' }}</b><br><span class="dim small">{{ $item->sender }}</span></td><td class="dim">{{ collect($item->attachments)->pluck('name')->implode(', ') ?: 'no attachment' }}</td><td class="right dim">{{ \App\Terms\When::day($item->received_at, auth()->user()->zone()) }}</td></tr>@endforeach</tbody></table>@endif
                </div><br>
            @endcan
            <div class="leaf pad"><h2>Offices</h2>
                @foreach ($offices as $office)
                    @can('run-office')
                    <details class="by-hand"><summary><b>{{ $office->name }}</b> <span class="dim">{{ $office->zone }}{{ $office->holidays ? ', '.count($office->holidays).' holidays of its own' : '' }}</span></summary>
                        <form method="post" action="/offices/{{ $office->key }}">@csrf @method('put')
                            <label class="line"><span>Name</span><input class="input" name="name" value="{{ $office->name }}" required maxlength="80"></label>
                            <label class="line"><span>Time zone</span><input class="input" name="zone" value="{{ $office->zone }}" list="zones" required></label>
                            <label class="line"><span>Office holidays besides federal ones, one per line: date and name</span><textarea class="textarea" name="holidays" placeholder="2026-12-24 Christmas Eve">{{ collect($office->holidays)->map(fn ($name, $day) => "{$day} {$name}")->implode("\n") }}</textarea></label>
                            <button class="button tight">Save office</button></form></details>
                    @else<p><b>{{ $office->name }}</b> <span class="dim">{{ $office->zone }}</span></p>@endcan
                @endforeach
                <datalist id="zones">@foreach (\DateTimeZone::listIdentifiers(\DateTimeZone::PER_COUNTRY, 'US') as $zone)<option value="{{ $zone }}">@endforeach</datalist>
                @if (auth()->user()->holds(\App\Models\Role::Administrator))<form method="post" action="/offices" class="task-form">@csrf<input class="input" name="name" required maxlength="80" placeholder="another office" aria-label="name of the office"><input class="input" name="zone" list="zones" required value="America/New_York" aria-label="its time zone"><button class="button tight">Open office</button></form>@endif
            </div><br>
            <div class="leaf pad"><h2>Library</h2>
                <table class="ledger"><tbody>@foreach ($forms as $form)<tr><td>{{ $form->number }}</td><td><b>{{ $form->title }}</b></td><td class="dim">{{ count($form->pages) }} pages, {{ count($form->blanks) }} blanks</td><td class="dim right">rev. {{ $form->revision }}</td></tr>@endforeach</tbody></table>
            </div><br>
        </div>
    </div>
</x-layout>
