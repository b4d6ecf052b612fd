<details class="countersign" @if ($places !== []) open @endif>
    <summary>Sign it as the broker</summary>
    <form method="post" action="/requirements/{{ $requirement->key }}/countersign" data-takes-pin>@csrf
        <input type="hidden" name="page"><input type="hidden" name="x"><input type="hidden" name="y">
        <p class="small">@if ($places !== []){{ count($places) === 1 ? 'It has a place' : 'It has '.count($places).' places' }} for you on
            page {{ collect($places)->pluck('page')->unique()->join(', ', ' and ') }}.
            @else It says nowhere that the broker signs. Pin the place on the page first.@endif</p>
        @if ($before)
            <svg class="own-hand" viewBox="0 0 240 50" role="img" aria-label="{{ $before->name }}">{!! $before->signatureIn(new
                \Unanimus\Pages\Rect(10, 5, 160, 40)) !!}{!! $before->initialsIn(new \Unanimus\Pages\Rect(180, 10, 50, 30)) !!}</svg>
            <input type="hidden" name="name" value="{{ $before->name }}"><input type="hidden" name="initials"
                value="{{ $before->initials }}">
        @else
            <label class="line"><span>Name</span><input class="input" name="name" value="{{ $user->name }}" maxlength="120"
                required></label>
            <label class="line"><span>Initials</span><input class="input" name="initials"
                value="{{ \App\Models\Party::initialsOf($user->name) }}" maxlength="8" required></label>
            <label class="line"><span>Style</span><span class="select"><select name="hand">
                @foreach (array_keys(\Unanimus\Signing\AdoptedSignature::HANDS) as $hand)<option value="{{ $hand }}">{{ ucfirst($hand) }}
                </option>@endforeach</select></span></label>
        @endif
        <label class="checkbox"><input type="checkbox" name="agree" value="1" required> I sign this electronically</label>
        <button class="button" data-weighs="sign it">Sign</button>
    </form>
</details>
