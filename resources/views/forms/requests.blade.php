<x-layout title="Have filled in" place="files">
    <div class="head-row"><h1>Have clients fill in</h1><span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
    <div class="asking">
    <form class="leaf pad" method="post" action="/files/{{ $file->key }}/fill-requests">
        @csrf
        <fieldset><legend>Who</legend>
        @forelse ($clients as $party)
            <div class="in-row line"><label class="checkbox"><input type="checkbox" name="to[]" value="{{ $party->seat() }}" @checked(in_array((string) $party->seat(), (array) old('to', [])))> <x-seat :seat="$party->seat()" :title="$party->seat()->label()" /> {{ $party->name }}</label> <input class="input" type="email" name="email[{{ str_replace('.', '_', (string) $party->seat()) }}]" value="{{ old('email.'.str_replace('.', '_', (string) $party->seat()), $party->email) }}" placeholder="mail address" aria-label="Mail address of {{ $party->name }}" autocomplete="off"></div>
        @empty<p class="empty">There is no client in this file yet. Seat one on <a href="/files/{{ $file->key }}">the file</a> first.</p>@endforelse
        @error('to')<p class="late">{{ $message }}</p>@enderror @error('email.*')<p class="late">{{ $message }}</p>@enderror
        </fieldset>
        <fieldset><legend>What</legend>
        @forelse ($drafts as $draft)
            @php($key = $draft['paper']->key)
            <div class="line"><label class="checkbox"><input type="checkbox" name="papers[]" value="{{ $key }}" @checked(in_array($key, (array) old('papers', $chosen), true)) @disabled($draft['open'] === [])> <b>{{ $draft['paper']->title }}</b> <span class="dim small">{{ count($draft['open']) === 0 ? 'nothing left to fill' : (count($draft['open']) === 1 ? 'one blank' : count($draft['open']).' blanks').' that the terms do not fill' }}</span></label>
            @if ($draft['open'] !== [])<details class="small"><summary>Only some of them</summary><p class="dim">Tick those that are theirs; with none ticked all are.</p><div class="blank-picks">@foreach ($draft['open'] as $name)<label class="checkbox"><input type="checkbox" name="some[{{ $key }}][]" value="{{ $name }}"> {{ $draft['filling']->blanks[$name]->blank->label }}</label>@endforeach</div></details>@endif</div>
        @empty<p class="empty">No draft is in this file. <a href="/files/{{ $file->key }}/forms">Take a form</a> first.</p>@endforelse
        @error('papers')<p class="late">{{ $message }}</p>@enderror
        </fieldset>
        <label class="line"><span>Last day</span><input class="input" name="last_day" value="{{ old('last_day', $today->plusDays(7)->iso()) }}" autocomplete="off"></label>
        <label class="line"><span>A word with it</span><textarea class="textarea" name="message" maxlength="2000" rows="3">{{ old('message') }}</textarea></label>
        <button class="button now">Ask them</button>
    </form>
    <section class="leaf pad" aria-label="Asked before"><h2>Asked before</h2>
        @forelse ($requests as $one)
            <article class="asked"><p><b>{{ $one->name }}</b> <span class="dim">{{ $one->papers->pluck('title')->implode(', ') }}</span></p>
            <p class="small">{{ $one->status->label($one->lastDay(), $today) }} · until {{ $one->lastDay()->short($today->year()) }} · {{ $one->opened_at ? 'opened '.\App\Terms\When::list($one->opened_at, $file->office->zone) : 'not opened yet' }}@if ($one->finished_at) · finished {{ \App\Terms\When::list($one->finished_at, $file->office->zone) }}@endif</p>
            <div class="in-row">
                @if ($one->takes())<form method="post" action="/fill-requests/{{ $one->key }}/remind">@csrf<button class="button tight">Remind</button></form> <form method="post" action="/fill-requests/{{ $one->key }}/take-back">@csrf<button class="button tight plain">Take back</button></form>
                @else<form class="in-row" method="post" action="/fill-requests/{{ $one->key }}/renew">@csrf<input class="input" name="last_day" value="{{ $today->plusDays(7)->iso() }}" aria-label="New last day"> <button class="button tight">Another link</button></form>@endif
            </div></article>
        @empty<p class="empty">Nobody has been asked yet. The client gets a letter with a link for their telephone; their answers come into the paper as they go.</p>@endforelse
    </section>
    </div>
</x-layout>
