@php($P = \Unanimus\Terms\PropertyFact::class)
@php($T = \Unanimus\Terms\Term::class)
<div class="leaf opening" >
    <section>
        <h2>Property</h2>
        <form method="post" action="/files/{{ $file->key }}/listing" class="first-field">
            @csrf
            <label class="unseen" for="number">Listing number</label>
            <input class="input" id="number" name="number" value="{{ $file->listing_number }}" placeholder="Listing number, TR-26-…" maxlength="40" autocomplete="off">
            <button class="button">{{ $file->listing_number ? 'Read again' : 'Bring in' }}</button>
            @if ($file->listing_number)<a class="button plain" href="/files/{{ $file->key }}/listing">Compare</a>@endif
        </form>
        <div class="pairs">
            <div class="facts">@foreach ([$P::Street, $P::Unit, $P::City, $P::County, $P::State, $P::Zip, $P::Kind, $P::YearBuilt, $P::Area, $P::ListPrice] as $item)<x-fact :$file :$facts :$item />@endforeach</div>
            <div class="facts">@foreach ([$P::Parcel, $P::Lot, $P::Block, $P::Subdivision, $P::Legal, $P::Septic, $P::Well, $P::FloodZone, $P::NewConstruction, $P::Association] as $item)<x-fact :$file :$facts :$item />@endforeach</div>
        </div>
        <h2>People</h2>
        <div class="who dim small" aria-hidden="true"><span></span><span>legal name</span><span>signs as</span><span>initials</span><span>mail, never printed</span></div>
        @php($seats = ['buyer.1', 'buyer.2', 'seller.1', 'seller.2'])
        @foreach ($seats as $key)
            @php($seat = \Unanimus\Signing\Seat::of($key))
            @php($party = $file->parties->first(fn ($party) => (string) $party->seat() === $key))
            <form class="who" hx-put="/files/{{ $file->key }}/parties/{{ $key }}" hx-trigger="change" hx-target="#follows" hx-swap="innerHTML">
                <x-seat :seat="$seat" />
                <input class="input" id="{{ $key }}-name" name="name" value="{{ $party?->name }}" placeholder="{{ ucfirst($seat->label()) }}" aria-label="{{ ucfirst($seat->label()) }}, legal name" autocomplete="off">
                <input class="input" id="{{ $key }}-signs" name="signing_name" value="{{ $party?->signing_name }}" aria-label="{{ ucfirst($seat->label()) }}, name to sign with" autocomplete="off">
                <input class="input" id="{{ $key }}-initials" name="initials" value="{{ $party?->initials }}" aria-label="{{ ucfirst($seat->label()) }}, initials" autocomplete="off">
                <input class="input" id="{{ $key }}-email" name="email" value="{{ $party?->email }}" aria-label="{{ ucfirst($seat->label()) }}, mail address" autocomplete="off">
            </form>
            <p class="late" id="fault-{{ $key }}" hidden role="alert"></p>
        @endforeach
        <h2>Terms of the offer</h2>
        <div class="pairs">
            <div class="facts">@foreach ([[$T::Price, '412,500 or 450k'], [$T::EarnestMoney, ''], [$T::Financing, ''], [$T::LoanPercent, '96.5'], [$T::Concessions, ''], [$T::EscrowHolder, ''], [$T::Lender, ''], [$T::Included, '']] as [$item, $hint])<x-fact :$file :$facts :$item :$hint />@endforeach</div>
            <div class="facts">@foreach ([[$T::OfferDate, '11/23'], [$T::OfferExpiry, ''], [$T::OfferExpiryTime, '5pm'], [$T::Closing, '18 Dec'], [$T::Possession, ''], [$T::EarnestDays, 'days'], [$T::InspectionDays, 'days'], [$T::AppraisalDays, 'days'], [$T::LoanDays, 'days']] as [$item, $hint])<x-fact :$file :$facts :$item :$hint />@endforeach</div>
        </div>
    </section>
    <section aria-live="polite" id="follows">
        @include('files.opening-follows')
    </section>
</div>
<dialog id="shift" class="leaf pad wide" aria-label="What moves"></dialog>
