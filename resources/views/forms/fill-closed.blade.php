<x-guest :title="__('client.fill.title')" :from="$fill->asker->name" :speaks="'/fill/'.$token.'/language'">
    @php($why = $fill->status->value === 'taken_back' ? 'withdrawn' : 'passed')
    <div class="sheet"><h1>{{ __("client.fill.closed_{$why}") }}</h1><p>
        {{ __("client.fill.closed_{$why}_more", ['name' => $fill->asker->name, 'day' => \App\Terms\ClientDay::long($fill->last_day)]) }}</p>
    <form method="post" action="/fill/{{ $token }}/another">@csrf
        <button class="button now wide-button">{{ __('client.fill.another', ['name' => $fill->asker->name]) }}</button></form></div>
</x-guest>
