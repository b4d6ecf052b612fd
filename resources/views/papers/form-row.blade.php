@php($in = $there[$form->number] ?? [])
<div @class(['form-row', 'taken' => $in !== []]) id="form-{{ $form->number }}" data-form="{{ $form->number }}"
    data-pages="{{ count($form->pages) }}" data-stamp="{{ \App\Papers\PageStore::stamp($form) }}">
    <button type="button" class="plain-button" data-look><b class="number">{{ $form->number }}</b>
        <span class="serif">{{ $form->title }}</span><small>{{ $form->set }} · rev. {{ $form->revision }}
        · {{ count($form->pages) === 1 ? '1 page' :
        count($form->pages).' pages' }}@if (in_array($form->number, $file->office->preferred_forms, true)) · <b>preferred here</b>@endif
        @if ($uses[$form->number] ?? 0) · in {{ $uses[$form->number] }} {{ $uses[$form->number] === 1 ? 'file' : 'files' }} like this
        @endif</small></button>
    <form method="post" action="/files/{{ $file->key }}/forms/{{ $form->number }}"
        hx-post="/files/{{ $file->key }}/forms/{{ $form->number }}" hx-target="closest .form-row" hx-swap="outerHTML">@csrf
        @if ($in === [])<button class="button tight" name="what" value="take" data-take>Add</button>
        @else<span class="ok small">{{ count($in) === 1 ? 'in the file' : count($in).' in the file' }}</span>
            <button class="button tight plain" name="what" value="more">Add another</button> <button class="button tight plain" name="what"
            value="out" data-take>Remove</button>@endif
    </form>
    @can('run-office')@php($isPreferred = in_array($form->number, $file->office->preferred_forms, true))
        <button class="button tight plain prefer" type="button" aria-pressed="{{ $isPreferred ? 'true' : 'false' }}"
        hx-post="/offices/{{ $file->office->key }}/forms/{{ $form->number }}" hx-vals='{"on": "{{ $isPreferred ? 0 : 1 }}"}'
        hx-swap="none">{{ $isPreferred ? 'Stop preferring' : 'Prefer in this office' }}</button>@endcan
    @if ($isRemoved ?? false)<form class="undo small" method="post" action="/files/{{ $file->key }}/forms/{{ $form->number }}"
        hx-post="/files/{{ $file->key }}/forms/{{ $form->number }}" hx-target="closest .form-row" hx-swap="outerHTML" role="status">@csrf
        Removed. What was filled in is kept. <button class="button tight plain" name="what" value="take">Undo</button></form>@endif
    @if ($said !== '')<p class="late small" role="alert">{{ $said }}</p>@endif
</div>
