<div class="sheet">
    <details @if ($errors->has('question') || $errors->has('reason')) open @endif>
        <summary><b>A question, or you would rather not sign?</b></summary>
        <br>
        <form method="post" action="/sign/{{ $token }}/ask">
            @csrf
            <input type="hidden" name="once" value="{{ bin2hex(random_bytes(8)) }}">
            <label class="line"><span>Your question to {{ $round->sender->name }}</span><textarea class="textarea" name="question" maxlength="1000">{{ old('question') }}</textarea></label>
            <button class="button">Ask</button>
        </form>
        <br>
        <form method="post" action="/sign/{{ $token }}/decline">
            @csrf
            <label class="line"><span>Why you decline. This ends the signing for everyone.</span><textarea class="textarea" name="reason" maxlength="1000">{{ old('reason') }}</textarea></label>
            <button class="button">Decline to sign</button>
        </form>
    </details>
</div>
