<x-guest :title="$page ? __('client.page_of.title') : __('client.link.title')" :from="$page?->agent->name">
    <div class="sheet">@if ($page)<h1>{{ __('client.page_of.off') }}</h1><p>{{ __('client.page_of.off_more', ['name' => $page->agent->name])
        }} <a href="mailto:{{ $page->agent->address() }}">{{ $page->agent->address() }}</a>.</p>
        @else<h1>{{ __('client.link.title') }}</h1><p>{{ __('client.page_of.lost') }}</p>@endif</div>
</x-guest>
