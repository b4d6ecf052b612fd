<x-layout title="Address book" place="office">
    <div class="head-row"><h1>Address book</h1><span class="dim">people used before, yours alone, and the house's standing contacts</span>
        <span class="right in-row"><a href="/contacts.vcf">As vCards</a></span></div>
    <div class="leaf pad">
        <form action="/contacts" class="in-row"><input class="input wide-name" name="letters" value="{{ $letters }}" placeholder="part of a name or firm" aria-label="part of a name or firm"><button class="button tight">Find</button></form><br><br>
        @if ($contacts->isEmpty())<p class="empty">{{ $letters === '' ? 'Whoever you seat in a file with a way to reach them stands here the next time.' : 'Nobody is called so.' }}</p>@else
        <div class="scrolls"><table class="ledger"><thead><tr><th>Name</th><th>Firm</th><th>Mail</th><th>Telephone</th><th>Role</th><th></th></tr></thead><tbody>
        @foreach ($contacts as $contact)<tr><td><b>{{ $contact->name }}</b>@if ($contact->standing) <span class="label">standing</span>@endif</td><td class="dim">{{ $contact->firm }}</td><td class="dim">{{ $contact->email }}</td><td class="dim">{{ $contact->phone }}</td><td class="dim">{{ $contact->role }}</td><td class="right">@if (! $contact->standing || Gate::allows('run-office'))<form method="post" action="/contacts/{{ $contact->key }}">@csrf @method('delete')<button class="button tight plain" aria-label="Take {{ $contact->name }} out of the book">Take out</button></form>@endif</td></tr>@endforeach
        </tbody></table></div>
        <p class="small">@if ($contacts->previousPageUrl())<a href="{{ $contacts->previousPageUrl() }}">Back</a>@endif @if ($contacts->nextPageUrl())<a href="{{ $contacts->nextPageUrl() }}">More</a>@endif</p>@endif
    </div>
    <div class="columns-2">
        <form method="post" action="/contacts" class="leaf pad">@csrf<h2>Someone new</h2>
            @foreach (['name' => 'Name', 'firm' => 'Firm', 'email' => 'Mail address', 'phone' => 'Telephone'] as $field => $label)<label class="line"><span>{{ $label }}</span><input class="input" name="{{ $field }}" @required($field === 'name') autocomplete="off"></label>@endforeach
            <label class="line"><span>Usually sits as</span><span class="select"><select name="role">@foreach (\Unanimus\Signing\Seat::ROLES as $role)<option @selected($role === 'other') value="{{ $role }}">{{ $role === 'coagent' ? 'other agent' : $role }}</option>@endforeach</select></span></label>
            <p><label class="checkbox"><input type="checkbox" name="standing" value="1"> a standing contact of the house</label></p><br><button class="button tight now">Keep</button></form>
        <form method="post" action="/contacts/cards" enctype="multipart/form-data" class="leaf pad">@csrf<h2>From vCards</h2><p class="dim">A .vcf file with one or many people, from a telephone or a mail program.</p><br><label class="button tight">Choose the file<input class="unseen" type="file" name="cards" accept=".vcf,text/vcard" data-file-form aria-label="Choose the vCard file"></label></form>
    </div>
</x-layout>
