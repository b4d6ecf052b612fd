<x-guest :title="__('client.bring.title')">
    <div class="sheet"><h1>{{ __('client.link.title') }}</h1><p>{{ __('client.link.read') }}</p></div>
</x-guest>
