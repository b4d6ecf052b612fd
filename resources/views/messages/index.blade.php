<x-layout :title="$file->name.': messages'" place="files">
    <div class="file-head"><div><h1>Messages</h1>
        <span class="dim">of <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
        @can('work-on', $file)
        <form method="post" action="/files/{{ $file->key }}/messages" class="in-row">@csrf
            <span class="select"><select name="letter" aria-label="Start from a form letter"><option value="">Blank message</option>
                @foreach ($letters as $letter)<option value="{{ $letter->key }}">{{ $letter->name }}</option>@endforeach</select></span>
            <button class="button now">New message</button></form>
        @endcan
    </div>
    <div class="talk">
        <section class="leaf pad" aria-label="Conversation">
            <form method="get" class="in-row talk-find" role="search"><label class="unseen" for="talk-q">Find in these messages</label>
                <input class="input" id="talk-q" name="q" value="{{ $q }}" maxlength="80" placeholder="Find in these messages">
                @if ($q !== '')<a class="button tight plain" href="/files/{{ $file->key }}/messages">Show all</a>@endif</form>
            <ol class="talk-list">
            @forelse ($conversation->entries as $entry)
                <li data-row class="talk-{{ $entry->kind }}">
                    <div class="talk-line"><span class="talk-way" aria-hidden="true">{{ ['sent' => '→', 'waiting' => '◷', 'received' => '←',
                        'note' => '·'][$entry->kind] }}</span>
                    @if ($entry->kind === 'note')<b>{{ $entry->who }}</b> <span class="dim">noted</span>
                    @else<a href="/files/{{ $file->key }}/{{ $entry->path }}" data-open>{{ $entry->subject }}</a>@endif
                    @if ($entry->isNew)<span class="tag-chip">new</span>@endif
                    @if ($entry->kind === 'waiting')<span class="tag-chip">scheduled</span>@endif
                    @if ($entry->isByItself)<span class="dim small">automatic</span>@endif
                    <span class="dim right">{{ \App\Terms\When::list($entry->at, $file->office->zone) }}</span></div>
                    @if ($entry->kind !== 'note')<div class="dim small">{{ $entry->who }}{{ $entry->to === '' ? '' : ' to '.$entry->to }}
                        @if ($entry->carries !== [])· with {{ implode(', ', $entry->carries) }}@endif</div>@endif
                    <p>{{ $entry->words }}</p>
                    @if ($entry->trouble)<p class="late small">{{ $entry->trouble }}</p>@endif
                    @if ($entry->readBy !== [])<p class="dim small">Read by {{ implode(', ', $entry->readBy) }}</p>@endif
                </li>
            @empty<li class="empty">{{ $q === '' ? 'No messages yet. Start one, or leave a note for your team.' :
                'No message matches.' }}</li>@endforelse
            </ol>
            <p class="dim small">Answers come back here. The address of this file is {{ \App\Files\MailAddress::of($file) }}.</p>
        </section>
        <div>
            @if ($conversation->drafts !== [])
            <section class="leaf pad" aria-label="Your drafts"><h2>Your drafts</h2>
                <ul class="plain">@foreach ($conversation->drafts as $at => $draft)<li><a
                    href="/files/{{ $file->key }}/messages/{{ $draft->key }}">{{
                    $subjects[$at] ?: '(no subject)' }}</a> <span class="dim small">{{ implode(', ', array_map(static fn ($one) =>
                        $one->name,
                    $draft->to())) ?: 'to no one yet' }}</span>@if ($draft->held_because)<span class="late small"> {{
                    $draft->held_because }}</span>@endif</li>@endforeach</ul></section>
            @endif
            @can('work-on', $file)
            <section class="leaf pad" aria-label="Note"><h2>Note</h2>
                <form method="post" action="/files/{{ $file->key }}/notes">@csrf
                    <textarea class="textarea" name="note" rows="4" maxlength="8000" aria-label="Note for colleagues"
                        placeholder="For people who work on this file. No one else sees it.">{{ old('note') }}</textarea>
                    <button class="button tight">Save note</button></form></section>
            @endcan
        </div>
    </div>
</x-layout>
