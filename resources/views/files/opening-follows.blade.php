<p class="dim small right">Saved at {{ \Unanimus\Dates\Moment::time(now(), $file->office->zone) }}</p>
@foreach ($contradictions as $told)<p class="late">{{ $told }}</p>@endforeach
@foreach ($twins ?? [] as $twin)
    <div class="say now">{{ $twin['told'] }} @if ($twin['go'])<a href="/files/{{ $twin['key'] }}">Open that file</a>@elseif ($twin['join'])
        <form method="post" action="/files/{{ $file->key }}/join/{{ $twin['key'] }}">@csrf
        <button class="button tight">Ask to join for our side</button></form>@endif</div>
@endforeach
<h2>What this file will contain</h2>
<ul class="will">
    @foreach ($file->papers->where('state', '<>', \Unanimus\Files\PaperState::Void) as $paper)
        <li><b>{{ $paper->title }}</b><small>{{ $paper->form_number ?? 'from outside' }} · {{ $paper->reason }}</small></li>
    @endforeach
</ul>
@if ($facts->value('loan_amount') || $facts->value('balance') || $facts->value('price_per_area'))
    <h2>Calculated</h2>
    <div class="facts">
        @foreach (['loan_amount' => 'Loan', 'down_payment' => 'Down payment', 'balance' => 'Balance at closing', 'cash_at_closing' =>
            'Cash at closing', 'price_per_area' => 'Per square foot'] as $name => $label)
            @if ($facts->get($name))<span class="name">{{ $label }}</span><span><span
                class="computed">{{ \Unanimus\Money\Money::of($facts->value($name)) }}</span>
                <span class="from">= {{ $facts->get($name)->source }}</span></span>@endif
        @endforeach
    </div>
@endif
@if ($agenda->deadlines)
    <h2>Dates</h2>
    <ul class="will">@foreach ($agenda->deadlines as $deadline)<li><span><b>{{ $deadline->due->short($agenda->today->year()) }}</b>
        {{ $deadline->label }}</span><small>{{ $deadline->because }}</small></li>@endforeach</ul>
@endif
<h2>Seats</h2>
<ul class="people">
    @foreach ($file->parties->sortBy(fn ($party) => $party->seat()->order()) as $party)
        <li><x-seat :seat="$party->seat()" /> {{ $party->name }} <span class="reach">{{ $party->firm ?? $party->seat()->label() }}</span>
            </li>
    @endforeach
</ul>
