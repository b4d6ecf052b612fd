<x-layout title="Lanes" place="today">
    <div class="head-row"><h1>Lanes{{ $person ? ' of '.$person->name : '' }}</h1>
        <span class="dim">{{ count($today->lanes->rows) }} open files, by {{ $span }}</span> <button class="button tight right"
        type="button" data-print>Print on one page</button> <a class="unprinted" href="/">Today</a></div>
    <div class="lanes-page">@include('files.lanes', ['lanes' => $today->lanes])</div>
</x-layout>
