@use(Unanimus\Signing\RoundFaultKind)
@php($sent = $fault->paper === null ? null : $sentByKey[$fault->paper] ?? null)
@php($guest = auth()->user()->guest)
<li>{{ $fault->text }}
    @if ($fault->kind === RoundFaultKind::InPencil)
        <button type="button" class="button tight" data-keep>Keep all</button>
    @elseif ($fault->kind === RoundFaultKind::BlankMissing && ! $guest)
        <a href="/papers/{{ $fault->paper }}">Fill it in</a>
    @elseif ($fault->kind === RoundFaultKind::NoAddress)
        <button type="button" class="button tight" data-enter="addresses[{{ $fault->signer }}]">Enter it</button>
    @elseif ($fault->kind === RoundFaultKind::NothingToSign)
        <button class="button tight" form="drop-{{ $fault->signer }}">Remove from this round</button>
    @elseif (in_array($fault->kind, [RoundFaultKind::PaperUnsigned, RoundFaultKind::PaperNotOpen], true) && $sent !== null)
        <button class="button tight" form="out-{{ $sent->position }}">Take it out</button>
    @elseif ($fault->kind === RoundFaultKind::PagesUnseen && $sent !== null)
        <button type="button" class="button tight" data-look="{{ $sent->position }}">Look at {{
            $fault->pages === 1 ? 'it' : 'them' }}</button>
    @elseif ($fault->kind === RoundFaultKind::LastDayPast)
        <button type="button" class="button tight" data-enter="last_day">Change the last day</button>
    @elseif ($fault->day !== null)
        @php($day = $fault->day->short($round->file->office->today()->year()))
        <button type="button" class="button tight" data-last-day="{{ $day }}">Make it {{ $day }}</button>
    @elseif ($fault->kind === RoundFaultKind::WithoutInitials)
        <button type="button" class="button tight" data-every="{{ $fault->mark }}">Add them</button>
    @elseif ($fault->mark !== null)
        <button type="button" class="button tight" data-show="{{ $fault->mark }}">Show</button>
    @elseif ($fault->kind === RoundFaultKind::NameDiffers)
        <button type="button" class="button tight" data-names>Use the name in the file</button>
    @elseif ($fault->kind === RoundFaultKind::FactUnchecked && ! $guest)
        <span class="checked-facts"><input class="input" name="against" form="checked-facts" maxlength="120" autocomplete="off"
            aria-label="Checked against" placeholder="checked against: county record, deed" required>
            <button class="button tight" form="checked-facts">Mark as checked</button></span>
    @endif
</li>
