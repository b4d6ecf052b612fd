@props(['piece'])@if ($piece->isUnknown)<mark class="not-a-field">{{ $piece->text }}</mark>@elseif ($piece->isEmpty)<mark
    class="not-a-field">{{ $piece->text }}?</mark>@elseif ($piece->isField)<mark class="merged">{{ $piece->text }}</mark>@else{{
    $piece->text }}@endif
