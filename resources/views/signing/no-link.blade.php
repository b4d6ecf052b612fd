<x-guest :title="__('client.sign.title')">
    <div class="sheet"><h1>{{ __('client.link.title') }}</h1><p>{{ __('client.link.sign') }}</p></div>
</x-guest>
