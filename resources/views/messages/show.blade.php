<x-layout :title="$message->planned()[0]->subject ?? 'Note'" place="files">
    @php($letters = $message->planned())
    <div class="file-head"><div><h1>{{ $letters[0]->subject ?? 'Note' }}</h1><span class="dim">{{ $message->writer->name ??
        'Automatic email' }}, {{ \App\Terms\When::list($message->sent_at ?? $message->send_at ?? $message->created_at,
        $file->office->zone) }} · <a href="/files/{{ $file->key }}/messages">all messages of {{ $file->name }}</a></span></div>
        @if ($message->state === 'waiting' && $message->user_id === auth()->id())
        <form method="post" action="/files/{{ $file->key }}/messages/{{ $message->key }}/stop">@csrf<button class="button">Cancel
            sending</button></form>@endif</div>
    @if ($message->state === 'waiting')<p class="say">It goes out {{ \App\Terms\When::list($message->send_at, $file->office->zone) }}.</p>
    @endif
    @if ($file->practice)<p class="say">This is a practice file. No email is sent.</p>@endif
    @foreach ($letters as $letter)
    <article class="leaf pad letter-page" aria-label="The message">
        <p class="dim small">To {{ implode(', ', array_map(static fn ($one) => $one->name === $one->address ? $one->address :
            "{$one->name} ({$one->address})", $letter->to)) }}</p>
        @if (count($letters) > 1)<h2>{{ $letter->subject }}</h2>@endif
        <p class="letter-text">{!! nl2br(e($letter->body)) !!}</p>
        @php($sent = $message->letters->get($loop->index))
        @if ($sent?->returned_at)<p class="late">It came back {{ \App\Terms\When::list($sent->returned_at, $file->office->zone) }}: {{
            $sent->returned_because }}</p>
        @elseif ($sent?->sent_at)<p class="dim small">Sent {{ \App\Terms\When::list($sent->sent_at, $file->office->zone) }}.</p>
        @elseif ($message->state === 'sent' && ! $file->practice)<p class="dim small">Waiting for the mail server.</p>@endif
    </article>
    @endforeach
    @if ($letters === [])<article class="leaf pad letter-page"><p class="letter-text">{!! nl2br(e($message->body)) !!}</p></article>@endif
    @if ($message->answered)<p class="dim small">It answers <a href="/files/{{ $file->key }}/mail/{{ $message->answered->key }}">{{
        $message->answered->subject ?: 'an email' }}</a>.</p>@endif
    @if ($readBy !== [])<p class="dim small">Read by {{ implode(', ', $readBy) }}.</p>@endif
</x-layout>
