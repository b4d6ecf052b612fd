{{-- A blank at its place on a page. $sent: the attribute that says where it goes; $value: as shown.
     An include, for a page has hundreds. --}}
@php($all = new
    \Illuminate\Support\HtmlString(sprintf('xmlns="http://www.w3.org/1999/xhtml" class="blank%s" %s="%s" aria-label="%s" title="%s"%s',
    e($class ?? ''), $sent[0], e($sent[1]), e($b->label), e($told ?? $b->label), ($off ?? false) ? ' disabled' : '')))
@switch ($b->kind->value)
    @case ('tick')<input type="checkbox" value="x" {{ $all }} @checked($value !== '')>@break
    @case ('lines')<textarea {{ $all }}>{{ $value }}</textarea>@break
    @case ('choice')<select {{ $all }}><option value=""></option>@foreach ($b->options as $option)<option @selected($value === $option)>
        {{ $option }}</option>@endforeach</select>@break
    @default<input {{ $all }} value="{{ $value }}" autocomplete="off" @if (in_array($b->kind->value, ['money', 'percent', 'number']))
        inputmode="decimal" @endif>
@endswitch
