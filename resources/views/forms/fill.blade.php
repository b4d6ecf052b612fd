<x-guest title="Papers to fill in" :from="$fill->asker->name" :opened="'/fill/'.$token.'/opened'">
    <div class="sheet fill-sheet">
        <h1>{{ $fill->file->name }}</h1>
        <p>{{ $fill->asker->name }} asks you to fill in your part, by <b>{{ $fill->lastDay()->long() }}</b>. What you enter is kept as you go.</p>
        @if ($fill->message !== '')<blockquote>{!! nl2br(e($fill->message)) !!}</blockquote>@endif
        <p><progress max="{{ max(1, count($questions)) }}" value="{{ $answered }}" aria-label="Answered"></progress> {{ $answered }} of {{ count($questions) }} answered</p>
        <p><a class="button now wide-button" href="/fill/{{ $token }}/questions/{{ $next }}">{{ $answered === 0 ? 'Begin' : 'Go on' }}, question by question</a></p>
        <ul class="plain-list">@foreach ($fill->papers as $paper)<li><a href="/fill/{{ $token }}/papers/{{ $paper->key }}">{{ $paper->title }}: fill in on the page</a></li>@endforeach</ul>
        @if ($left !== [])
            <details><summary>{{ count($left) === 1 ? 'One answer is' : count($left).' answers are' }} still needed</summary><ul>
            @foreach (array_slice($left, 0, 60) as [$paper, $blank])
                @foreach ($questions as $index => $one)@if ($one['paper']->is($paper) && in_array($blank->name, array_map(fn ($filled) => $filled->blank->name, $one['question']), true))<li><a href="/fill/{{ $token }}/questions/{{ $index + 1 }}">{{ $blank->label }}</a></li>@break @endif @endforeach
            @endforeach
            </ul></details>
        @endif
        <form method="post" action="/fill/{{ $token }}/finish">@csrf<button @class(['button wide-button', 'now' => $left === []])>I have finished</button></form>
        <p class="dim small">You can stop at any time and come back with the same letter, on any device.</p>
    </div>
</x-guest>
