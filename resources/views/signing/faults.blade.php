@php([$blocking, $worth] = collect($faults)->partition(fn ($fault) => $fault->kind->isBlocking()))
@if ($blocking->isNotEmpty())
    <h2 class="minor">Before you can send</h2>
    <ul class="faults">
        @foreach ($blocking as $fault)
            <li>{{ $fault->text }}
                @if ($fault->kind === \Unanimus\Signing\RoundFaultKind::InPencil)
                    <button type="button" class="button tight" data-keep>Keep all</button>
                @elseif ($fault->kind === \Unanimus\Signing\RoundFaultKind::BlankMissing && ! auth()->user()->guest)
                    <a href="/papers/{{ $fault->paper }}">Fix</a>
                @endif
            </li>
        @endforeach
    </ul>
@endif
@if ($worth->isNotEmpty())
    <h2 class="minor">Please check</h2>
    <ul class="faults">
        @foreach ($worth as $fault)
            <li>{{ $fault->text }}
                @if ($fault->kind === \Unanimus\Signing\RoundFaultKind::WithoutInitials)
                    <button type="button" class="button tight" data-every="{{ $fault->mark }}">Add them</button>
                @elseif ($fault->mark !== null)
                    <button type="button" class="button tight" data-show="{{ $fault->mark }}">Show</button>
                @elseif ($fault->kind === \Unanimus\Signing\RoundFaultKind::NameDiffers)
                    <button type="button" class="button tight" data-names>Take the name from the file</button>
                @endif
            </li>
        @endforeach
    </ul>
@endif
