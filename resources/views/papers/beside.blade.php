@if ($beside->paper !== null)
    @php($empty = count(array_filter($beside->matches, fn ($match) => $match['here'] === '')))
    @if ($beside->matches !== [])
        <h3>{{ count($beside->matches) === 1 ? '1 value' : count($beside->matches).' values' }} differ from this paper</h3>
        @if ($empty > 0)<form method="post" action="/papers/{{ $paper->key }}/carried">@csrf<input type="hidden" name="of"
            value="{{ $beside->paper->key }}">
            <button class="button tight">Fill {{ $empty === 1 ? '1 empty blank' : "{$empty} empty blanks" }} from it</button></form>@endif
        <dl class="beside-values">
            @foreach ($beside->matches as $match)
                <div><dt>{{ $match['blank']->label }}</dt><dd>{{ $match['blank']->kind->inSentence($match['value']) }}
                    <button class="button tight plain" type="button" data-use="{{ $match['blank']->kind->value === 'tick' ? 'x' :
                    $match['blank']->kind->show($match['value']) }}" data-into="{{ $match['blank']->name }}"
                    data-from="{{ $beside->source }}">Use</button></dd></div>
            @endforeach
        </dl>
    @endif
    <h3>Its text</h3>
    <p class="dim small">Select words, then press “Use selection”. They go into the blank you were in.</p>
    <div class="beside-text" data-from="{{ $beside->source }}">
        @forelse ($beside->pages as $number => $paragraphs)
            <h4>Page {{ $number }}</h4>
            @forelse ($paragraphs as $paragraph)<p>{{ $paragraph }}</p>@empty<p class="dim">This page is a picture.</p>@endforelse
        @empty<p class="dim">It has no text.</p>@endforelse
    </div>
@else
    <dl class="beside-values">
        @foreach ($beside->facts as $fact)
            <div><dt>{{ $fact['label'] }}</dt><dd>
                {{ $fact['value'] }} <button class="button tight plain" type="button" data-use="{{ $fact['value'] }}"
                data-from="{{ $beside->source }}">Use</button></dd></div>
        @endforeach
    </dl>
@endif
