@foreach ($contradictions as $told)<p class="late small">{{ $told }}</p>@endforeach
@php($follows = ['loan_amount' => 'Loan amount', 'down_payment' => 'Down payment', 'balance' => 'Balance', 'cash_at_closing' =>
    'Cash at closing', 'price_per_area' => 'Per square foot'])
@if (collect($follows)->keys()->contains(fn ($name) => $facts->get($name)))
    <h2>Calculated</h2>
    <div class="facts">
        @foreach ($follows as $name => $label)
            @if ($facts->get($name))<span class="name">{{ $label }}</span><span title="{{ $facts->get($name)->source }}"><span
                class="computed">{{ \Unanimus\Money\Money::of($facts->value($name)) }}</span> <details class="how">
                <summary>how</summary>{{ $facts->get($name)->source }}</details></span>@endif
        @endforeach
    </div>
@endif
<h2>Parties <small>{{ $file->parties->count() }}</small></h2>
<ul class="people">
    @foreach ($file->parties->sortBy(fn ($party) => $party->seat()->order()) as $party)
        <li><x-seat :seat="$party->seat()" /> <span>{{ $party->name }}@if ($party->firm)<small
            class="dim">, {{ $party->firm }}</small>@endif</span>
            <span class="reach ways">
                @if ($party->phone)<a href="tel:{{ \Unanimus\Terms\Phone::link($party->phone) }}" title="{{ $party->phone }}">call<span
                    class="unseen"> {{ $party->name }}</span></a> <a href="sms:{{ \Unanimus\Terms\Phone::link($party->phone) }}">text<span
                    class="unseen"> {{ $party->name }}</span></a>@endif
                @if ($party->email)
                    @if ($works ?? false)<form method="post" action="/files/{{ $file->key }}/messages" class="inline at-a-desk">@csrf<input
                        type="hidden" name="to" value="{{ $party->seat() }}"><button class="plain-link">write<span class="unseen"> to {{
                        $party->name }}</span></button></form>@endif
                    <a href="mailto:{{ $party->email }}" @class(['on-the-way' => $works ?? false])>email<span
                        class="unseen"> {{ $party->name }}</span></a>
                @elseif (! $party->phone) no email yet @endif
            </span></li>
    @endforeach
</ul>
@if ($agenda->deadlines)
    <h2 id="deadlines">Deadlines</h2>
    <ul class="people">
        @foreach ($agenda->deadlines as $deadline)
            @php($isDone = in_array($deadline->name, $agenda->done, true))
            <li title="{{ $deadline->because }}">
                <form method="post" action="/files/{{ $file->key }}/deadlines/{{ $deadline->name }}">@csrf<input type="hidden" name="done"
                    value="{{ $isDone ? 0 : 1 }}"><button class="button tight" aria-pressed="{{ $isDone ? 'true' : 'false' }}"
                    aria-label="{{ $deadline->label }} {{ $isDone ? 'is done' : 'is open' }}">{{ $isDone ? '✓' : '○' }}</button></form>
                <span @class(['ok' => $isDone, 'late' => ! $isDone &&
                    $deadline->due->isBefore($agenda->today)])>{{ $deadline->label }}</span><span
                    class="reach">{{ $deadline->due->short($agenda->today->year()) }}</span>
            </li>
        @endforeach
    </ul>
@endif
