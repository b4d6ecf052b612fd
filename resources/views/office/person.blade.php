<x-layout :title="$person->name" place="office">
    <div class="head-row"><h1>{{ $person->name }}</h1>
        <span class="dim">{{ $person->address() }}{{ $person->phone ? ', '.$person->phone : '' }}</span>@if (! $person->active)<span
        class="status">access closed</span>@elseif ($person->invited_at)<span class="status">invited</span>@endif
        <a href="/office">Office</a></div>
    <div class="columns-2">
        <div class="leaf pad"><h2>Roles</h2>
            @foreach ($offices as $office)
                <form method="post" action="/people/{{ $person->key }}/roles" class="roles">@csrf @method('put')<input type="hidden"
                    name="office" value="{{ $office->key }}"><b>{{ $office->name }}</b>
                    @foreach (\App\Models\Role::cases() as $role)
                        <label class="checkbox"><input type="checkbox" name="roles[]" value="{{ $role->value }}"
                        @checked($person->holds($role, $office->id))> {{ $role->value }}</label>@endforeach
                    <button class="button tight">Save roles</button></form>
            @endforeach
        </div>
        <div class="leaf pad"><h2>Access</h2>
            <p>{{ $files === 0 ? 'No open files.' : ($files === 1 ? 'Works on 1 open file.' : "Works on {$files} open files.") }}
                {{ $person->second_factor_at ? 'Uses two-step sign-in.' : 'No two-step sign-in yet.' }}</p><br>
            @if ($person->invited_at)<form method="post" action="/people/{{ $person->key }}/invitation" class="in-row">@csrf
                <button class="button tight">Invite again</button></form>@endif
            <form method="post" action="/people/{{ $person->key }}/active" class="in-row">@csrf
                <button class="button tight">{{ $person->active ? 'Close access' : 'Reopen access' }}</button></form>
            @if ($person->active && auth()->user()->holds(\App\Models\Role::Administrator) && ! $person->is(auth()->user()))<form
                method="post" action="/people/{{ $person->key }}/look" class="in-row">@csrf<button
                class="button tight">Look as {{ $person->name
                    }}</button>
                </form>@endif
            @if ($person->active)<p class="dim small">This signs them out everywhere at once. Files and papers stay.</p>@endif
        </div>
    </div>
    @if (auth()->user()->holds(\App\Models\Role::Administrator))<div class="leaf pad">@include('access.sign-ins')</div>@endif
</x-layout>
