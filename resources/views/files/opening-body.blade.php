@php($P = \Unanimus\Terms\PropertyFact::class)
@php($T = \Unanimus\Terms\Term::class)
<div class="leaf opening" id="sheet">
    <section>
        <h2>Property</h2>
        <form method="post" action="/files/{{ $file->key }}/listing" class="first-field">
            @csrf
            <label class="unseen" for="number">Listing number</label>
            <input class="input" id="number" name="number" value="{{ $file->listing_number }}" placeholder="Listing number, TR-26-…" maxlength="40" autocomplete="off">
            <button class="button">{{ $file->listing_number ? 'Read again' : 'Bring in' }}</button>
        </form>
        <div class="pairs">
            <div class="facts">@foreach ([$P::Street, $P::Unit, $P::City, $P::County, $P::State, $P::Zip, $P::YearBuilt, $P::ListPrice] as $item)<x-fact :$file :$facts :$item :$faults :$typed />@endforeach</div>
            <div class="facts">@foreach ([$P::Parcel, $P::Lot, $P::Block, $P::Subdivision, $P::Legal, $P::Septic, $P::Association] as $item)<x-fact :$file :$facts :$item :$faults :$typed />@endforeach</div>
        </div>
        <h2>People</h2>
        <div class="who dim small" aria-hidden="true"><span></span><span>legal name</span><span>signs as</span><span>initials</span><span>mail, never printed</span></div>
        @php($seats = ['buyer.1', 'buyer.2', 'seller.1', 'seller.2'])
        @foreach ($seats as $key)
            @php($seat = \Unanimus\Signing\Seat::of($key))
            @php($party = $file->parties->first(fn ($party) => (string) $party->seat() === $key))
            <form class="who" hx-put="/files/{{ $file->key }}/parties/{{ $key }}" hx-trigger="change" hx-target="#sheet">
                <x-seat :seat="$seat" />
                <input class="input" id="{{ $key }}-name" name="name" value="{{ $party?->name }}" placeholder="{{ ucfirst($seat->label()) }}" aria-label="{{ ucfirst($seat->label()) }}, legal name" autocomplete="off">
                <input class="input" id="{{ $key }}-signs" name="signing_name" value="{{ $party?->signing_name }}" aria-label="{{ ucfirst($seat->label()) }}, name to sign with" autocomplete="off">
                <input class="input" id="{{ $key }}-initials" name="initials" value="{{ $party?->initials }}" aria-label="{{ ucfirst($seat->label()) }}, initials" autocomplete="off">
                <input class="input" id="{{ $key }}-email" name="email" value="{{ $party?->email }}" aria-label="{{ ucfirst($seat->label()) }}, mail address" autocomplete="off">
            </form>
            @isset($faults[$key])<p class="late">{{ $faults[$key] }}</p>@endisset
        @endforeach
        <h2>Terms of the offer</h2>
        <div class="pairs">
            <div class="facts">@foreach ([[$T::Price, '412,500 or 450k'], [$T::EarnestMoney, ''], [$T::Financing, ''], [$T::LoanPercent, '96.5'], [$T::Concessions, ''], [$T::EscrowHolder, ''], [$T::Lender, ''], [$T::Included, '']] as [$item, $hint])<x-fact :$file :$facts :$item :$hint :$faults :$typed />@endforeach</div>
            <div class="facts">@foreach ([[$T::OfferDate, '11/23'], [$T::OfferExpiry, ''], [$T::OfferExpiryTime, '5pm'], [$T::Closing, '18 Dec'], [$T::Possession, ''], [$T::EarnestDays, 'days'], [$T::InspectionDays, 'days'], [$T::AppraisalDays, 'days'], [$T::LoanDays, 'days']] as [$item, $hint])<x-fact :$file :$facts :$item :$hint :$faults :$typed />@endforeach</div>
        </div>
        @foreach ($contradictions as $told)<p class="late">{{ $told }}</p>@endforeach
    </section>
    <section aria-live="polite">
        <p class="dim small right">all stored {{ now()->setTimezone($file->office->zone)->format('H:i:s') }}</p>
        <h2>What the file will hold</h2>
        <ul class="will">
            @foreach ($file->papers->where('state', '<>', 'void') as $paper)
                <li><b>{{ $paper->title }}</b><small>{{ $paper->form_number ?? 'from outside' }} · {{ $paper->reason }}</small></li>
            @endforeach
        </ul>
        @if ($facts->value('loan_amount'))
            <h2>What follows</h2>
            <div class="facts">
                @foreach (['loan_amount' => 'Loan', 'down_payment' => 'Down payment', 'balance' => 'Balance at closing'] as $name => $label)
                    @if ($facts->get($name))<span class="name">{{ $label }}</span><span><span class="computed">{{ \Unanimus\Money\Money::of($facts->value($name)) }}</span> <span class="from">= {{ $facts->get($name)->source }}</span></span>@endif
                @endforeach
            </div>
        @endif
        @if ($agenda->deadlines)
            <h2>Dates</h2>
            <ul class="will">@foreach ($agenda->deadlines as $deadline)<li><span><b>{{ $deadline->due->short($agenda->today->year()) }}</b> {{ $deadline->label }}</span><small>{{ $deadline->because }}</small></li>@endforeach</ul>
        @endif
        <h2>Seats</h2>
        <ul class="people">
            @foreach ($file->parties->sortBy(fn ($party) => $party->seat()->order()) as $party)
                <li><x-seat :seat="$party->seat()" /> {{ $party->name }} <span class="reach">{{ $party->firm ?? $party->seat()->label() }}</span></li>
            @endforeach
        </ul>
    </section>
</div>
