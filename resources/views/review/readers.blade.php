@if ($readers->isNotEmpty())<form method="post" action="/files/{{ $file->key }}/reads"
    class="tag-them">@csrf<label>Have a colleague read them first<span class="select"><select name="reader">
    @foreach ($readers as $one)<option value="{{ $one->key }}">{{ $one->name }}</option>@endforeach
    </select></span></label><label class="unseen" for="read-words">What to look at</label><input
    class="input" id="read-words" name="message" maxlength="1000" autocomplete="off"
    placeholder="what to look at"><button class="button tight" data-with-taken>Ask</button></form>@endif
