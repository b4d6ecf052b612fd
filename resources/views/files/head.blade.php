<div class="file-head">
    <div><h1>{{ $file->name }}</h1><x-status :status="$file->status" />@foreach ($file->labels() as $label)<span class="label">{{ $label }}</span>@endforeach
        <div class="dim">{{ $file->sides() }} · {{ $file->kind }}@if ($facts->value('property.year_built')) · built {{ $facts->value('property.year_built') }}@endif @if ($file->listing_number) · {{ $file->listing_number }}@endif · {{ $facts->value('agent.1.name') ?? $file->office->name }}</div>
    </div>
    <div class="price">
        <b>{{ $facts->value('price') ? \Unanimus\Money\Money::of($facts->value('price')) : '' }}</b>
        @if ($agenda->daysToClosing() !== null)
            <span class="dim">closes <strong>{{ $agenda->anchors['closing']['day']->short($agenda->today->year()) }}</strong> · {{ $agenda->daysToClosing() >= 0 ? 'in '.$agenda->daysToClosing().' days' : abs($agenda->daysToClosing()).' days ago' }}</span>
        @endif
    </div>
</div>
@if ($line)<x-deal-line :$line :$file :moves="$works ?? Gate::allows('work-on', $file)" />@else<p class="dim small">The deal line is drawn once there is an acceptance, closing or expiry date.</p>@endif
