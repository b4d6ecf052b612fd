@foreach ($pages as $number => $paragraphs)
    <section aria-label="{{ __('client.page', ['page' => $number]) }}"><h2>{{ __('client.page', ['page' => $number]) }}</h2>
    @forelse ($paragraphs as $paragraph)<p>{{ $paragraph }}</p>@empty<p class="dim">{{ __('client.picture_page') }}</p>@endforelse
    </section>
@endforeach
