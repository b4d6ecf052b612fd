<x-layout :title="$form->title.' in '.$kit->name" place="office">
    <form method="post" action="/kits/{{ $stored?->key }}">
    @csrf @method('put')<input type="hidden" name="part" value="answers"><input type="hidden" name="form"
        value="{{ $form->number }}"><input type="hidden" name="seen" value="{{ $stored->version ?? 0 }}">
    <div class="desk-bar"><h1>{{ $form->title }}</h1>
        <span class="dim">prefilled in
        <a href="/kits/{{ $kit->key }}">{{ $kit->name }}</a>. Gray blanks come from the deal and stay open.</span>
        @if ($mine)<div class="acts"><button class="button tight now">Save answers</button></div>@endif</div>
    @foreach ($form->pages as $index => [$width, $height])
        <section class="page alone" aria-label="Page {{ $index + 1 }}">
            <svg viewBox="0 0 {{ $width }} {{ $height }}">
                <image href="/library/{{ $form->number }}/pages/{{ $index + 1 }}.webp?v={{ \App\Papers\PageStore::stamp($form) }}"
                    width="{{ $width }}" height="{{ $height }}"/>
                @foreach ($form->blanksOn($index + 1) as $b)
                    <foreignObject x="{{ $b->place->x }}" y="{{ $b->place->y }}" width="{{ $b->place->width }}"
                        height="{{ $b->place->height }}">
                        @include('papers.blank', ['sent' => ['name', "answers[{$b->name}]"], 'value' => isset($answers[$b->name]) ?
                            $b->kind->show($answers[$b->name]) : '', 'off' => ! $mine || $b->binding !== null])
                    </foreignObject>
                @endforeach
            </svg>
        </section>
    @endforeach
    </form>
</x-layout>
