<x-layout title="Working copy" place="files">
    <div class="head-row"><h1>Working copy for {{ $copy->name }}</h1>
        <span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a> · {{ $copy->ended_at ? 'ended' :
            ($copy->isOpen($file->office->today()) ? 'until '.$copy->last_day->short($file->office->today()->year()) :
            'last day has passed') }} · {{ $copy->opened_at ? 'first opened '.\App\Terms\When::list($copy->opened_at, $file->office->zone) :
            'not opened yet' }}</span></div>
    <div class="columns-2">
        <div class="leaf pad"><h2>Papers</h2>
            @foreach ($copy->papers as $one)
                @continue($one->paper === null)
                <div class="in-row line"><span><a href="/papers/{{ $one->paper->key }}"><b>{{ $one->paper->title }}</b></a> <span
                    class="dim">{{ $one->returned_at === null ? 'not back yet' : ['taken' => 'came back and was taken', 'left' =>
                    'came back and was not taken'][$one->settled] ?? 'came back signed' }}</span></span>
                    @if ($one->returned_at !== null)<a class="button tight" target="_blank"
                        href="/working-copies/{{ $copy->key }}/papers/{{ $one->key }}/signed.pdf">Look at it</a>@endif</div>
            @endforeach
        </div>
        <div class="leaf pad"><h2>Link</h2>
            <p>{{ $copy->agent() }}{{ $copy->email === '' ? '' : ", {$copy->email}" }}</p>
            @if ($works && $copy->isOpen($file->office->today()))
                <label class="line"><span>Only for {{ $copy->name }}</span><input class="input" readonly
                    value="{{ $copy->link() }}"></label>
                <form method="post" action="/working-copies/{{ $copy->key }}/end">@csrf<button class="button">End this link</button></form>
            @else<p class="empty">No one can open it any more.</p>@endif
        </div>
    </div>
</x-layout>
