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
