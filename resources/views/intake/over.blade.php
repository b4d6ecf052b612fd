<x-guest :title="__('client.bring.title')" :from="$asking->asker->name" :speaks="'/bring/'.$asking->token().'/language'">
    <div class="sheet"><h1>{{ __('client.bring.over') }}</h1><p>{{ __('client.bring.over_more', ['name' => $asking->asker->name]) }}
        <a href="mailto:{{ $asking->asker->email }}">{{ $asking->asker->email }}</a>.</p></div>
</x-guest>
