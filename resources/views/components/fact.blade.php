@props(['file', 'facts', 'item', 'at' => 'opening', 'faults' => [], 'typed' => null, 'hint' => null, 'show' => null])
@php($fact = $facts->get($item->value))
@php($fault = $faults[$item->value] ?? null)
<label class="name" for="fact-{{ $item->value }}">{{ $item->label() }}</label>
<span class="edit">
    @if ($item->choices() !== null)
        <select id="fact-{{ $item->value }}" name="value" hx-put="/files/{{ $file->key }}/facts?at={{ $at }}" hx-vals='{"name": "{{ $item->value }}"}' hx-target="#sheet" hx-trigger="change">
            <option value=""></option>
            @foreach ($item->choices() as $value => $label)<option value="{{ $value }}" @selected($fact?->value === $value)>{{ $label }}</option>@endforeach
        </select>
    @else
        <input class="input" id="fact-{{ $item->value }}" name="value" value="{{ $fault !== null ? $typed : ($show ?? ($fact === null ? '' : ($item->kind()->value === 'date' ? \Unanimus\Dates\LocalDate::of($fact->value)->short($file->office->today()->year()) : ($item->kind()->value === 'money' ? \Unanimus\Money\Money::of($fact->value) : ($item->kind()->value === 'percent' ? $fact->value.' %' : $item->kind()->show($fact->value)))))) }}"
            hx-put="/files/{{ $file->key }}/facts?at={{ $at }}" hx-vals='{"name": "{{ $item->value }}"}' hx-target="#sheet" hx-trigger="change" autocomplete="off" placeholder="{{ $hint ?? '' }}" @if ($fault) aria-invalid="true" aria-describedby="fault-{{ $item->value }}" @endif>
    @endif
    @if ($fact !== null && $fact->source !== 'entered')<span class="from" title="{{ $fact->source }}">{{ str_contains($fact->source, 'Exchange') ? 'listing' : '' }}</span>@endif
    {{ $slot }}
</span>
@if ($fault)<span class="fault" id="fault-{{ $item->value }}">{{ $fault }} It is not stored.</span>@endif
