@php($P = \Unanimus\Terms\PropertyFact::class)
@php($T = \Unanimus\Terms\Term::class)
<div class="leaf opening" >
    <section>
        <h2>Property</h2>
        <form method="post" action="/files/{{ $file->key }}/listing" class="first-field">
            @csrf
            <label class="unseen" for="number">Listing number</label>
            <input class="input" id="number" name="number" value="{{ $file->listing_number }}" placeholder="Listing number, TR-26-…"
                maxlength="40" autocomplete="off">
            <button class="button">{{ $file->listing_number ? 'Check for changes' : 'Import listing' }}</button>
            @if ($file->listing_number)<a class="button plain" href="/files/{{ $file->key }}/listing">Compare</a>@endif
        </form>
        <div class="pairs">
            <div class="facts">
                @foreach ([$P::Street, $P::Unit, $P::City, $P::County, $P::State, $P::Zip, $P::Kind, $P::YearBuilt, $P::Area,
                $P::ListPrice] as $item)<x-fact :$file :$facts :$item />@endforeach</div>
            <div class="facts">
                @foreach ([$P::Parcel, $P::Lot, $P::Block, $P::Subdivision, $P::Legal, $P::Septic, $P::Well, $P::FloodZone,
                $P::NewConstruction, $P::Association] as $item)<x-fact :$file :$facts :$item />@endforeach</div>
        </div>
        <h2>People</h2>
        <div class="who dim small" aria-hidden="true">
            <span></span><span>legal name</span><span>signs as</span><span>initials</span><span>email, never printed</span><span></span>
            </div>
        @foreach (\App\Files\Seats::asked($file) as $key)
            @php($seat = \Unanimus\Signing\Seat::of($key))
            @php($party = $file->parties->first(fn ($party) => (string) $party->seat() === $key))
            <form class="who" hx-put="/files/{{ $file->key }}/parties/{{ $key }}" hx-trigger="change" hx-target="#follows"
                hx-swap="innerHTML">
                <x-seat :seat="$seat" />
                <input class="input" id="{{ $key }}-name" name="name" value="{{ $party?->name }}"
                    placeholder="{{ ucfirst($seat->label()) }}" aria-label="{{ ucfirst($seat->label()) }}, legal name" autocomplete="off"
                    list="book" hx-get="/contacts/propose?role={{ $seat->role->value }}" hx-trigger="input changed delay:200ms"
                    hx-target="#book" hx-swap="innerHTML" hx-params="name">
                <input class="input" id="{{ $key }}-signs" name="signing_name" value="{{ $party?->signing_name }}"
                    aria-label="{{ ucfirst($seat->label()) }}, name to sign with" autocomplete="off">
                <input class="input" id="{{ $key }}-initials" name="initials" value="{{ $party?->initials }}"
                    aria-label="{{ ucfirst($seat->label()) }}, initials" autocomplete="off">
                <input class="input" id="{{ $key }}-email" name="email" value="{{ $party?->email }}"
                    aria-label="{{ ucfirst($seat->label()) }}, email address" autocomplete="off">
                @if ($party)<details class="more"><summary aria-label="More about {{ $seat->label() }}">more</summary>
                    <div class="more-fields">
                        <label>is a <select name="kind">@foreach (['person', 'entity', 'trust', 'estate'] as $kind)
                            <option @selected($party->kind === $kind)>{{ $kind }}</option>@endforeach</select></label>
                        <input class="input" id="{{ $key }}-signed_by" name="signed_by" value="{{ $party->signed_by }}"
                            placeholder="signed by, if not themselves" aria-label="Signed by" autocomplete="off">
                        <input class="input" id="{{ $key }}-capacity" name="capacity" value="{{ $party->capacity }}"
                            placeholder="capacity, such as trustee or attorney-in-fact" aria-label="Capacity" list="capacities"
                            autocomplete="off">
                        <input class="input" id="{{ $key }}-phone" name="phone" value="{{ $party->phone }}" placeholder="phone"
                            aria-label="Phone" autocomplete="off">
                        <input class="input" id="{{ $key }}-address" name="address" value="{{ $party->address }}" placeholder="address"
                            aria-label="Address" list="addresses" autocomplete="off">
                        <input class="input" id="{{ $key }}-firm" name="firm" value="{{ $party->firm }}" placeholder="company"
                            aria-label="Company" autocomplete="off">
                        <label class="checkbox"><input type="hidden" name="prints_contact" value="0"><input type="checkbox"
                            name="prints_contact" value="1" @checked($party->prints_contact)>
                            Forms that ask for it may print their contact details</label>
                    </div></details>@else<span></span>@endif
            </form>
            <p class="late" id="fault-{{ $key }}" hidden role="alert"></p>
        @endforeach
        @foreach ($file->parties->groupBy(fn ($party) => $party->role->value)->filter(fn ($all, $role) => $all->count() > 1 && $role !==
            'agent') as $role => $all)
            <details class="by-hand"><summary>Order of the {{ $role }}s</summary>
                @foreach ($sorted = $all->sortBy('number')->values() as $n => $party)
                    <form method="post" action="/files/{{ $file->key }}/parties/{{ $role }}/order" class="in-row">@csrf
                        @foreach ($n === 0 ? $sorted :
                            collect([...$sorted->slice(0, $n - 1), $sorted[$n], $sorted[$n - 1], ...$sorted->slice($n + 1)]) as $one)<input
                            type="hidden" name="keys[]" value="{{ $one->key }}">@endforeach
                        {{ $n + 1 }} {{ $party->name }} @if ($n > 0)
                            <button class="button tight plain" aria-label="Move {{ $party->name }} up">Move up</button>@endif</form><br>
                @endforeach
            </details>
        @endforeach
        <p class="small"><a href="/files/{{ $file->key }}/opening">Add another seat</a> ·
            <a href="/files/{{ $file->key }}/people.vcf">Download people as vCards</a></p>
        <datalist id="book"></datalist>
        <datalist id="capacities">@foreach (['as trustee', 'as attorney-in-fact', 'as its manager', 'as its president',
            'as personal representative', 'as executor'] as $capacity)<option value="{{ $capacity }}">@endforeach</datalist>
        <datalist id="addresses">@foreach ($file->parties->pluck('address')->filter()->unique() as $address)<option value="{{ $address }}">
            @endforeach</datalist>
        <h2>{{ ['lease' => 'Terms of the lease', 'referral' => 'Terms of the referral'][$file->kind->value] ?? 'Terms of the offer' }}</h2>
        <div class="pairs">
            <div class="facts">@foreach (\App\Files\Seats::terms($file)[0] as [$item, $hint])<x-fact :$file :$facts :$item
                :$hint />@endforeach</div>
            <div class="facts">@foreach (\App\Files\Seats::terms($file)[1] as [$item, $hint])<x-fact :$file :$facts :$item
                :$hint />@endforeach</div>
        </div>
    </section>
    <section aria-live="polite" id="follows">
        @include('files.opening-follows')
    </section>
</div>
<dialog id="shift" class="leaf pad wide" aria-label="What moves"></dialog>
