<x-layout title="Working copy" place="files">
    <div class="head-row"><h1>Working copy for the other side’s agent</h1>
        <span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
    <form method="post" action="/files/{{ $file->key }}/working-copies" class="columns-2">@csrf
        <div class="leaf pad"><h2>Papers</h2>
            <ul class="plain-list">@foreach ($papers as $paper)<li><input type="hidden" name="papers[]" value="{{ $paper->key }}">
                {{ $paper->title }} <span class="dim">{{ $paper->state->readable() }}</span></li>@endforeach</ul>
            <p class="small dim">They get these papers as they are now, and nothing else of this file. On a page of their own they name
                their clients and send the papers to them for signature. What comes back waits in this file until you take it.</p>
        </div>
        <div class="leaf pad"><h2>Who gets it</h2>
            <label class="line"><span>Agent’s name</span><input class="input" name="name" maxlength="120" required autocomplete="off"
                value="{{ old('name', $agent->name ?? '') }}"></label>
            <label class="line"><span>Company</span><input class="input" name="firm" maxlength="120" autocomplete="off"
                value="{{ old('firm', $agent->firm ?? '') }}"></label>
            <label class="line"><span>Email address (leave empty to share the link yourself)</span><input class="input" type="email"
                name="email" maxlength="200" autocomplete="off" value="{{ old('email', $agent->email ?? '') }}"></label>
            @error('email')<p class="late">{{ $message }}</p>@enderror
            <label class="line"><span>Last day</span><input class="input" name="last_day" required autocomplete="off"
                value="{{ old('last_day', $until->long()) }}"></label>
            <label class="line"><span>Message</span><textarea class="textarea" name="message" rows="2"
                maxlength="2000">{{ old('message') }}</textarea></label>
            <button class="button now">Give it to them</button></div>
    </form>
</x-layout>
