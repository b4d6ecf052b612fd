<x-guest title="Papers to read" :from="$copy->giver->name">
    <div class="sheet"><h1>{{ $copy->ended_at ? 'These papers are no longer open' : 'The last day has passed' }}</h1><p>{{ $copy->ended_at ? "{$copy->giver->name} has closed this reading copy." : 'They could be read until '.$copy->lastDay()->long().'.' }} Ask {{ $copy->giver->name }} for another link, or write to <a href="mailto:{{ $copy->giver->email }}">{{ $copy->giver->email }}</a>.</p></div>
</x-guest>
