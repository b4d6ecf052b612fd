<x-office title="Form letters" at="letters" about="written once, used in any message">
    <x-slot:acts>@can('letter-rules')<a class="button tight" href="/office/letter-rules">Automatic emails</a>@endcan <a
        class="button tight now" href="/office/letters/new">New form letter</a></x-slot:acts>
    <section class="leaf pad" aria-label="Letters">
        <table class="ledger"><thead><tr><th scope="col">Letter</th><th scope="col">Subject</th><th scope="col">Whose</th><th
            scope="col">Version</th><th scope="col"><span class="unseen">Archive</span></th></tr></thead><tbody>
        @forelse ($letters as $letter)
            @php($mine = $letter->user_id === $user->id || ($letter->user_id === null && $keeps))
            <tr data-row @class(['dim' => $letter->put_away_at])><td><a href="/office/letters/{{ $letter->key }}" data-open>{{ $letter->name
                }}</a></td><td>{{ $letter->subject }}</td><td class="dim">{{ $letter->user_id !== null ? 'your own' :
                    ($letter->office->name ??
                'everyone’s') }}</td>
                <td class="dim">{{ $letter->version }}</td><td>@if ($mine)<form method="post"
                action="/office/letters/{{ $letter->key }}/away">@csrf<input type="hidden" name="away"
                value="{{ $letter->put_away_at ? 0 : 1 }}"><button class="button tight plain" aria-label="{{ $letter->put_away_at ?
                'Bring back' : 'Archive' }} {{ $letter->name }}">{{ $letter->put_away_at ? 'Bring back' : 'Archive' }}</button></form>@endif
                </td></tr>
        @empty<tr><td colspan="5" class="empty">No form letters yet. Write the first one, and anyone here can use it in a message.</td></tr>
        @endforelse
        </tbody></table>
    </section>
    <section class="leaf pad" aria-label="Your email signature"><h2>Your email signature</h2>
        <form method="post" action="/office/letters/signature">@csrf
            <textarea class="textarea" name="signature" rows="3" maxlength="1000" aria-label="Your email signature"
                placeholder="{{ $user->name }}">{{ old('signature', $user->letter_signature) }}</textarea>
            <button class="button tight">Save signature</button></form></section>
</x-office>
