@php($readers = $message->to())
<p class="dim small">{{ $readers === [] ? 'Select who gets it.' : ($message->apart && count($readers) > 1 ?
    "As {$readers[0]->name} will read it; each gets their own." : 'As '.implode(' and ', array_map(static fn ($one) => $one->name,
        $readers)).
    ' will read it.') }}</p>
<h2>@foreach ($filledSubject->pieces as $piece)<x-merged :$piece />@endforeach
    @if ($filledSubject->pieces === [])<span class="dim">(no subject)</span>@endif</h2>
<div class="letter-text">@foreach ($filledBody->pieces as $piece)<x-merged :$piece />@endforeach</div>
@php($unknown = array_unique([...$filledSubject->unknown(), ...$filledBody->unknown()]))
@php($empty = array_unique([...$filledSubject->empty(), ...$filledBody->empty()]))
@if ($unknown !== [])<p class="late">There is no field {{ implode(', ', $unknown) }}.</p>@endif
{{-- What is said of the recipient is known once there is one. --}}
@php($empty = $readers === [] ? array_diff($empty, \Unanimus\Messages\MergeFields::ofRecipient()) : $empty)
@if ($empty !== [])<p class="late">Missing: {{ implode(', ', $empty) }}. Enter it in the file, or type it here.</p>@endif
<p class="dim small">Saved {{ \App\Terms\When::list($message->updated_at, $message->file->office->zone) }}</p>
