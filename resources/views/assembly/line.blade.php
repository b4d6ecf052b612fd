@php($pages = $paper->isDraft() ? count($paper->form()->pages ?? []) : (int) $paper->latest?->pages)
<li tabindex="0" draggable="true" aria-label="{{ $paper->title }}">
    <input type="hidden" name="papers[]" value="{{ $paper->key }}" @disabled(! $in)><span class="serif">{{ $paper->title }}</span>
    <small>{{ $paper->form_number ? $paper->form_number.' · ' : '' }}{{ $pages === 1 ? '1 page' : $pages.' pages' }}{{ $paper->isDraft() ?
    ', draft' : '' }}</small><button type="button" class="button tight plain" data-toggle>{{ $in ? 'Leave out' : 'Add' }}</button></li>
