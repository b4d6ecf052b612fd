<x-guest :title="__('client.page_of.title')" :from="$page->agent->name" :speaks="'/client/'.$token.'/language'"
    :opened="'/client/'.$token.'/opened'">
    <div class="sheet">
        <h1>{{ __('client.page_of.hello', ['name' => $page->party->name]) }}</h1>
        <p>{{ __("client.page_of.stands.{$sight->stands}", ['file' => $page->file->name]) }}</p>
    </div>
    <section class="sheet" aria-label="{{ __('client.page_of.now') }}">
        <h2>{{ __('client.page_of.now') }}</h2>
        @forelse ($sight->asked as $one)
            <div class="asked-now"><p><b>{{ __("client.page_of.{$one['what']}", ['title' => $one['title']]) }}</b>
                @if ($one['until'])<br><span class="dim">{{ __('client.page_of.by', ['day' => \App\Terms\ClientDay::long($one['until'])])
                    }}</span>@endif</p>
                <a class="button now big" href="{{ $one['link'] }}">{{ __("client.page_of.go.{$one['what']}") }}</a></div>
        @empty<p>{{ __('client.page_of.nothing') }}</p>@endforelse
    </section>
    <section class="sheet" aria-label="{{ __('client.page_of.days') }}">
        <h2>{{ __('client.page_of.days') }}</h2>
        <ol class="client-days">
        @php([$last, $isToday] = [null, false])
        @forelse ($sight->line as $day)
            @if (! $isToday && $day['stands'] !== 'done')
            @php($isToday = true)
            <li class="is-today room-{{ $last === null ? 0 :
                \Unanimus\Messages\ClientView::room($last, $sight->today) }}"><span class="dot"
                aria-hidden="true"></span><span>{{ __('client.page_of.today') }}</span>
                <span>{{ \App\Terms\ClientDay::long($sight->today) }}</span></li>
            @php($last = $sight->today)
            @endif
            <li class="is-{{ $day['stands'] }} room-{{ $last === null ? 0 :
                \Unanimus\Messages\ClientView::room($last, $day['day']) }}"><span class="dot"
                aria-hidden="true"></span><span>{{ $sight::named($day['name'], $day['label']) }}
                @if ($day['stands'] === 'next')<b class="tag-chip">{{ __('client.page_of.next') }}</b>@endif
                @if ($day['stands'] === 'done')<span class="unseen">({{ __('client.page_of.done') }})</span>@endif</span>
                <span class="dim">{{ \App\Terms\ClientDay::long($day['day']) }}</span></li>
            @php($last = $day['day'])
        @empty<li>{{ __('client.page_of.no_days') }}</li>@endforelse
        </ol>
    </section>
    @if ($sight->signed !== [])
    <section class="sheet" aria-label="{{ __('client.page_of.signed') }}">
        <h2>{{ __('client.page_of.signed') }}</h2>
        <ul class="plain signed-list">@foreach ($sight->signed as $round)<li><a href="/client/{{ $token }}/signed/{{ $round->key }}.pdf">{{
            $round->title }}</a><br><span class="dim">{{ __('client.page_of.signed_on', ['day' =>
            \App\Terms\ClientDay::long(\Unanimus\Dates\LocalDate::at($round->over_at, new DateTimeZone($page->file->office->zone)))])
            }}</span></li>@endforeach</ul>
    </section>
    @endif
    <section class="sheet" aria-label="{{ __('client.page_of.call') }}">
        <h2>{{ __('client.page_of.call') }}</h2>
        <p>{{ $page->agent->name }}, {{ $page->file->office->name }}</p>
        <p class="in-row">@if ($page->agent->phone)<a class="button big" href="tel:{{ preg_replace('/[^+\d]/', '', $page->agent->phone)
            }}">{{
            $page->agent->phone }}</a>@endif <a class="button big" href="mailto:{{ $page->agent->address() }}">{{ $page->agent->address()
            }}</a></p>
    </section>
</x-guest>
