<div class="flap">
    <h2>No deal yet</h2>
    <p class="small">These papers are signed, sealed and kept like all others. They are not reviewed, and no commission comes of them.</p>
    @if ($works && ! $file->put_into)
        <form method="post" action="/files/{{ $file->key }}/put-into">@csrf
            <label class="line"><span>Put them into a file: its name or listing number</span><input class="input" name="to" maxlength="200"
                required autocomplete="off" list="own-files"></label>
            <datalist id="own-files">@foreach ($deals as $name)<option value="{{ $name }}"></option>@endforeach</datalist>
            <button class="button tight">Put them in</button></form>
    @endif
    <h2>People <small>{{ $file->parties->count() }}</small></h2>
    <ul class="people">
        @foreach ($file->parties->sortBy(fn ($party) => $party->seat()->order()) as $party)
            <li><x-seat :seat="$party->seat()" /> <span>{{ $party->name }}</span>
                <span class="reach ways">@if ($party->email)<a href="mailto:{{ $party->email }}">email<span class="unseen">
                    {{ $party->name }}</span></a>@else no email yet @endif</span></li>
        @endforeach
    </ul>
    @can('work-on', $file)<p class="small"><a href="/files/{{ $file->key }}/opening">Change people</a></p>@endcan
</div>
