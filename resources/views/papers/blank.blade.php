@php($class = 'blank'.($view->isMissing($b->name) ? ' missing' : '').($filled->departs ? ' departs' : ''))
@if ($b->kind->value === 'tick')
    <input xmlns="http://www.w3.org/1999/xhtml" type="checkbox" class="{{ $class }}" data-blank="{{ $b->name }}" aria-label="{{ $b->label }}" title="{{ $b->label }} · {{ $filled->source }}" @checked($filled->value !== '')>
@elseif ($b->kind->value === 'lines')
    <textarea xmlns="http://www.w3.org/1999/xhtml" class="{{ $class }}" data-blank="{{ $b->name }}" aria-label="{{ $b->label }}" title="{{ $b->label }} · {{ $filled->source }}">{{ $filled->value }}</textarea>
@elseif ($b->kind->value === 'choice')
    <select xmlns="http://www.w3.org/1999/xhtml" class="{{ $class }}" data-blank="{{ $b->name }}" aria-label="{{ $b->label }}" title="{{ $b->label }} · {{ $filled->source }}"><option value=""></option>@foreach ($b->options as $option)<option @selected($filled->value === $option)>{{ $option }}</option>@endforeach</select>
@else
    <input xmlns="http://www.w3.org/1999/xhtml" class="{{ $class }}" data-blank="{{ $b->name }}" aria-label="{{ $b->label }}" title="{{ $b->label }} · {{ $filled->source }}" value="{{ \App\Papers\PaperView::shown($filled) }}" autocomplete="off" @if (in_array($b->kind->value, ['money', 'percent', 'number'])) inputmode="decimal" @endif>
@endif
