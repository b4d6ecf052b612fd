@php($sentByKey = $round->papers->keyBy(fn ($one) => $one->paper->key))
@php([$blocking, $worth] = collect($faults)->partition(fn ($fault) => $fault->kind->isBlocking()))
@if ($blocking->isNotEmpty())
    <h2 class="minor">Before you can send</h2>
    <ul class="faults">@foreach ($blocking as $fault)@include('signing.fault')@endforeach</ul>
@endif
@if ($worth->isNotEmpty())
    <h2 class="minor">Please check</h2>
    <ul class="faults">@foreach ($worth as $fault)@include('signing.fault')@endforeach</ul>
@endif
