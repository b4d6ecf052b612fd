<x-layout :title="$item->title.' in '.$kit->name" place="office">
    <div class="head-row"><h1>{{ $item->title }}</h1>
        <span class="dim">in <a href="/kits/{{ $kit->key }}">{{ $kit->name }}</a>: added {{ $item->when->isEmpty() ? 'always' :
        'when '.$item->when->words() }}</span></div>
    <form method="post" action="/kits/{{ $stored?->key }}" class="leaf pad">
        @csrf @method('put')<input type="hidden" name="part" value="item"><input type="hidden" name="place" value="{{ $place }}"><input
            type="hidden" name="seen" value="{{ $stored->version ?? 0 }}">
        <h2>Only when</h2>
        <p class="dim">With no conditions, the paper is always added.</p><br>
        @include('requirements.conditions')
        @if ($mine)<button class="button now">Save conditions</button>@else<p class="dim">Copy the kit to change it.</p>@endif
    </form>
</x-layout>
