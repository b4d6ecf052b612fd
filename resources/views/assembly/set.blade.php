<x-layout title="Combined papers" place="files">
    <div class="head-row"><h1>Combined papers</h1><span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a>
        · {{ \App\Terms\When::list($set->created_at, $file->office->zone) }} · {{ count($set->papers) === 1 ? '1 paper' :
        count($set->papers).' papers' }}</span>
        <span class="right"><form method="post" action="/files/{{ $file->key }}/assembling">@csrf @foreach ($set->papers as $key)<input
            type="hidden" name="papers[]" value="{{ $key }}">@endforeach<button
            class="button">Start again with changes</button></form></span></div>
    <div class="columns-2">
        <div><div class="leaf pad">@include('assembly.standing')</div><br>
            <div class="leaf pad"><h2>Papers in it</h2><ol class="sequence">@foreach ($titles as $title)<li>{{ $title }}</li>@endforeach
                </ol></div></div>
        <div>
            @if ($works)
            <div class="leaf pad"><h2>Give someone a reading copy</h2>
                <form method="post" action="/sets/{{ $set->key }}/reading-copies" class="care">@csrf
                    <label class="line"><span>Name</span><input class="input" name="name" value="{{ old('name') }}" maxlength="120"
                        required autocomplete="off"></label>
                    <label class="line"><span>Email address (leave empty to share the link yourself)</span><input class="input"
                        type="email" name="email" value="{{ old('email') }}" maxlength="200" autocomplete="off"></label>
                    <label class="line"><span>Reads in</span><select name="language">
                        @foreach (\Unanimus\Parties\Language::cases() as $language)<option value="{{ $language->value }}"
                            @selected(old('language') === $language->value)>{{ $language->label() }}</option>@endforeach</select></label>
                    <label class="line"><span>Last day</span><input class="input" name="last_day"
                        value="{{ old('last_day', $file->office->today()->plusDays(14)->long()) }}" required autocomplete="off"></label>
                    <label class="line"><span>Message</span><textarea class="textarea" name="message"
                        rows="2">{{ old('message') }}</textarea></label>
                    <button class="button now" @disabled(! $set->isReady())>Create reading copy</button></form>
            </div><br>
            @endif
            @if ($set->copies->isNotEmpty())<div class="leaf pad"><h2>Reading copies</h2>
                @foreach ($set->copies as $copy)
                    @php($looks = $copy->looks())
                    <div class="asked"><p><b>{{ $copy->name }}</b> <span class="dim">{{ $copy->email }}
                        · {{ $copy->ended_at ? 'ended' : ($copy->isOpen() ? 'until '.$copy->last_day->short($file->office->today()->year())
                        : 'last day has passed') }}</span></p>
                        @if ($looks === [])<p class="dim small">Not opened yet.</p>@else
                        <details class="by-hand">
                            <summary>Opened {{ ($times = count(array_filter($looks, fn ($look) => $look->what === 'opened'))) === 1 ?
                            '1 time' : $times.' times' }}, last on {{ \App\Terms\When::list(new \DateTimeImmutable($looks[0]->at),
                            $file->office->zone) }}</summary>
                            <table class="ledger"><tbody>@foreach ($looks as $look)<tr><td>
                                {{ \Unanimus\Dates\Moment::record(new \DateTimeImmutable($look->at), $file->office->zone) }}</td><td>
                                {{ ['opened' => 'opened', 'downloaded' => 'downloaded', 'refused' => 'tried after it ended'][$look->what] }}
                                </td><td class="dim">{{ $look->address }}</td></tr>@endforeach</tbody></table></details>@endif
                        @if ($works && $copy->isOpen())
                            <form method="post" action="/reading-copies/{{ $copy->key }}/end" class="in-row">@csrf
                            <button class="button tight plain">End reading copy</button></form>@if ($copy->email === '')
                            <span class="small dim">link: {{ $copy->link() }}</span>@endif @endif
                    </div>
                @endforeach
            </div>@endif
        </div>
    </div>
</x-layout>
