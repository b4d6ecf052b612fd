@php($stack = $plan->stack)
<x-layout :title="'Sort '.$stack->name" :place="$stack->file ? 'files' : 'office'" :scripts="['resources/js/sorting.js']">
    <div class="desk-bar">
        <h1>{{ $stack->name }}</h1>
        <span class="dim">@if ($stack->file)<a href="/files/{{ $stack->file->key }}">{{ $stack->file->name }}</a>
            @else<a href="/office/inbox">Inbox</a>@endif</span>
    </div>
    @if ($stack->told !== '')<div class="say late">{{ $stack->told }}</div>@endif
    @if ($stack->settled_at)
        <div class="leaf pad"><p>These pages were filed. What was uploaded is kept as it came.</p><ul>
            @foreach ($stack->filed as $one)<li><a href="/papers/{{ $one['paper'] }}">{{ $one['title'] }}</a></li>@endforeach</ul></div>
    @else
    <datalist id="sorting-files">@foreach ($files as $name)<option value="{{ $name }}">@endforeach</datalist>
    <div id="sorting" data-at="/stacks/{{ $stack->key }}">@include('intake.table')</div>
    <dialog id="page-large" class="page-large" aria-label="Page">
        <form method="dialog"><button class="button tight">Close</button></form><img alt="">
    </dialog>
    @endif
</x-layout>
