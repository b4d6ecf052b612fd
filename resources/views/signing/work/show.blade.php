<x-guest title="Documents to have signed" :from="$copy->giver->name" :opened="'/work/'.$token.'/opened'">
    <div class="sheet">
        <h1>{{ $file->name }}</h1>
        <p>{{ $copy->giver->name }} sends you {{ $copy->papers->count() === 1 ? 'this document' : 'these documents' }} for your clients
            to sign. Open until {{ $copy->last_day->long() }}.</p>
        @if ($copy->message !== '')<blockquote>{!! nl2br(e($copy->message)) !!}</blockquote>@endif
        @foreach ($rounds as $round)
            <section class="work-round">
                <h2>{{ $round->title }}</h2>
                <p class="dim">{{ ['drafting' => 'Not sent yet.', 'out' => 'Out for signature.', 'complete' => $round->sealedSet ?
                    'Signed by everyone, and sent back.' : 'Signed by everyone. It is being sealed.', 'declined' => 'Declined.',
                    'lapsed' => 'Its last day passed.', 'recalled' => 'Recalled.'][$round->status->value] }}
                    @if ($round->status->value === 'out'){{ $round->signers->map(fn ($signer) => $signer->name.' '.
                        ($signer->status->value === 'finished' ? 'has signed' : 'has not signed yet'))->join(', ') }}.@endif</p>
                <form method="post" action="/work/{{ $token }}/rounds/{{ $round->key }}">@csrf
                    <button @class(['button wide-button', 'now' => $round->status->value === 'drafting'])>{{
                        $round->status->value === 'drafting' ? 'Continue' : 'Open' }}</button></form>
            </section>
        @endforeach
        <form method="post" action="/work/{{ $token }}/rounds" id="work">@csrf
            <h2>Documents</h2>
            <ul class="work-papers">
                @foreach ($copy->papers as $one)
                    @php($busy = ! $one->guestPaper->state->isOpen())
                    <li><label class="checkbox">@unless ($busy)<input type="checkbox" name="papers[]" value="{{ $one->key }}"
                        @checked(in_array($one->key, (array) old('papers', $copy->papers->pluck('key')->all()), true))>@endunless

                        <span><b>{{ $one->guestPaper->title }}</b> <span class="dim">{{ $one->returned_at ? 'Signed and sent back' :
                        ($busy ? 'Out for signature' : '') }}</span></span></label>
                        <span><a href="/work/{{ $token }}/papers/{{ $one->key }}">Read<span class="unseen"> {{ $one->guestPaper->title }}
                        </span></a> <a href="/work/{{ $token }}/papers/{{ $one->key }}/paper.pdf" download>Download<span class="unseen">
                        {{ $one->guestPaper->title }}</span></a></span></li>
                @endforeach
            </ul>
            @if ($copy->papers->contains(fn ($one) => $one->guestPaper->state->isOpen()))
                <h2>Your clients</h2>
                <p class="dim">As they sign their name. Each gets an email with a link of their own.</p>
                @php($known = $file->parties->filter(fn ($party) => $party->role->value === $role)->sortBy('number')->values())
                @php($lines = max(2, min(\App\Signing\Http\WorkController::CLIENTS, $known->count() + 1)))
                @for ($index = 0; $index < $lines; $index++)
                    <div class="pair">
                        <label class="line"><span>Name{{ $index === 0 ? '' : ' of another ('.($index + 1).')' }}</span><input class="input"
                            name="clients[{{ $index }}][name]" maxlength="120" autocomplete="off" value="{{ old("clients.{$index}.name",
                            $known[$index]->name ?? '') }}"></label>
                        <label class="line"><span>Email address</span><input class="input" type="email" name="clients[{{ $index }}][email]"
                            maxlength="200" autocomplete="off" value="{{ old("clients.{$index}.email", $known[$index]->email ?? '') }}">
                            @error("clients.{$index}.email")<span class="late">{{ $message }}</span>@enderror</label>
                    </div>
                @endfor
                <button class="button now wide-button">Choose where they sign</button>
            @endif
        </form>
        @auth<form method="post" action="/sign-out">@csrf<button class="button plain">Leave this computer signed out</button></form>@endauth
    </div>
</x-guest>
