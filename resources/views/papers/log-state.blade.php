@php($entry = $at > 0 ? $log->entries[$at - 1] : null)
<p class="log-words" id="state-words" role="status"><b>{{ $at }} of {{ $log->count() }}</b>
    @if ($entry)<span>{{ \Unanimus\Dates\Moment::record($entry->at,
        $file->office->zone) }}, {{ $entry->who }}: {{ $form->blank($entry->blank)?->label ?? $entry->blank }}
        {{ $entry->value === null ? 'follows its term again' : ($entry->value === '' ? 'left empty' :
        '“'.($form->blank($entry->blank)?->kind->show($entry->value) ?? $entry->value).'”') }}</span>
    @else<span>before the first entry</span>@endif
</p>
<div class="desk">
    <nav class="thumbs" aria-label="Pages">@foreach ($form->pages as $index => $size)<a href="#page-{{ $index + 1 }}"><img
        src="/papers/{{ $paper->key }}/pages/{{ $index + 1 }}.webp?v={{ $stamp }}" alt="" loading="lazy" width="76" height="98">{{ $index +
        1 }}</a>@endforeach</nav>
    <div>
        @foreach ($form->pages as $index => [$width, $height])
            <section class="page" id="page-{{ $index + 1 }}" aria-label="Page {{ $index + 1 }}">
                <svg viewBox="0 0 {{ $width }} {{ $height }}">
                    <image href="{{ $paper->isDraft() ? "/papers/{$paper->key}/pages/".($index + 1).".webp?v={$stamp}" :
                        "/library/{$form->number}/pages/".($index + 1).".webp?rev={$form->revision}" }}" width="{{ $width }}"
                        height="{{ $height }}"/>
                    {!! ($drawings[$index + 1] ?? null)?->inner() !!}
                    @foreach ($form->blanksOn($index + 1) as $blank)@if (in_array($blank->name, $differs, true))
                        <rect class="differs" x="{{ $blank->place->x - 1 }}" y="{{ $blank->place->y - 1 }}" width="{{ $blank->place->width
                        + 2 }}" height="{{ $blank->place->height + 2 }}"><title>{{ $blank->label }} stands otherwise now</title></rect>
                        @endif @endforeach
                </svg>
            </section>
        @endforeach
    </div>
    <aside class="leaf blanks" aria-label="What is different now">
        <p><b>{{ count($differs) === 0 ? 'same as now' : (count($differs) === 1 ? '1 blank is different now' :
            count($differs).' blanks are different now') }}</b></p>
        @if ($differs !== [] && $fills)
            @php($key = bin2hex(random_bytes(8)))
            <form method="post" action="/papers/{{ $paper->key }}/log">@csrf<input type="hidden" name="at" value="{{ $at }}"><input
                type="hidden" name="key" value="{{ $key }}"><button class="button tight now">Restore this state</button>
            <ol>@foreach ($differs as $name)@php($blank = $form->blank($name))
                <li><span class="label">{{ $blank?->label ?? $name }}</span><span class="value"><b>{{ $then->value($name) === '' ? 'empty'
                    : ($blank?->kind->value === 'tick' ? 'checked' :
                    $blank?->kind->show($then->value($name))) }}</b></span><small>now {{ $now->value($name) === '' ? 'empty' :
                    ($blank?->kind->value === 'tick' ? 'checked' : $blank?->kind->show($now->value($name))) }}</small>
                    <button class="button tight plain" name="blank" value="{{ $name }}">restore only this</button></li>
            @endforeach</ol></form>
        @endif
    </aside>
</div>
