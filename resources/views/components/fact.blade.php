@props(['file', 'facts', 'item', 'at' => 'opening', 'hint' => null])
@php($fact = $facts->get($item->value))
<label class="name" for="fact-{{ $item->value }}">{{ $item->label() }}</label>
<span class="edit">
    @if ($item->choices() !== null)
        <select id="fact-{{ $item->value }}" name="value" hx-put="/files/{{ $file->key }}/facts?at={{ $at }}"
            hx-vals='{"name": "{{ $item->value }}"}' hx-target="#follows" hx-swap="innerHTML" hx-trigger="change">
            <option value=""></option>
            @foreach ($item->choices() as $value => $label)<option value="{{ $value }}" @selected($fact?->value === $value)>{{ $label }}
                </option>@endforeach
        </select>
    @else
        <input class="input" id="fact-{{ $item->value }}" name="value" value="{{ \App\Terms\FieldText::fact($item, $fact, $file) }}"
            hx-put="/files/{{ $file->key }}/facts?at={{ $at }}" hx-vals='{"name": "{{ $item->value }}"}' hx-target="#follows"
                hx-swap="innerHTML" hx-trigger="change" autocomplete="off" placeholder="{{ $hint ?? '' }}">
    @endif
    @if ($fact !== null && str_contains($fact->source, 'Exchange'))
        @php($known = $file->knownFacts->firstWhere('name', $item->value))
        @php($day = $known?->checked_at ? \Unanimus\Dates\LocalDate::at($known->checked_at, $file->office->timeZone())->short() : '')
        @php($checked = $known?->checked_at ? ", checked against {$known->checked_against} on {$day}" : '')
        <span class="from" title="{{ $fact->source.$checked }}">listing{{ $checked === '' ? '' : ', checked' }}</span>
    @endif
    {{ $slot }}
</span>
<span class="fault" id="fault-{{ $item->value }}" hidden role="alert"></span>
