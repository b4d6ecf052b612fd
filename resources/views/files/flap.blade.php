@php($T = \Unanimus\Terms\Term::class)
<div class="flap">
    <h2>Terms <small>{{ $file->status->isOpen() ? 'saved as you go' : 'as they were when it ended' }}</small></h2>
    <div class="facts">
        @foreach ([$T::Price, $T::EarnestMoney, $T::Financing, $T::LoanPercent, $T::Concessions, $T::OfferExpiry, $T::Acceptance,
            $T::Closing, $T::Possession, $T::InspectionDays, $T::LoanDays, $T::EscrowHolder, $T::Included] as $item)
            <x-fact :$file :$facts :$item at="file">@if (str_ends_with($item->value, '_days') && $facts->get($item->value))<span
                class="from">days</span>@endif</x-fact>
        @endforeach
    </div>
    @can('work-on', $file)<p class="small"><a href="/files/{{ $file->key }}/opening">All terms, property, and people</a></p>@endcan
    <div id="follows" aria-live="polite">@include('files.flap-follows')</div>
</div>
