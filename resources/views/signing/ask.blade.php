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
</div>
