<x-layout :title="$file->name.': retention'" place="files">
    <div class="file-head"><div><h1>How long this file is kept</h1><span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name
        }}</a></span></div></div>
    <div class="leaf pad">
        @php($until = $clock->clock->until)
        @if ($clock->ended === null)
            <p>This file is {{ $file->status->readable() }}. The clock starts on the day it closes or ends.</p>
        @else
            <p>{{ $file->status->label() }} {{ $clock->ended->long() }}. @if ($clock->years === null)No period is set for such files in {{
                $file->office->name }}, so it is kept permanently.
                @else Kept by the rule “{{ $clock->byRule() }}”, until <b>{{ $until?->long() }}</b>.@endif</p>
            @if ($until)<svg class="clock-line" viewBox="0 0 560 22" role="img" aria-label="{{ $clock->elapsed() }}% of its time is over">
                <rect class="whole" x="0" y="6" width="560" height="10" rx="5"/><rect class="over" x="0" y="6" width="{{ 5.6 *
                    $clock->elapsed() }}" height="10" rx="5"/><line x1="{{ 5.6 * $clock->elapsed() }}" x2="{{ 5.6 * $clock->elapsed() }}"
                    y1="0" y2="22"/></svg>@endif
            @if ($clock->clock->purgedOn)<p class="late"><b>It will be purged on {{ $clock->clock->purgedOn->long() }}</b>, with everything
                in it. Download the <a href="/files/{{ $file->key }}/book.zip">folder for the archive</a> first if anyone needs it, or put
                it on hold.</p>@endif
        @endif
        @if ($clock->hold)
            <p><b>On hold</b> since {{ \App\Terms\When::list($clock->hold->created_at, $file->office->zone) }}@if ($runs): {{
                $clock->hold->reason }} ({{ $clock->hold->placer?->name }})@endif. Nothing is purged while it is.</p>
        @endif
        <div class="in-row">
            @if ($archives && ! $file->status->isOpen())<form method="post" action="/files/{{ $file->key }}/archive">@csrf<input
                type="hidden"
                name="archived" value="{{ $file->archived_at ? 0 : 1 }}"><button class="button">{{ $file->archived_at ?
                'Take out of the archive' : 'Archive file' }}</button></form>@endif
            @if ($runs && $clock->hold)<form method="post" action="/files/{{ $file->key }}/hold/lift">@csrf<button class="button">Lift
                hold</button></form>@endif
        </div>
        @if ($runs && ! $clock->hold)
            <form method="post" action="/files/{{ $file->key }}/hold" class="in-row">@csrf<label class="line wide"><span>Do not purge,
                because</span><input
                class="input" name="reason" maxlength="300" value="{{ old('reason') }}" placeholder="a claim, an audit, a subpoena"
                autocomplete="off"></label><button class="button">Put on hold</button></form>
        @endif
        @if (count($holds) > 0)<h2>Earlier holds</h2><ul class="plain">@foreach ($holds as $hold)<li>{{ $hold->reason }} <span
            class="dim">{{
            \App\Terms\When::list($hold->created_at, $file->office->zone) }} to {{ \App\Terms\When::list($hold->lifted_at,
            $file->office->zone) }}, {{ $hold->placer?->name }}</span></li>@endforeach</ul>@endif
    </div>
</x-layout>
