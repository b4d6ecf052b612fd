<x-layout title="Ask for papers" place="files">
    <div class="head-row"><h1>Ask for papers</h1>
        <span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
    <form method="post" action="/files/{{ $file->key }}/paper-requests" class="columns-2">@csrf
        <div class="leaf pad"><h2>What you need</h2>
            @foreach ($papers as $paper)<label class="checkbox block"><input type="checkbox" name="papers[]" value="{{ $paper->key }}"
                @checked(in_array($paper->key, old('papers', $chosen), true))> {{ $paper->title }}</label>@endforeach
            @if ($papers->isEmpty())<p class="dim">No row of the file is waiting for a paper.</p>@endif
            <label class="line"><span>Anything else, one to a line. Each gets a row in the file.</span><textarea class="textarea"
                name="others" rows="3" maxlength="2000" placeholder="Insurance binder">{{ old('others') }}</textarea></label>
            <p class="small dim">They send each paper by a link, without an account. It arrives at its row at once.</p>
        </div>
        <div class="leaf pad"><h2>From whom</h2>
            <label class="line"><span>Name</span><input class="input" name="name" maxlength="120" required autocomplete="off"
                list="ask-people" value="{{ old('name') }}" data-fills="email"></label>
            <datalist id="ask-people">@foreach ($people as $person)<option value="{{ $person->name }}"
                data-email="{{ $person->email }}">{{ $person->email }}</option>@endforeach</datalist>
            <label class="line"><span>Email address (leave empty to share the link yourself)</span><input class="input" type="email"
                name="email" maxlength="200" autocomplete="off" value="{{ old('email') }}"></label>
            @error('email')<p class="late">{{ $message }}</p>@enderror
            <label class="line"><span>Language</span><span class="select"><select name="language">
                @foreach (\Unanimus\Parties\Language::cases() as $language)<option value="{{ $language->value }}"
                    @selected(old('language') === $language->value)>{{ $language->label() }}</option>@endforeach</select></span></label>
            <label class="line"><span>Last day</span><input class="input" name="last_day" required autocomplete="off"
                value="{{ old('last_day', $until->long()) }}"></label>
            <label class="line"><span>Message</span><textarea class="textarea" name="message" rows="2"
                maxlength="2000">{{ old('message') }}</textarea></label>
            <button class="button now">Ask for them</button></div>
    </form>
    @if ($asked->isNotEmpty())
        <div class="leaf pad asked-so-far"><h2>Asked so far</h2>@include('intake.asked')</div>
    @endif
</x-layout>
