<x-office :title="$letter->name ?? 'New form letter'" at="letters" about="text with fields of the
    deal" :scripts="['resources/js/writing.js']">
    <div class="writing">
        <form method="post" action="/office/letters{{ $letter ? '/'.$letter->key : '' }}" class="leaf pad">@csrf @if ($letter)
            @method('put')<input type="hidden" name="seen" value="{{ $letter->version }}">@endif

            <label class="line"><span>Name</span><input class="input" name="name" maxlength="80" value="{{ old('name', $letter?->name) }}"
                autocomplete="off" @disabled(! $keeps)></label>
            <label class="line"><span>Subject</span><input class="input" name="subject" maxlength="300"
                value="{{ old('subject', $letter?->subject) }}" autocomplete="off" @disabled(! $keeps)></label>
            <label class="unseen" for="body">What it says</label>
            <textarea class="textarea" id="body" name="body" rows="12" maxlength="20000" @disabled(! $keeps)>{{ old('body', $letter?->body)
                }}</textarea>
            @if ($keeps)
            <div class="in-row"><span class="select"><select id="field" aria-label="Insert a field"><option value="">Insert field
                …</option>
                @foreach ($fields as $code => $label)<option value="{{ '{'.$code.'}' }}">{{ $label }}</option>@endforeach</select></span>
                @if ($letter === null && $mayShare)<label><input type="radio" name="own" value="0" checked> for others</label>
                @if ($offices->count() > 1)<span class="select"><select name="office" aria-label="For whom"><option
                    value="">everyone</option>
                @foreach ($offices as $one)<option value="{{ $one->key }}">{{ $one->name }}</option>@endforeach</select></span>@endif
                <label><input type="radio" name="own" value="1"> just me</label>@endif
                <button class="button now">Save letter</button></div>
            @endif
        </form>
        @if ($letter && $file)
        <section class="leaf pad as-read" aria-label="As it reads in a file">
            <form method="get" class="in-row"><label class="unseen" for="try">Try it with</label><span class="select"><select id="try"
                name="file" data-sends>@foreach ($files as $one)<option value="{{ $one->key }}" @selected($one->is($file))>{{ $one->name }}
                </option>@endforeach</select></span></form>
            <h2>@foreach ($filledSubject->pieces as $piece)<x-merged :$piece />@endforeach</h2>
            <div class="letter-text">@foreach ($filledBody->pieces as $piece)<x-merged :$piece />@endforeach</div>
            @php($empty = array_unique([...$filledSubject->empty(), ...$filledBody->empty()]))
            @if ($empty !== [])<p class="late small">{{ $file->name }} has no {{ implode(', ', $empty) }} yet.</p>@endif
        </section>
        @endif
    </div>
    @if (count($versions) > 1)
    <details class="leaf pad"><summary>Earlier versions</summary>
        @foreach ($versions as $version)<div class="old-letter"><b>{{ $version->version }}</b> <span class="dim">{{ $version->maker ??
            '' }},
            {{ \App\Terms\When::list(\Illuminate\Support\Carbon::parse($version->made_at), auth()->user()->zone()) }}</span>
            <p><b>{{ $version->subject }}</b></p><p class="letter-text">{!! nl2br(e($version->body)) !!}</p></div>@endforeach
    </details>
    @endif
</x-office>
