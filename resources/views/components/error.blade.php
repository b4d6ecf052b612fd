@props(['title', 'what'])
<x-guest :title="'Unanimus'">
    <div class="sheet"><h1>{{ $title }}</h1><p>{{ $what }}</p>{{ $slot }}<p><a class="button" href="/">Go to Today</a></p>
        <p class="dim small">Request {{ \App\Access\Http\RequestId::current() }}</p></div>
</x-guest>
