<x-layout :title="'What changed: '.$requirement->title" place="review">
    <div class="desk-bar"><h1>What changed</h1>
        <span class="dim"><a href="/review/{{ $requirement->key }}">{{ $requirement->title }}</a> ·
            <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span>
        <div class="acts"><a class="button tight now" href="/review/{{ $requirement->key }}">Back to the desk</a></div></div>
    @if ($changes->values !== [])
        <div class="leaf pad"><table class="ledger"><thead><tr><th>Blank</th><th>When you read it</th><th>Now</th></tr></thead><tbody>
            @foreach ($changes->values as $one)<tr><td>{{ $one['label'] }}</td><td class="dim">{{ $one['before'] ?: 'empty' }}</td>
                <td><b>{{ $one['after'] ?: 'empty' }}</b></td></tr>@endforeach</tbody></table></div>
    @endif
    @forelse ($changes->pages as $page => $places)
        <section class="before-after" aria-label="Page {{ $page }}">
            <h2 class="minor">Page {{ $page }}: {{ count($places) === 1 ? '1 place' : count($places).' places' }}</h2>
            <div>
                <figure>@if ($page <= $changes->before->pages)<img loading="lazy"
                    src="/review/{{ $requirement->key }}/before/{{ $page }}.webp" alt="Page {{ $page }} as you read
                    it">@else<p class="empty">This page was not there.</p>@endif
                    <figcaption class="dim">When you read it</figcaption></figure>
                <figure><svg viewBox="0 0 612 792" role="img" aria-label="Page {{ $page }} now"><image width="612" height="792"
                    href="/papers/{{ $requirement->paper->key }}/pages/{{ $page }}.webp"/>
                    @foreach ($places as $place)<rect class="differs" x="{{ $place->x - 2 }}" y="{{ $place->y - 2 }}"
                        width="{{ $place->width + 4 }}" height="{{ $place->height + 4 }}"/>@endforeach</svg>
                    <figcaption class="dim">Now</figcaption></figure>
            </div>
        </section>
    @empty
        <p class="leaf pad empty">No page looks otherwise than when you read it.</p>
    @endforelse
</x-layout>
