@php
    $first = $asked['question'][0];
    $blank = $first->blank;
    $several = $blank->kind->value === 'tick';
    $text = \App\Forms\QuestionText::of((string) $asked['paper']->form_number, $asked['question']);
    $isOneOf = count($asked['question']) > 1;
@endphp
<x-guest :title="$asked['paper']->title" :from="$fill->asker->name" :speaks="'/fill/'.$token.'/language'">
    <h1 class="unseen">{{ $asked['paper']->title }}</h1>
    <form class="sheet fill-sheet" data-keeps method="post" action="/fill/{{ $token }}/questions/{{ $number }}">
        @csrf <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="seen"
            value="{{ $several ? ($first->value === '' ? '' : 'x') : \App\Papers\PaperView::shown($first) }}">
        <p class="dim small">{{ __('client.fill.question', ['number' => $number, 'count' => $count]) }} <progress max="{{ $count }}"
            value="{{ $number }}" aria-label="{{ __('client.fill.question', ['number' => $number, 'count' => $count]) }}"></progress></p>
        @if ($several)
            <fieldset><legend>{{ $text->ask }}</legend>
            @foreach ($asked['question'] as $index => $filled)
                <label class="choice" @if ($isOneOf) data-goes-on @endif><input type="{{ $isOneOf ? 'radio' : 'checkbox' }}" name="choice"
                    value="{{ $filled->blank->name }}" @checked($filled->value !== '')> {{ $isOneOf ? $text->choices[$index] :
                    __('client.fill.yes') }}</label>
            @endforeach
            @if ($isOneOf)
                <label class="choice dim"><input type="radio" name="choice" value=""
                @checked(array_filter($asked['question'], fn ($filled) => $filled->value !== '') === [])>
                {{ __('client.fill.not_yet') }}</label>@endif
            </fieldset>
        @else
            <label class="ask-label" for="value">{{ $text->ask }}</label>
            @if ($blank->kind->value === 'lines')<textarea class="textarea" id="value" name="value" rows="5"
                autofocus>{{ old('value', $first->value) }}</textarea>
            @elseif ($blank->kind->value === 'choice')<span class="select"><select id="value" name="value" autofocus><option value="">
                {{ __('client.fill.not_yet') }}</option>@foreach ($blank->options as $option)
                <option @selected(old('value', $first->value) === $option)>{{ $option }}</option>@endforeach</select></span>
            @else<input class="input" id="value" name="value" value="{{ old('value', \App\Papers\PaperView::shown($first)) }}"
                autocomplete="off" autofocus @if (in_array($blank->kind->value, ['money', 'percent', 'number'])) inputmode="decimal" @endif
                @error('value') aria-invalid="true" aria-describedby="wrong" @enderror>@endif
            @error('value')<p class="late" id="wrong" role="alert">{{ $message }}</p>@enderror
            <p class="dim small">
                {{ in_array($blank->kind->value, ['money', 'percent', 'date', 'time', 'number'], true) ?
                __("client.fill.{$blank->kind->value}") : '' }} {{ $blank->required ? '' : __('client.fill.optional') }}</p>
        @endif
        <div class="fill-go"><button class="button now wide-button" name="go" value="next">{{ __('client.fill.save') }}</button>
            <button class="button" name="go" value="back" @disabled($number === 1)>{{ __('client.back') }}</button>
            <button class="button plain" name="go" value="rest">{{ __('client.fill.stop') }}</button></div>
        @php($paper = $asked['paper'])
        @php([$width, $height] = $paper->form()->pages[$blank->page - 1])
        @php($from = [max(0, $blank->place->x - 60), max(0, $blank->place->y - 60)])
        <figure class="fill-look">
            <svg viewBox="{{ $from[0] }} {{ $from[1] }} 340 130" role="img"
                aria-label="{{ __('client.fill.where', ['page' => $blank->page]) }}">
                <image href="/fill/{{ $token }}/papers/{{ $paper->key }}/pages/{{ $blank->page }}.webp"
                    width="{{ $width }}" height="{{ $height }}"/>
                @foreach ($asked['question'] as $filled)
                    @php($place = $filled->blank->place)
                    <rect class="differs" x="{{ $place->x - 1 }}" y="{{ $place->y - 1 }}"
                        width="{{ $place->width + 2 }}" height="{{ $place->height + 2 }}"/>
                @endforeach
            </svg>
            <figcaption class="dim small">
                {{ __('client.document_page', ['document' => $paper->title, 'page' => $blank->page]) }} ·
                <a href="/fill/{{ $token }}/papers/{{ $paper->key }}#page-{{ $blank->page }}">{{ __('client.fill.see_page') }}</a>
            </figcaption>
        </figure>
    </form>
</x-guest>
