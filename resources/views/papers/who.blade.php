<x-layout :title="'Who can see '.$paper->title" place="files">
    <div class="head-row"><h1>Who can see it</h1><span class="dim"><a href="/papers/{{ $paper->key }}">{{ $paper->title }}</a> ·
        <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
    <div class="pairs-2">
        <section class="leaf pad"><h2>From outside, by a link</h2>
            @forelse ($links as $one)
                <div class="in-row line"><span><b>{{ $one['name'] }}</b> <span class="dim">{{ $one['how'] }}</span></span>
                    @if ($one['end'] !== null && $works)<form method="post" action="{{ $one['end'] }}">@csrf
                        <button class="button tight">End this link</button></form>
                    @else<a class="button tight plain" href="{{ $one['at'] }}">Open</a>@endif</div>
            @empty<p class="empty">No one outside can see this paper now.</p>@endforelse
        </section>
        <section class="leaf pad"><h2>Here</h2>
            <p class="dim small">Visible to {{ $paper->seenBy()->readable() }}.</p>
            <ul>@foreach ($inside as $one)<li><b>{{ $one['name'] }}</b> <span class="dim">{{ $one['why'] }}</span></li>@endforeach</ul>
        </section>
    </div>
</x-layout>
