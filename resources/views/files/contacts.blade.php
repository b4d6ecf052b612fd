<x-office title="Address book" at="contacts" about="people you used before, and shared contacts of the brokerage">
    <x-slot:acts><a href="/contacts.vcf">Download as vCards</a> <button class="button now" type="button"
        data-opens="#add-contact">Add a person</button></x-slot:acts>
    <div class="leaf pad">
        <form action="/contacts" class="in-row"><input class="input wide-name" name="letters" value="{{ $letters }}"
            placeholder="part of a name or company" aria-label="part of a name or company">
            <button class="button tight">Find</button></form><br><br>
        @if ($contacts->isEmpty())<p class="empty">
            {{ $letters === '' ? 'People you add to a file show up here next time.' : 'No one by that name.' }}</p>@else
        <div class="scrolls"><table class="ledger cards"><thead class="plain"><tr><th>Name</th><th>Company</th><th>Email</th><th>Phone</th>
            <th>Role</th><th>
            <span class="unseen">Actions</span></th></tr></thead><tbody>
        @foreach ($contacts as $contact)
            <tr><td class="name"><b>{{ $contact->name }}</b>@if ($contact->standing) <span class="label">shared</span>@endif</td>
                <td class="dim" data-name="Company">{{ $contact->firm }}</td><td class="dim" data-name="Email">{{ $contact->email }}</td>
                <td class="dim" data-name="Phone">{{ $contact->phone }}</td><td class="dim" data-name="Role">{{ $contact->role }}</td>
                <td class="right">@if (! $contact->standing || Gate::allows('run-office'))
                    <form method="post" action="/contacts/{{ $contact->key }}">@csrf @method('delete')
                    <button class="button tight plain" aria-label="Delete {{ $contact->name }}">Delete</button></form>@endif</td></tr>
        @endforeach
        </tbody></table></div>
        <p class="small">@if ($contacts->previousPageUrl())<a href="{{ $contacts->previousPageUrl() }}">Back</a>@endif
            @if ($contacts->nextPageUrl())<a href="{{ $contacts->nextPageUrl() }}">More</a>@endif</p>@endif
    </div>
    <dialog id="add-contact" class="leaf pad" aria-label="Add a person">
        <h2>Add a person</h2>
        <form method="post" action="/contacts">@csrf
            @foreach (['name' => 'Name', 'firm' => 'Company', 'email' => 'Email address', 'phone' => 'Phone'] as $field => $label)
                <label class="line"><span>{{ $label }}</span><input class="input" name="{{ $field }}" @required($field === 'name')
                autocomplete="off"></label>@endforeach
            <label class="line"><span>Usual role</span><span class="select"><select
                name="role">@foreach (\Unanimus\Parties\PartyRole::values() as $role)
                <option @selected($role === 'other') value="{{ $role }}">{{ $role === 'coagent' ? 'other agent' : $role }}</option>
                @endforeach</select></span></label>
            @can('keep-standing-contacts')<p><label class="checkbox"><input type="checkbox" name="standing" value="1"> Shared with the whole
                brokerage</label></p><br>@endcan
            <button class="button now">Save contact</button> <button class="button" formmethod="dialog" formnovalidate>Cancel</button>
        </form>
    </dialog>
    <form method="post" action="/contacts/cards" enctype="multipart/form-data" class="in-row small">@csrf<span class="dim">Import people
        from a phone or an email program as a .vcf file.</span> <label class="button tight">Import vCards<input class="unseen" type="file"
        name="cards" accept=".vcf,text/vcard" data-file-form aria-label="Choose the vCard file"></label></form>
</x-office>
