<x-layout title="Office history" place="office">
    <div class="head-row"><h1>Office history</h1><span class="dim">people, roles, offices, rules and kits</span><span class="right"><a href="/office">Back to Office</a></span></div>
    <div class="leaf pad">
        @if ($entries->isEmpty())<p class="dim">Nothing has been changed yet. Invitations, roles, office settings, rules and kits show up here.</p>@endif
        <ol id="history" aria-live="polite">@include('office.history-entries')</ol>
    </div>
</x-layout>
