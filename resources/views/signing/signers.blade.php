@php($turns = $round->signers->groupBy('turn')->sortKeys())
@php($counts = array_count_values($round->marks->map(fn ($mark) => $mark->seat)->all()))
@foreach ($turns as $turn => $together)
<section class="turn-band" data-turn="{{ $turn }}" aria-label="Turn {{ $loop->iteration }}">
<h3 class="small">{{ $turns->count() === 1 ? 'All together' : ($loop->first ? 'First' : ($loop->last ? 'Last' : 'Then')) }}</h3>
@foreach ($together as $signer)
    @php($ours = $file->isOwnAffair($signer->seatOf()->side()))
    @php($count = $counts[$signer->seat] ?? 0)
    <div class="signer-row" data-signer="{{ $signer->key }}" tabindex="0" draggable="true" role="group"
        aria-label="{{ $signer->name }}, turn {{ $loop->parent->iteration }}"
        title="Drag to another turn, or press Alt and the arrow keys">
        <div class="top"><span class="grip" aria-hidden="true">⠿</span><x-seat :seat="$signer->seatOf()" />
            <b>{{ $signer->name }}</b></div>
        @if ($signer->party?->user_id !== null)
            <span class="dim small">{{ $signer->email }}</span>
        @elseif ($ours)
            <input class="input" type="email" name="addresses[{{ $signer->key }}]" value="{{ $signer->email }}"
                placeholder="email address" aria-label="Email address of {{ $signer->name }}">
        @else
            <span class="dim small">{{ $signer->email
                ? 'at the address their own agent has'
                : 'no address yet. Their own agent adds it.' }}</span>
        @endif
        <details class="note" @if ($signer->note !== '' || $signer->code !== null) open @endif>
            @php($does = $signer->part->value === 'signs' ? $count.' '.Str::plural('place', $count) : $signer->part->label())
            @php($reads = $signer->language->value === 'en' ? '' : " · reads in {$signer->language->label()}")
            <summary class="small">{{ $does.$reads }} · more<span class="unseen"> about {{ $signer->name }}</span></summary>
            <label class="line"><span>Words for {{ $signer->name }} alone</span><textarea class="textarea" name="notes[{{ $signer->key }}]"
                maxlength="1000" rows="2">{{ $signer->note }}</textarea></label>
            @if ($ours)
                <label class="line"><span>Access code, told by phone</span><input class="input" name="codes[{{ $signer->key }}]"
                    value="{{ $signer->code }}" maxlength="12" autocomplete="off" placeholder="4 to 12 letters and digits"></label>
            @endif
            <label class="line"><span>Reads in</span><select name="languages[{{ $signer->key }}]">
                @foreach (\Unanimus\Parties\Language::cases() as $language)<option value="{{ $language->value }}"
                    @selected($signer->language === $language)>{{ $language->label() }}</option>@endforeach</select></label>
            <label class="line"><span>Turn: those with the same are asked together</span><input class="input" type="number" min="1"
                max="9" name="turns[{{ $signer->key }}]" value="{{ $signer->turn }}"></label>
            @if ($signer->party_id === null)<button class="button tight plain"
                form="into-{{ $signer->key }}">Add them to the file</button>@endif
            <button class="button tight plain" form="drop-{{ $signer->key }}">Remove from this round</button>
        </details>
    </div>
@endforeach
</section>
@endforeach
@if ($round->signers->count() > 1)<section class="turn-band open" data-turn="{{ $turns->keys()->last() + 1 }}" aria-hidden="true">
    Drop someone here to sign after the others</section>@endif
