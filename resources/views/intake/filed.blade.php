<x-layout :title="$file->name.': email'" place="files">
    <div class="file-head"><div><h1>Email</h1>
        <span class="dim">filed in <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
        </div>
    <div class="leaf pad">
        <ul class="filed-mail">
        @forelse ($items as $item)
            <li data-row><a href="/files/{{ $file->key }}/mail/{{ $item->key }}">{{ $item->subject ?: '(no subject)' }}</a>
                <span class="dim">{{ $item->sender }}, {{ \App\Terms\When::list($item->received_at, $file->office->zone) }}</span>
                @if ($item->speaks_of_wiring)<span class="tag-chip hot">Speaks of wiring: call before you act on it</span>@endif
                <p class="dim small">{{ mb_strimwidth(trim((string) preg_replace('/\s+/u', ' ', $item->body)), 0, 160, '…') }}</p></li>
        @empty<li class="empty">No email is filed here yet. What comes to the file’s address waits in the <a
            href="/office/inbox">inbox</a>.</li>@endforelse
        </ul>
    </div>
</x-layout>
