<x-guest title="Documents to have signed" :from="$copy->giver->name">
    <div class="sheet"><h1>This link has ended</h1>
        <p>{{ $copy->ended_at ? "{$copy->giver->name} has ended it." : 'Its last day, '.$copy->last_day->long().', has passed.' }}
            Your clients can still sign what they were asked to sign. Ask {{ $copy->giver->name }} for a new link if you need one.</p></div>
</x-guest>
