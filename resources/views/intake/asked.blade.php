<ul class="asked-list">
    @foreach ($asked as $asking)
        @php($open = $asking->asked->filter(fn ($one) => $one->title !== '' && $one->brought === []))
        <li><span><b>{{ $asking->name }}</b> <span class="dim">{{ $asking->asked->where('title', '<>', '')->map(fn ($one) => $one->title.
            ($one->brought === [] ? '' : ' ✓'))->implode(', ') }}</span><br>
            <span class="dim small">{{ $asking->ended_at ? 'ended' : ($open->isEmpty() ? 'everything arrived' :
                'until '.$asking->last_day->short($file->office->today()->year()).
                ($asking->opened_at ? ', opened' : ', not opened yet')) }}</span></span>
            @if (! $asking->ended_at && $asking->last_day->iso() >= $file->office->today()->iso())
                <span class="acts">
                @if ($open->isNotEmpty() && $asking->email !== '')<form class="inline" method="post"
                    action="/paper-requests/{{ $asking->key }}/remind">@csrf<button class="button tight">Remind</button></form>@endif
                <input class="input short" readonly value="{{ $asking->link() }}" aria-label="Link for {{ $asking->name }}">
                <form class="inline" method="post" action="/paper-requests/{{ $asking->key }}/end">@csrf<button
                    class="button tight plain">End</button></form></span>
            @endif</li>
    @endforeach
</ul>
