@if ($found['fault'])<p class="late">{{ $found['fault'] }}</p>@endif
@if (($own ?? false) && $found['listings'])<p class="dim small">Your listings</p>@endif
<ul class="found">
    @foreach ($found['listings'] as $listing)
        <li><button name="listing" value="{{ $listing->number }}"><b>{{ $listing->address() }}</b>
            <span>{{ isset($listing->facts['list_price']) ? \Unanimus\Money\Money::of($listing->facts['list_price']) : '' }}</span><span
            class="n">{{ $listing->number }}</span></button></li>
    @endforeach
</ul>
