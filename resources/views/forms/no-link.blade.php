<x-guest :title="__('client.fill.title')">
    <div class="sheet"><h1>{{ __('client.link.title') }}</h1><p>{{ __('client.link.fill') }}</p></div>
</x-guest>
