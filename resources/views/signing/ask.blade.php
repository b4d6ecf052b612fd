@if ($round->status->value === 'out' && $signer->status->value === 'consented')
    <p class="sheet"><a href="/sign/{{ $token }}/to-sign.pdf">{{ __('client.sign.download') }}</a></p>@endif
@php($questions = \App\Signing\Questions::of($round, $signer->seat))
@if ($questions->isNotEmpty())
    <div class="sheet questions">
        <h2>{{ __('client.questions.title') }}</h2>
        @foreach ($questions as $one)
            <p class="asked">{{ $one['question'] }}</p>
            @if ($one['answer'] === null)<p class="dim">{{ __('client.questions.waits', ['name' => $round->sender->name]) }}</p>
            @else<p><b>{{ __('client.questions.answer', ['name' => $round->sender->name]) }}</b></p>
            <p class="answered">{{ $one['answer'] }}</p>@endif
        @endforeach
    </div>
@endif
<div class="sheet">
    <details @if ($errors->has('question') || $errors->has('reason')) open @endif>
        <summary><b>{{ __('client.sign.ask_title') }}</b></summary>
        <br>
        <form method="post" action="/sign/{{ $token }}/ask">
            @csrf
            <input type="hidden" name="once" value="{{ bin2hex(random_bytes(8)) }}">
            <label class="line"><span>{{ __('client.sign.question', ['name' => $round->sender->name]) }}</span><textarea class="textarea"
                name="question" maxlength="1000">{{ old('question') }}</textarea></label>
            <button class="button">{{ __('client.sign.ask') }}</button>
        </form>
        <br>
        <form method="post" action="/sign/{{ $token }}/decline">
            @csrf
            <label class="line"><span>{{ __('client.sign.decline_why') }}</span><textarea class="textarea" name="reason"
                maxlength="1000">{{ old('reason') }}</textarea></label>
            <button class="button">{{ __('client.sign.decline') }}</button>
        </form>
    </details>
    <details @if ($errors->has('other') || $errors->has('other_email')) open @endif>
        <summary><b>{{ __('client.refer.summary') }}</b></summary>
        <br>
        <form method="post" action="/sign/{{ $token }}/refer">
            @csrf
            <input type="hidden" name="once" value="{{ bin2hex(random_bytes(8)) }}">
            <label class="line"><span>{{ __('client.refer.who') }}</span><input class="input" name="other" maxlength="120"
                value="{{ old('other') }}" autocomplete="off"></label>
            <label class="line"><span>{{ __('client.refer.email') }}</span><input class="input" type="email" name="other_email"
                maxlength="200" value="{{ old('other_email') }}" autocomplete="off"></label>
            <label class="line"><span>{{ __('client.refer.why') }}</span><textarea class="textarea" name="why" rows="2"
                maxlength="500">{{ old('why') }}</textarea></label>
            <button class="button">{{ __('client.refer.send', ['name' => $round->sender->name]) }}</button>
        </form>
    </details>
</div>
