@php($T = \Unanimus\Terms\Term::class)
<div class="flap" id="sheet">
    <h2>Terms <small>all stored {{ now()->setTimezone($file->office->zone)->format('H:i') }}</small></h2>
    <div class="facts">
        @foreach ([$T::Price, $T::EarnestMoney, $T::Financing, $T::LoanPercent] as $item)<x-fact :$file :$facts :$item :$faults :$typed at="file" />@endforeach
        @foreach (['loan_amount' => 'Loan amount', 'down_payment' => 'Down payment', 'balance' => 'Balance'] as $name => $label)
            @if ($facts->get($name))<span class="name">{{ $label }}</span><span title="{{ $facts->get($name)->source }}"><span class="computed">{{ \Unanimus\Money\Money::of($facts->value($name)) }}</span> <span class="from">computed</span></span>@endif
        @endforeach
        @foreach ([$T::Concessions, $T::OfferExpiry, $T::Acceptance, $T::Closing, $T::Possession, $T::InspectionDays, $T::LoanDays, $T::EscrowHolder, $T::Included] as $item)
            <x-fact :$file :$facts :$item :$faults :$typed at="file">@if (str_ends_with($item->value, '_days') && $facts->get($item->value))<span class="from">days</span>@endif</x-fact>
        @endforeach
    </div>
    @foreach ($contradictions as $told)<p class="late small">{{ $told }}</p>@endforeach
    <p class="small"><a href="/files/{{ $file->key }}/opening">All terms, property and people</a></p>
    <h2>Parties <small>{{ $file->parties->count() }}</small></h2>
    <ul class="people">
        @foreach ($file->parties->sortBy(fn ($party) => $party->seat()->order()) as $party)
            <li><x-seat :seat="$party->seat()" /> <span>{{ $party->name }}</span> <span class="reach">{{ $party->firm ?? ($party->email ? 'mail' : 'no mail yet') }}</span></li>
        @endforeach
    </ul>
    @if ($agenda->deadlines)
        <h2 id="deadlines">Deadlines</h2>
        <ul class="people">
            @foreach ($agenda->deadlines as $deadline)
                @php($isDone = in_array($deadline->name, $agenda->done, true))
                <li title="{{ $deadline->because }}">
                    <form method="post" action="/files/{{ $file->key }}/deadlines/{{ $deadline->name }}">@csrf<button class="button tight" aria-pressed="{{ $isDone ? 'true' : 'false' }}" aria-label="{{ $deadline->label }} {{ $isDone ? 'is done' : 'is open' }}">{{ $isDone ? '✓' : '○' }}</button></form>
                    <span @class(['ok' => $isDone, 'late' => ! $isDone && $deadline->due->isBefore($agenda->today)])>{{ $deadline->label }}</span><span class="reach">{{ $deadline->due->short($agenda->today->year()) }}</span>
                </li>
            @endforeach
        </ul>
    @endif
</div>
