<p class="say now" id="held-here" hidden>
    <b></b> on this file. <button class="button tight" type="button" data-held>See unsaved entries</button></p>
<div class="file-head">
    <div><h1>{{ $file->name }}</h1>
        @if ($file->practice)<span class="practice">Practice</span>@endif

        <x-status :status="$file->status" />@foreach ($file->labels as $label)<span class="label">{{ $label }}</span>@endforeach
        <div class="dim">
            {{ $file->sides() }}
            @if ($file->kind->isDeal())· {{ $file->kind->value }}@endif
            @if ($facts->value('property.year_built')) · built {{ $facts->value('property.year_built') }}@endif
            @if ($file->listing_number) · {{ $file->listing_number }}@endif · {{ $facts->value('agent.1.name') ?? $file->office->name }}
            </div>
    </div>
    <div class="price">
        <b>{{ $facts->value('price') ? \Unanimus\Money\Money::of($facts->value('price')) : '' }}</b>
        @if (! $file->status->isOpen())
            <span class="dim">{{ $file->status->readable() }}@if ($file->ended_on)
                <strong>{{ $file->ended_on->short($agenda->today->year()) }}</strong>@endif</span>
        @elseif ($agenda->daysToClosing() !== null)
            <span class="dim">{{ $agenda->daysToClosing() < 0 ? 'was to close' : 'closes' }}
                <strong>{{ $agenda->anchors['closing']['day']->short($agenda->today->year()) }}</strong>
                · {{ $agenda->anchors['closing']['day']->from($agenda->today) }}</span>
        @endif
        @can('see-commission', $file)@php($brings = \App\Commission\Brings::of($file))@if ($brings->gross)<span
            class="dim brings">{{ $brings->stands() === 'authorized' ? 'commission' : 'commission expected' }} {{
            $brings->gross }}</span>@endif
        @endcan
    </div>
</div>
@if (! $file->kind->isDeal())
    @if ($file->put_into)<p class="say">These papers are in <a href="/files/{{ $file->putInto?->key }}">{{ $file->putInto?->name ??
        'a file you do not see' }}</a>.</p>@endif
@elseif ($line)<div class="deal-line-wrap" tabindex="0" role="region" aria-label="Deal line" data-scroll-to=".today">
    <x-deal-line :$line :$file :moves="$works ?? Gate::allows('work-on', $file)" /></div>@else<p class="dim small">
    The deal line appears once there is an acceptance, closing, or expiration date.</p>@endif
