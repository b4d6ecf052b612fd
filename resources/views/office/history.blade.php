<x-office title="Office history" at="history" about="people, roles, offices, rules and kits">
    <div class="leaf pad">
        @if ($entries->isEmpty())<p class="dim">Nothing has been changed yet. Invitations, roles, office settings, rules and kits show up
            here.</p>@endif
        <ol id="history" aria-live="polite">@include('office.history-entries')</ol>
    </div>
</x-office>
