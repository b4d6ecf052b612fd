<x-guest :title="__('client.fill.title')" :from="$fill->asker->name"
    :speaks="'/fill/'.$token.'/language'" :opened="'/fill/'.$token.'/opened'">
    <div class="sheet fill-sheet">
        <h1>{{ $fill->file->name }}</h1>
        <p>{{ __('client.fill.asks', ['name' => $fill->asker->name, 'day' => \App\Terms\ClientDay::long($fill->last_day)]) }}
            @if ($answered < count($questions)){{ __('client.fill.takes',
                ['minutes' => trans_choice('client.sign.minutes', max(1, (int) ceil((count($questions) - $answered) / 4)))]) }}
                {{ __('client.fill.one_by_one') }}@endif</p>
        @if ($fill->message !== '')<blockquote>{!! nl2br(e($fill->message)) !!}</blockquote>@endif
        <p><progress max="{{ max(1, count($questions)) }}" value="{{ $answered }}"
            aria-label="{{ __('client.fill.answered') }}"></progress>
            {{ __('client.fill.count', ['done' => $answered, 'all' => count($questions)]) }}</p>
        <p><a class="button now wide-button" href="/fill/{{ $token }}/questions/{{ $next }}">{{ __($answered === 0 ? 'client.fill.start' :
            'client.continue') }}</a></p>
        <ul class="plain-list">@foreach ($fill->papers as $paper)<li>
            <a href="/fill/{{ $token }}/papers/{{ $paper->key }}">{{ __('client.fill.on_page', ['document' => $paper->title]) }}</a></li>
            @endforeach</ul>
        @if ($left !== [])
            <details><summary>{{ __('client.fill.needed') }}</summary><ul>
            @foreach (array_slice($left, 0, 60) as [$paper, $blank])
                @foreach ($questions as $index => $one)
                    @if ($one['paper']->is($paper) &&
                        in_array($blank->name, array_map(fn ($filled) => $filled->blank->name, $one['question']), true))<li>
                        <a href="/fill/{{ $token }}/questions/{{ $index + 1 }}">{{ \App\Forms\QuestionText::of((string)
                        $one['paper']->form_number, $one['question'])->ask }}</a></li>@break @endif
                @endforeach
            @endforeach
            </ul></details>
        @endif
        <form method="post" action="/fill/{{ $token }}/finish">@csrf
            <button @class(['button wide-button', 'now' => $left === []])>{{ __('client.fill.finish') }}</button></form>
        <p class="dim small">{{ __('client.fill.later') }}</p>
    </div>
</x-guest>
