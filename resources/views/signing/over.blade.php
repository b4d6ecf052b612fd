<x-guest title="Papers to sign" :from="$round->sender->name">
    <div class="sheet">
        @if ($round->sealedSet)
            <h1>Signed by everyone</h1>
            <p>The whole set for <b>{{ $round->file->name }}</b> is finished and sealed: {{ $round->sealedSet->pages }} pages with the record of how it was signed. A copy went to your mail.</p>
            @if ($signer->seesSet())<a class="button solid" href="/sign/{{ $token }}/set.pdf">Open the signed papers</a>@else<p>This link no longer shows them. Use the copy in your email, or ask {{ $round->sender->name }} for another.</p>@endif
        @elseif ($round->status->value === 'complete')
            <h1>Everyone has signed</h1>
            <p>The papers are being put together. In a minute a copy is in your mail.</p>
        @elseif ($signer->status === 'finished')
            <h1>Thank you, {{ $signer->name }}</h1>
            <p>You have signed everything that was yours to sign. When the others are done you get the whole set by mail. You can close this page.</p>
        @elseif ($round->status->value === 'declined')
            <h1>This signing has ended</h1><p>Somebody declined to sign. You need not do anything; {{ $round->sender->name }} will be in touch.</p>
        @elseif ($round->status->value === 'recalled')
            <h1>These papers were taken back</h1><p>{{ $round->sender->name }} has taken the papers back, perhaps to change something. You will get a new letter if there is something to sign.</p>
        @elseif ($round->status->value === 'lapsed')
            <h1>The last day has passed</h1><p>These papers could be signed until {{ \Unanimus\Dates\LocalDate::of($round->last_day)->long() }}. Ask {{ $round->sender->name }} to send them again.</p>
        @else
            <h1>It is not your turn yet</h1><p>Others sign before you. You will get a letter when it is your turn.</p>
        @endif
    </div>
</x-guest>
