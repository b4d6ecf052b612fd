<x-layout :title="$file->name.': client pages'" place="files">
    <div class="file-head"><div><h1>Client pages</h1><span class="dim">of <a href="/files/{{ $file->key }}">{{ $file->name
        }}</a></span></div>
        </div>
    <div class="leaf pad">
        <p class="dim">On a page of their own a client sees what is asked of them now, what comes when, what they signed, and who to call.
            Nothing of the other side or the office is on it.</p>
        <table class="ledger"><thead><tr><th scope="col">Client</th><th scope="col">Page</th><th scope="col"><span class="unseen">Turn on or
            off</span></th></tr></thead><tbody>
        @forelse ($clients as $party)
            @php($page = $pages->get($party->id))
            <tr data-row><td><b>{{ $party->name }}</b><br><span class="dim small">{{ $party->email ?: 'no email address' }}</span></td>
                <td>@if ($page?->is_on)<span class="ok">on</span> <span class="dim">{{ $page->opened_at ? 'last opened '.
                    \App\Terms\When::list($page->opened_at, $file->office->zone) : 'not opened yet' }}</span><br><input class="input"
                    readonly value="{{ $page->link() }}" aria-label="Link for {{ $party->name }}">@else<span
                        class="dim">off</span>@endif</td>
                <td><form method="post" action="/files/{{ $file->key }}/clients/{{ $party->key }}" class="in-row">@csrf
                    @if ($page?->is_on)<button class="button tight" name="do" value="send" @disabled(! $party->email)
                        aria-label="Send the link to {{ $party->name }}">Send the link</button><button class="button tight plain" name="do"
                        value="off" aria-label="Turn off for {{ $party->name }}">Turn off</button>
                    @else<button class="button tight now" name="do" value="send" @disabled(! $party->email)
                        aria-label="Turn on and send: {{ $party->name }}">Turn on and send</button><button class="button tight"
                        name="do" value="on" aria-label="Turn on for {{ $party->name }}">Turn on</button>@endif</form></td></tr>
        @empty<tr><td colspan="3" class="empty">No one we represent is in this file yet.</td></tr>@endforelse
        </tbody></table>
    </div>
</x-layout>
