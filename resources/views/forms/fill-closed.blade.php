<x-guest :title="__('client.fill.title')" :from="$fill->asker->name">
    @php($why = $fill->status->value === 'taken_back' ? 'withdrawn' : 'passed')
    <div class="sheet"><h1>{{ __("client.fill.closed_{$why}") }}</h1><p>
        {{ __("client.fill.closed_{$why}_more", ['name' => $fill->asker->name, 'day' => $fill->last_day->long()]) }}</p>
    <form method="post" action="/fill/{{ $token }}/another">@csrf
        <button class="button now wide-button">{{ __('client.fill.another', ['name' => $fill->asker->name]) }}</button></form></div>
</x-guest>
