<x-office title="Office rules" at="rules" about="papers a deal’s facts call for, whatever kit the file started with">
    <x-slot:acts><form action="/rules/try" class="in-row"><span class="select"><select name="file"
        aria-label="file to try on">@foreach ($files as $file)<option value="{{ $file->key }}">{{ $file->name }}</option>
        @endforeach</select></span><button class="button tight">Try on this file</button></form></x-slot:acts>
    <div class="leaf pad">
        <table class="ledger"><thead><tr><th>Rule</th><th>When</th><th>Asks for</th><th><span class="unseen">Actions</span></th></tr>
            </thead><tbody>
        @foreach ($own as $rule)
            @php($read = $rule->rule())
            <tr @class(['off' => ! $rule->active]) data-row><td><a href="/rules/{{ $rule->key }}" data-open><b>{{ $read->name }}</b></a>
                </td><td class="dim">{{ $read->asks->when->words() }}</td><td>
                {{ $read->asks->title }} <span class="dim">{{ $read->asks->form }}</span></td>
                <td class="right"><form method="post" action="/rules/{{ $rule->key }}/active">@csrf
                    <button class="button tight">{{ $rule->active ? 'Turn off' : 'Turn on' }}</button></form></td></tr>
        @endforeach
        @foreach ($given as $read)
            <tr><td><b>{{ $read->name }}</b></td><td class="dim">{{ $read->asks->when->words() }}</td><td>
                {{ $read->asks->title }} <span class="dim">{{ $read->asks->form }}</span></td><td></td></tr>
        @endforeach
        </tbody></table>
        <div class="with-taken">@if ($own->isEmpty())<form method="post" action="/rules/own">@csrf
            <button class="button tight">Make these our own to change them</button></form>@endif<a class="button tight now"
            href="/rules/new">Add a rule</a></div>
    </div>
</x-office>
