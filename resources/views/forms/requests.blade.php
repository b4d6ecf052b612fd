<x-layout title="Ask client to fill in" place="files" :scripts="['resources/js/ask.js']">
    <div class="head-row"><h1>Ask client to fill in</h1><span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a></span>
        </div>
    <div class="asking">
    <form class="leaf pad" method="post" action="/files/{{ $file->key }}/fill-requests">
        @csrf
        <fieldset><legend>Who</legend>
        @forelse ($clients as $party)
            <div class="in-row line"><label class="checkbox"><input type="checkbox" name="to[]" value="{{ $party->seat() }}"
                data-role="{{ $party->role->value }}"
                @checked(in_array((string) $party->seat(), (array) old('to', [])) || (old('to') === null && in_array($party->role->value,
                $roles, true)))> <x-seat :seat="$party->seat()" :title="$party->seat()->label()" /> {{ $party->name }}</label>
                <input class="input" type="email" name="reach[{{ str_replace('.', '_', (string) $party->seat()) }}]"
                value="{{ old('reach.'.str_replace('.', '_', (string) $party->seat()), $party->email) }}" placeholder="email address"
                aria-label="Email address of {{ $party->name }}" autocomplete="off">
                <select name="languages[{{ str_replace('.', '_', (string) $party->seat()) }}]"
                    aria-label="Language of {{ $party->name }}">@foreach (\Unanimus\Parties\Language::cases() as $language)<option
                    value="{{ $language->value }}" @selected($party->language === $language)>{{ $language->label() }}</option>@endforeach
                </select></div>
        @empty<p class="empty">There is no client in this file yet. Add one on <a href="/files/{{ $file->key }}">the file</a> first.</p>
            @endforelse
        @error('to')<p class="late">{{ $message }}</p>@enderror @error('reach.*')<p class="late">{{ $message }}</p>@enderror
        </fieldset>
        <fieldset><legend>What</legend>
        @forelse ($drafts as $draft)
            @php($key = $draft['paper']->key)
            <div class="line"><label class="checkbox"><input type="checkbox" name="papers[]" value="{{ $key }}"
                data-by="{{ $draft['by'] }}" @checked(in_array($key, (array) old('papers', $chosen), true))
                @disabled($draft['open'] === [])> <b>{{ $draft['paper']->title }}</b> <span class="dim small">{{ count($draft['open']) ===
                0 ? 'nothing left to fill in' : (count($draft['open']) === 1 ? '1 blank' :
                count($draft['open']).' blanks').' the terms do not fill' }}</span></label>
            @if ($draft['open'] !== [])<details class="small"><summary>Only some of the blanks</summary><p class="dim">
                Select the blanks the client fills in. If you select none, they get all of them.</p><div class="blank-picks">
                @foreach ($draft['open'] as $name)<label class="checkbox"><input type="checkbox" name="some[{{ $key }}][]"
                value="{{ $name }}"> {{ $draft['filling']->blanks[$name]->blank->label }}</label>@endforeach</div></details>@endif</div>
        @empty<p class="empty">There are no drafts in this file. <a href="/files/{{ $file->key }}/forms">Add a form</a> first.</p>
            @endforelse
        @error('papers')<p class="late">{{ $message }}</p>@enderror
        <p class="late small" id="not-theirs" role="status" hidden></p>
        </fieldset>
        <label class="line"><span>Last day</span><input class="input" name="last_day"
            value="{{ old('last_day', $today->plusDays(7)->short($today->year())) }}" autocomplete="off"></label>
        <label class="line"><span>Message</span><textarea class="textarea" name="message" maxlength="2000"
            rows="3">{{ old('message') }}</textarea></label>
        <label class="line"><span>When it is filled in</span><select name="afterwards">
            @foreach (\Unanimus\Forms\Afterwards::cases() as $then)<option value="{{ $then->value }}"
                @selected(old('afterwards') === $then->value)>{{ $then->label() }}</option>@endforeach</select></label>
        <button class="button now">Send request</button>
    </form>
    <section class="leaf pad" aria-label="Earlier requests"><h2>Earlier requests</h2>
        @php($back = \App\Mail\Refused::of($requests->filter->takes()->map(fn ($one) => "fill {$one->key}")->values()->all()))
        @forelse ($requests as $one)
            <article class="asked"><p><b>{{ $one->name }}</b> <span class="dim">{{ $one->papers->pluck('title')->implode(', ') }}</span></p>
            <p class="small">{{ $one->status->label($one->last_day, $today) }} · until {{ $one->last_day->short($today->year()) }}
                · {{ $one->opened_at ? 'opened '.\App\Terms\When::list($one->opened_at, $file->office->zone) :
                'not opened yet' }}@if ($one->finished_at) · finished {{ \App\Terms\When::list($one->finished_at,
                $file->office->zone) }}@endif</p>
            @isset($back["fill {$one->key}"])<p class="late small">The email did not arrive: {{ $back["fill {$one->key}"] }} Withdraw the
                request, correct the address, and send it again.</p>@endisset
            <div class="in-row">
                @if ($one->takes())<form method="post" action="/fill-requests/{{ $one->key }}/remind">@csrf
                    <button class="button tight">Remind</button></form>
                    <form method="post" action="/fill-requests/{{ $one->key }}/take-back">@csrf
                    <button class="button tight plain">Withdraw request</button></form>
                @else<form class="in-row" method="post" action="/fill-requests/{{ $one->key }}/renew">@csrf<input class="input"
                    name="last_day" value="{{ $today->plusDays(7)->short($today->year()) }}" aria-label="New last day">
                    <button class="button tight">Send new link</button></form>@endif
            </div></article>
        @empty<p class="empty">No requests yet. The client gets an email with a link that works on a phone. Their answers go into the paper
            as they type.</p>@endforelse
    </section>
    </div>
</x-layout>
