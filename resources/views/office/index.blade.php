<x-office title="People" at="people" about="who works here, and as what">
    @can('run-office')<x-slot:acts><button class="button now" type="button" data-opens="#invite">Invite someone</button></x-slot:acts>
        @endcan
    <div class="leaf pad">
        <table class="ledger"><thead><tr><th>Name</th><th>Roles</th><th>Email</th><th>Phone</th></tr></thead><tbody>
            @foreach ($people as $person)
                <tr data-row>
                    <td>@can('run-office')<a href="/people/{{ $person->key }}"
                        data-open><b>{{ $person->name }}</b></a>@else<b>{{ $person->name }}</b>@endcan @if (! $person->active)<span
                        class="dim small">access closed</span>@elseif ($person->invited_at)<span class="dim small">invited</span>@endif</td>
                    <td class="dim">
                        {{ $person->officeRoles->groupBy(fn ($held) => $held->role->value)->map(fn ($held, $role) =>
                        $role.', '.$held->pluck('office.name')->implode(' and '))->implode(' · ') }}</td>
                    <td class="dim">{{ $person->address() }}</td><td class="dim phone">{{ $person->phone }}</td>
                </tr>
            @endforeach
        </tbody></table>
    </div>
    @can('run-office')
        <section class="leaf pad" id="several" aria-labelledby="several-title">
            <h2 id="several-title">Invite several</h2>
            @if (session('invited'))<p class="ok" role="status">{{ session('invited') }}</p>@endif
            @if (session('left'))
                <p class="late" role="alert">{{ count(session('left')) === 1 ? '1 line is' : count(session('left')).' lines are' }}
                    left:</p>
                <ul class="plain small">@foreach (session('left') as $line => $why)<li><b>{{ $line }}</b>: {{ $why }}</li>@endforeach</ul>
            @endif
            <form method="post" action="/people/list" class="several-form">@csrf
                <label for="people-list" class="small dim">One person on a line, as copied out of a spreadsheet or typed: name, email
                    address, role, and the office if it is another than below.</label>
                <textarea class="textarea" id="people-list" name="list" rows="4" required maxlength="60000"
                    placeholder="Odile Marchetti, odile@fernhollow.example, agent">{{ old('list', implode("\n", array_keys(
                    session('left') ?? []))) }}</textarea>
                <div class="in-row"><label class="in-row">Office <span class="select"><select name="office">@foreach ($offices as $office)
                    <option value="{{ $office->key }}">{{ $office->name }}</option>@endforeach</select></span></label>
                    <button class="button">Send invitations</button></div>
            </form>
        </section>
        <dialog id="invite" class="leaf pad" aria-label="Invite someone">
            <h2>Invite someone</h2>
            <form method="post" action="/people">@csrf
                <label class="line"><span>Name</span><input class="input" name="name" required maxlength="120" autocomplete="off"></label>
                <label class="line"><span>Email address</span><input class="input" type="email" name="email" required maxlength="200"
                    autocomplete="off"></label>
                <label class="line"><span>Office</span><span class="select"><select name="office">@foreach ($offices as $office)
                    <option value="{{ $office->key }}">{{ $office->name }}</option>@endforeach</select></span></label>
                <label class="line"><span>Role</span><span class="select"><select name="role">@foreach (\App\Models\Role::cases() as $role)
                    <option>{{ $role->value }}</option>@endforeach</select></span></label>
                <button class="button now">Send invitation</button> <button class="button" formmethod="dialog"
                    formnovalidate>Cancel</button>
            </form>
        </dialog>
    @endcan
</x-office>
