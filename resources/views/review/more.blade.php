@if ($requirement->due_on)<p class="small">Due {{ $requirement->due_on->long() }}.</p>@endif
@if ($requirement->note !== '')<p class="small dim">{{ $requirement->note }}</p>@endif
@if ($requirement->review_state->isSettled())<p class="small dim">{{ $requirement->review_state->label() }}.</p>
@elseif ($requirement->off_asked_at)
    <p class="small">The broker is asked whether it applies: {{ $requirement->off_asked_why }}</p>
    <form method="post" action="/requirements/{{ $requirement->key }}/off">@csrf @method('delete')<button class="button tight">It applies
        after all</button></form>
@elseif ($requirement->review_state->value !== 'submitted')
    <form method="post" action="/requirements/{{ $requirement->key }}/off">@csrf
        <label class="line"><span>Why it does not apply</span><input class="input" name="reason" maxlength="500" required
            autocomplete="off"></label>
        <button class="button tight">Ask the broker to leave it out</button></form>
@endif
@if ($requirement->paper?->is_action && $requirement->paper->done_note !== '' && ! $requirement->review_state->isWithReviewer())
    <form method="post" action="/papers/{{ $requirement->paper->key }}/done">@csrf @method('delete')<button class="button tight">Not done
        after all</button></form>@endif
@if (! $requirement->review_state->isSettled() && $requirement->review_state->value !== 'submitted')
    @foreach ($requirement->further as $one)
        <form method="post" action="/requirements/{{ $requirement->key }}/papers/{{ $one->key }}" class="in-row">@csrf @method('delete')
            <span class="small">with {{ $one->title }}</span><button class="button tight plain">Take it off</button></form>
    @endforeach
    @if ($papers->isNotEmpty())<form method="post" action="/requirements/{{ $requirement->key }}/papers">@csrf
        <label class="line"><span>Another paper counts for it</span><span class="select"><select name="paper"><option value=""></option>
            @foreach ($papers as $one)<option value="{{ $one->key }}">{{ $one->title }}</option>@endforeach</select></span></label>
        <button class="button tight">Add it</button></form>@endif
@endif
