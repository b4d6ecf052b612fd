<x-guest title="Papers to fill in" :from="$fill->asker->name">
    <div class="sheet"><h1>{{ $fill->status->value === 'taken_back' ? 'This was taken back' : 'The last day has passed' }}</h1><p>{{ $fill->status->value === 'taken_back' ? "{$fill->asker->name} does not need these answers any more." : 'This link took entries until '.$fill->lastDay()->long().'.' }} What you entered is kept.</p>
    <form method="post" action="/fill/{{ $token }}/another">@csrf<button class="button now">Ask {{ $fill->asker->name }} for another link</button></form></div>
</x-guest>
