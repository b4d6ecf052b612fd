<x-office title="Office history" at="history" about="people, roles, offices, rules and kits">
    @can('set-up')
        <form class="in-row" action="/office/history.jsonl" aria-label="For an auditor">
            <label class="line"><span>For an auditor: from</span><input class="input" type="date" name="from" required
                value="{{ now($zone)->startOfYear()->format('Y-m-d') }}"></label>
            <label class="line"><span>to</span><input class="input" type="date" name="to" required
                value="{{ now($zone)->format('Y-m-d') }}"></label>
            <button class="button tight">Download sign-ins and histories</button></form>
    @endcan
    <div class="leaf pad">
        @if ($entries->isEmpty())<p class="dim">Nothing has been changed yet. Invitations, roles, office settings, rules and kits show up
            here.</p>@endif
        <ol id="history" aria-live="polite">@include('office.history-entries')</ol>
    </div>
</x-office>
