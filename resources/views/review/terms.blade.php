<details class="terms-at-hand"><summary>Terms</summary>
    <dl>
        @foreach ([\Unanimus\Terms\Term::Price, \Unanimus\Terms\Term::EarnestMoney, \Unanimus\Terms\Term::OfferExpiry,
            \Unanimus\Terms\Term::Acceptance, \Unanimus\Terms\Term::Closing, \Unanimus\Terms\Term::Possession,
            \Unanimus\Terms\Term::Rent, \Unanimus\Terms\Term::LeaseStart, \Unanimus\Terms\Term::CommissionNote] as $term)
            @php($value = $facts->value($term->value))
            @if ($value !== null && $value !== '')<dt>{{ $term->label() }}</dt><dd>{{ $term->kind()->show($value) }}</dd>@endif
        @endforeach
        @foreach ($file->parties->whereNull('user_id') as $party)<dt>{{ ucfirst($party->role->value) }} {{ $party->number }}</dt>
            <dd>{{ $party->name }}</dd>@endforeach
    </dl>
</details>
