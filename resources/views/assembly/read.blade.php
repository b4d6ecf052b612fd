<x-guest :title="__('client.read.title')" :from="$copy->giver->name"
    :speaks="'/read/'.$copy->token().'/language'" :opened="'/read/'.$token.'/opened'">
    <div class="sheet"><h1>{{ $copy->set->title }}</h1><p>
        {{ __('client.read.for', ['pages' => trans_choice('client.pages', count($sizes)), 'name' => $copy->name, 'day' =>
        \App\Terms\ClientDay::long($copy->last_day)]) }}</p>
        @if ($copy->message !== '')<blockquote>{{ $copy->message }}</blockquote>@endif
        <p><a class="button now wide-button" href="/read/{{ $token }}/set.pdf" download>{{ __('client.save_pdf') }}</a></p>
        <p><a href="/read/{{ $token }}/text">{{ __('client.read_as_text') }}</a></p></div>
    <div class="fill-pages reading">
        @foreach ($sizes as $index => [$width, $height])
            <section class="page" aria-label="{{ __('client.page', ['page' => $index + 1]) }}">
                <img src="/read/{{ $token }}/pages/{{ $index + 1 }}.webp" alt="" width="{{ round($width) }}" height="{{ round($height) }}"
                loading="lazy"></section>
        @endforeach
    </div>
</x-guest>
