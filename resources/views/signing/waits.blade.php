@php($unsealed = $round->status->value === 'complete' && $round->sealedSet === null && ! $round->rehearsal)
@php($waits = $unsealed ? \App\Signing\Jobs\SealRound::waiting($round->id) : null)
@if ($waits)<div class="say now">{{ $waits->sentence('Sealing', $file->office->zone) }} All signatures are safe. @can('work-on', $file)
    <form class="inline" method="post" action="/rounds/{{ $round->key }}/try-again">@csrf
    <button class="button tight">Try again now</button></form>@endcan</div>@endif
@php($letters = $round->status->value === 'drafting' || ! ($held ?? true) ? null : \App\Mail\LettersOnHold::of($round))
@if ($letters)<div class="say now">{{ $letters->sentence($file->office->zone) }} @can('work-on', $file)
    <form class="inline" method="post" action="/rounds/{{ $round->key }}/try-again">@csrf
    <button class="button tight">Try again now</button></form>@endcan</div>@endif
