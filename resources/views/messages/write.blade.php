<x-layout :title="'Message: '.$file->name" place="files" :scripts="['resources/js/writing.js']">
    @php($chosen = array_column($message->recipients, 'seat'))
    @php($others = array_filter($message->to(), static fn ($one) => $one->seat === null))
    <div class="file-head"><div><h1>{{ $message->answers ? 'Answer' : 'Message' }}</h1>
        <span class="dim"><a href="/files/{{ $file->key }}/messages">messages of {{ $file->name }}</a></span></div>
        <form method="post" action="/files/{{ $file->key }}/messages/{{ $message->key }}">@csrf @method('delete')
            <button class="button plain tight" data-weighs="delete it">Delete draft</button></form></div>
    @if ($message->held_because)<p class="say hot">This message was not sent. {{ $message->held_because }}</p>@endif
    <div class="writing">
        <form id="message" method="post" action="/files/{{ $file->key }}/messages/{{ $message->key }}/send" class="leaf pad"
            hx-post="/files/{{ $file->key }}/messages/{{ $message->key }}/keep" hx-trigger="input delay:400ms, change" data-keeps
            hx-target="#as-read" hx-swap="innerHTML" hx-sync="this:replace">@csrf<input type="hidden" name="window" value="{{
                $message->opened_in }}">
            <fieldset class="who-gets"><legend>To</legend>
                <div class="picks">@foreach ($people as $one)
                    <label class="pick"><input type="checkbox" name="seats[]" value="{{ $one->seat }}" @checked(in_array($one->seat,
                        $chosen,
                    true)) @disabled(! $one->hasAddress())> {{ $one->name }} <span class="dim small">{{ $one->hasAddress() ?
                    \Unanimus\Signing\Seat::of($one->seat)->label() : 'no email address' }}</span></label>@endforeach</div>
                <label class="line"><span>Others</span><input class="input" name="others" maxlength="2000" autocomplete="off"
                    value="{{ implode(', ', array_map(static fn ($one) => $one->name === $one->address ? $one->address :
                    "{$one->name} <{$one->address}>", $others)) }}" placeholder="name <address>, several by comma"></label>
                <span class="in-row"><label><input type="radio" name="apart" value="0" @checked(! $message->apart)> one email to
                    everyone</label>
                    <label><input type="radio" name="apart" value="1" @checked($message->apart)> a separate email to each</label></span>
            </fieldset>
            <label class="line"><span>Subject</span><input class="input" name="subject" maxlength="300" value="{{ $message->subject }}"
                autocomplete="off" @if ($message->subject === '') autofocus @endif></label>
            <label class="unseen" for="body">What it says</label>
            <textarea class="textarea" id="body" name="body" rows="9" maxlength="20000">{{ $message->body }}</textarea>
            <div class="in-row">
                <span class="select"><select id="field" aria-label="Insert a field"><option value="">Insert field …</option>
                    @foreach ($fields as $code => $label)<option value="{{ '{'.$code.'}' }}">{{ $label
                        }}</option>@endforeach</select></span>
                @if ($letters->isNotEmpty())<span class="select"><select name="letter" aria-label="Insert a form letter">
                    <option value="">Insert form letter …</option>@foreach ($letters as $letter)<option value="{{ $letter->key }}">{{
                    $letter->name }}</option>@endforeach</select></span>@endif
                @if ($shelf->isNotEmpty())<span class="select"><select name="shelf" aria-label="Attach from the shelf">
                    <option value="">Attach from shelf …</option>@foreach ($shelf as $item)<option value="{{ $item->key }}">{{
                    $item->title }}</option>@endforeach</select></span>@endif
            </div>
            @if ($papers->isNotEmpty())
            <details class="more-lines" @if ($message->papers !== []) open @endif><summary>Documents</summary>
                <div class="picks">@foreach ($papers as $paper)<label class="pick"><input type="checkbox" name="papers[]"
                    value="{{ $paper->key }}" @checked(in_array($paper->key, $message->papers, true))> {{ $paper->title
                        }}</label>@endforeach
                </div>
                <span class="in-row"><label><input type="radio" name="as_link" value="0" @checked(! $message->as_link)> attached</label>
                    <label><input type="radio" name="as_link" value="1" @checked($message->as_link)> as a link that works for 60
                    days</label></span></details>
            @endif
            <p class="in-row"><button class="button now" name="when" value="now">Send message</button>
                <label class="in-row"><span class="dim">or at</span> <input class="input" type="datetime-local" name="send_at"
                    aria-label="When it goes out"></label>
                <button class="button" name="when" value="later">Schedule message</button></p>
            @foreach ($errors->all() as $error)<p class="late">{{ $error }}</p>@endforeach
        </form>
        <section id="as-read" class="leaf pad as-read" aria-label="As it will be
            read" aria-live="polite">@include('messages.preview')</section>
    </div>
</x-layout>
