<x-office title="Permissions" at="permissions" about="what each role may do, office by office">
    <x-slot:acts>@if ($offices->count() > 1)<nav class="filters" aria-label="Office"><span>@foreach ($offices as $one)<a
        href="/office/permissions/{{ $one->key }}" @if ($one->is($office)) aria-current="true" @endif>{{ $one->name }}</a>@endforeach</span>
        </nav>@endif</x-slot:acts>
    <section class="leaf pad" aria-label="Permissions of {{ $office->name }}">
        <form method="post" action="/office/permissions/{{ $office->key }}">@csrf @method('put')
        <div class="scrolls"><table class="ledger choices"><thead><tr><th scope="col">In {{ $office->name }}</th>
            @foreach ($roles as $role)<th scope="col">{{ ucfirst($role) }}</th>@endforeach</tr></thead><tbody>
        @foreach ($rows as $row)
            <tr data-row><th scope="row">{{ $row['permission']->label() }}@if ($row['roles'] !== $row['permission']->usual()) <span
                class="dim small">changed here</span>@endif <input type="hidden" name="may[{{ $row['permission']->value }}][]"
                    value=""></th>
            @foreach ($roles as $role)<td>@if ($changes)<input type="checkbox" name="may[{{ $row['permission']->value }}][]"
                value="{{ $role }}" @checked(in_array($role, $row['roles'], true)) aria-label="{{ ucfirst($role) }}: {{
                $row['permission']->label() }}">@else<span aria-label="{{ in_array($role, $row['roles'], true) ? 'yes' : 'no' }}"
                    role="img">{{
                in_array($role, $row['roles'], true) ? '✓' : '·' }}</span>@endif</td>@endforeach</tr>
        @endforeach
        </tbody></table></div>
        @if ($changes)<p><button class="button now">Save permissions</button></p>@else<p class="dim">An administrator of this office changes
            these.</p>@endif
        </form>
    </section>
    <section class="leaf pad" aria-labelledby="two-steps"><h2 id="two-steps">Two-step sign-in</h2>
        <p class="dim">Whoever has one of these roles, in any office, signs in with a password and a code from their phone.</p>
        <form method="post" action="/office/two-steps" class="in-row">@csrf @method('put')
            @foreach (\App\Models\Role::cases() as $role)<label class="checkbox"><input type="checkbox" name="roles[]"
                value="{{ $role->value }}" @checked(in_array($role->value, $twoSteps, true)) @disabled(! $changes)>
                {{ ucfirst($role->value) }}</label>@endforeach
            @if ($changes)<button class="button tight">Save two-step sign-in</button>@endif</form>
    </section>
    @if ($changes)
    <section class="leaf pad" aria-labelledby="company"><h2 id="company">Company sign-in</h2>
        <p class="dim">If your firm has accounts of its own (OpenID Connect), your colleagues can sign in with them. They still need an
            invitation here, to the same email address.</p>
        <form method="post" action="/office/company-sign-in" class="stack">@csrf @method('put')
            <label class="line"><span>Issuer</span><input class="input" type="url" name="issuer" required maxlength="300"
                value="{{ old('issuer', $company?->issuer) }}" placeholder="https://accounts.example"></label>
            <label class="line"><span>Client ID</span><input class="input" name="client_id" required maxlength="300"
                value="{{ old('client_id', $company?->client_id) }}" autocomplete="off"></label>
            <label class="line"><span>Client secret</span><input class="input" type="password" name="secret" maxlength="500"
                autocomplete="new-password" placeholder="{{ $company === null ? '' : 'kept; enter another to change it' }}"></label>
            <label class="checkbox"><input type="checkbox" name="asks_second_step" value="1"
                @checked(old('asks_second_step', $company?->asks_second_step))> It asks for a second step itself</label>
            <label class="checkbox"><input type="checkbox" name="is_only" value="1" @checked(old('is_only', $company?->is_only))>
                No passwords: only administrators can still use one</label>
            <p class="dim small">Enter this redirect address there: <code>{{ $back }}</code></p>
            <p><button class="button tight">Save company sign-in</button></p></form>
        @if ($company !== null)<form method="post" action="/office/company-sign-in">@csrf
            @method('delete')<button class="button tight quiet">Turn company sign-in off</button></form>@endif
    </section>
    @endif
    <section class="leaf pad" aria-label="Fixed permissions"><h2>Fixed permissions</h2>
        <div class="scrolls"><table class="ledger choices"><thead><tr><th scope="col">Cannot be changed</th>
            @foreach ($roles as $role)<th scope="col">{{ ucfirst($role) }}</th>@endforeach</tr></thead><tbody>
        @foreach ($fixed as $what => $who)
            <tr data-row><th scope="row">{{ $what }}</th>@foreach ($roles as $role)<td><span role="img" aria-label="{{
                in_array($role, $who, true) ? 'yes' : 'no' }}">{{ in_array($role, $who, true) ? '✓' : '·' }}</span></td>@endforeach</tr>
        @endforeach
        </tbody></table></div>
        <p class="dim">Files are seen by who works on them, their helpers, and those who see the whole office. To see the brokerage as one
            person does, open that person under People and choose <i>Look as</i>.</p>
    </section>
</x-office>
