<x-guest :title="__('client.no_more.title')" from="">
    <div class="sheet">
        <h1>{{ __('client.no_more.title') }}</h1>
        @if ($done)<p>{{ __('client.no_more.done', ['address' => $address]) }}</p>
        @else<p>{{ __('client.no_more.ask', ['address' => $address]) }}</p>
        <form method="post">@csrf<button class="button now big">{{ __('client.no_more.button') }}</button></form>@endif
    </div>
</x-guest>
