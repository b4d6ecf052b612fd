{{-- Papers that signers are asked to add while they sign. --}}
@php($askable = $round->signers->filter(fn ($one) => $one->part->value === 'signs' && $file->isOwnAffair($one->seatOf()->side())))
@php($expected = $file->papers->where('state', \Unanimus\Files\PaperState::Expected))
@foreach ($round->signers as $one)
    @foreach ($one->asks() as $ask)
        <form class="asked-paper" method="post" action="/rounds/{{ $round->key }}/signers/{{ $one->key }}/asks/{{ $ask->key }}">@csrf
            @method('delete')<x-seat :seat="$one->seatOf()" /> <span>adds <b>{{ $ask->title }}</b>{{ $ask->isRequired ? '' :
            ', if they like' }}</span>
            <button class="plain-button" title="Do not ask for it"><span aria-hidden="true">×</span><span class="unseen">Do not ask
            {{ $one->name }} for {{ $ask->title }}</span></button></form>
    @endforeach
@endforeach
@if ($askable->isNotEmpty())
    <details class="note"><summary class="small">Ask a signer for a paper</summary>
        <form method="post" action="/rounds/{{ $round->key }}/asks">@csrf
            <label class="line"><span>Who adds it</span><select name="signer">
                @foreach ($askable as $one)<option value="{{ $one->key }}">{{ $one->name }}</option>@endforeach</select></label>
            <label class="line"><span>What</span><input class="input" name="title" maxlength="120" autocomplete="off" list="expected-papers"
                placeholder="pre-approval letter" required></label>
            <datalist id="expected-papers">@foreach ($expected as $paper)<option value="{{ $paper->title }}"></option>
                @endforeach</datalist>
            <label class="checkbox small"><input type="checkbox" name="optional" value="1"> They may finish without it</label>
            <button class="button tight">Ask for it</button></form></details>
@endif
