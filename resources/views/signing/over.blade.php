<x-guest :title="__('client.sign.title')" :from="$round->sender->name" :speaks="'/sign/'.$token.'/language'">
    @php($who = ['name' => $round->sender->name])
    <div class="sheet">
        @if ($round->sealedSet)
            <h1>{{ __('client.over.sealed') }}</h1>
            <p>{{ __('client.over.sealed_more', ['file' => $round->file->name, 'pages' => $round->sealedSet->pages]) }}</p>
            @if ($signer->seesSet())<a class="button solid wide-button"
                href="/sign/{{ $token }}/set.pdf">{{ __('client.over.open') }}</a>
                @if ($round->papers->count() > 1 && $round->sealedPapers->isNotEmpty())
                    <h2>{{ __('client.over.single') }}</h2>
                    <p>{{ __('client.over.single_more') }}</p>
                    <ul class="each-paper">@foreach ($round->papers as $sent)
                        <li><a href="/sign/{{ $token }}/sealed/{{ $sent->position }}.pdf">{{ $sent->title }}</a></li>
                    @endforeach</ul>
                @endif
            @else<p>{{ __('client.over.ended', $who) }}</p>@endif
        @elseif ($round->rehearsal && $round->status->value === 'complete')
            <h1>{{ __('client.over.rehearsed') }}</h1><p>{{ __('client.over.rehearsed_more') }}</p>
        @elseif ($round->status->value === 'complete')
            <h1>{{ __('client.over.complete') }}</h1><p>{{ __('client.over.complete_more') }}</p>
        @elseif ($signer->status->value === 'finished')
            <h1>{{ __('client.over.thanks', ['name' => $signer->name]) }}</h1><p>{{ __('client.over.thanks_more') }}</p>
            @if ($still !== [])<p>{{ __('client.over.still', ['names' => implode(', ', $still)]) }}</p>@endif
        @elseif ($round->status->value === 'declined')
            <h1>{{ __('client.over.declined') }}</h1><p>{{ __('client.over.declined_more', $who) }}</p>
        @elseif ($round->status->value === 'recalled')
            <h1>{{ __('client.over.recalled') }}</h1><p>{{ __('client.over.recalled_more', $who) }}</p>
        @elseif ($round->status->value === 'lapsed')
            <h1>{{ __('client.over.lapsed') }}</h1>
            <p>{{ __('client.over.lapsed_more', [...$who, 'day' => \App\Terms\ClientDay::until($round->lastMoment(),
                $round->file->office->zone)]) }}</p>
        @else
            <h1>{{ __('client.over.waits') }}</h1><p>{{ __('client.over.waits_more') }}</p>
            @if ($still !== [])<p>{{ __('client.over.still', ['names' => implode(', ', $still)]) }}</p>@endif
        @endif
    </div>
</x-guest>
