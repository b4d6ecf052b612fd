<h2 class="minor">Remarks</h2>
<ol class="remark-list">
    @forelse ($requirement->remarks as $remark)
        @php($where = $remark->page ? 'Page '.$remark->page : 'On the whole')
        <li @class(['resolved' => $remark->resolved_at])><span><b>{{ $where }}.</b> {{ $remark->text }}</span>
            <small>{{ $remark->author->name }}, {{ \App\Terms\When::day($remark->at, $file->office->zone) }}{{ $remark->sent_at === null ?
                ' · not sent yet' : ($remark->resolved_at ? ' · resolved' : ($remark->answered_at ? ' · answered' : ' · open')) }}</small>
            @if ($remark->answer !== '')<span class="answer-line">“{{ $remark->answer }}”</span>@endif
            <form class="inline" method="post" action="/remarks/{{ $remark->key }}/settle">@csrf
                @if ($remark->sent_at === null)<button class="button tight plain" name="do" value="drop">Remove</button>
                @elseif ($remark->resolved_at === null)<button class="button tight" name="do" value="resolve">Resolved</button>
                    @if ($remark->answered_at)<button class="button tight plain" name="do" value="again">Open again</button>@endif
                @else<button class="button tight plain" name="do" value="again">Open again</button>@endif</form></li>
    @empty
        <li class="dim">None yet. Click a place on the page to add one.</li>
    @endforelse
</ol>
