@php($in = $there[$form->number] ?? [])
<div @class(['form-row', 'taken' => $in !== []]) id="form-{{ $form->number }}" data-form="{{ $form->number }}" data-pages="{{ count($form->pages) }}" data-stamp="{{ \App\Papers\PageStore::stamp($form) }}">
    <button type="button" class="plain-button" data-look><b class="number">{{ $form->number }}</b> <span class="serif">{{ $form->title }}</span><small>{{ $form->set }} · rev. {{ $form->revision }} · {{ count($form->pages) === 1 ? '1 page' : count($form->pages).' pages' }}@if ($uses[$form->number] ?? 0) · in {{ $uses[$form->number] }} {{ $uses[$form->number] === 1 ? 'file' : 'files' }} like this @endif</small></button>
    <form method="post" action="/files/{{ $file->key }}/forms/{{ $form->number }}" hx-post="/files/{{ $file->key }}/forms/{{ $form->number }}" hx-target="closest .form-row" hx-swap="outerHTML">@csrf
        @if ($in === [])<button class="button tight" name="what" value="take" data-take>Add</button>
        @else<span class="ok small">{{ count($in) === 1 ? 'in the file' : count($in).' in the file' }}</span> <button class="button tight plain" name="what" value="more">Add another</button> <button class="button tight plain" name="what" value="out" data-take>Remove</button>@endif
    </form>
    @if ($said !== '')<p class="late small" role="alert">{{ $said }}</p>@endif
</div>
