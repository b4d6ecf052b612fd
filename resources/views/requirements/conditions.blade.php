@php($catalog = \Unanimus\Requirements\FactCatalog::all())
<div class="conditions">
    <p><label>When <span class="select"><select name="mode">@foreach (\Unanimus\Requirements\Group::MODES as $mode => $word)
        <option value="{{ $mode }}" @selected($when->mode === $mode)>{{ $word }}</option>@endforeach</select></span> hold{{ '' }}:</label>
        </p>
    @foreach ($when->withRoom() as $n => $line)
        <div class="condition">
            <span class="select"><select name="when[{{ $n }}][group]" aria-label="group of condition {{ $n +
                1 }}">@foreach (['0' => 'alone', '1' => 'group 1', '2' => 'group 2', '3' => 'group 3'] as $of => $word)
                <option value="{{ $of }}" @selected($line->group === (string) $of)>{{ $word }}</option>@endforeach</select></span>
            <span class="select"><select name="when[{{ $n }}][fact]" aria-label="fact {{ $n + 1 }}"><option value=""></option>
                @foreach ($catalog as $name => $label)<option value="{{ $name }}" @selected($line->fact === $name)>{{ $label }}</option>
                @endforeach</select></span>
            <span class="select"><select name="when[{{ $n }}][operator]"
                aria-label="operator {{ $n + 1 }}">@foreach (\Unanimus\Requirements\Condition::OPERATORS as $operator => $word)
                <option value="{{ $operator }}" @selected($line->operator === $operator)>{{ $word }}</option>@endforeach</select></span>
            <input class="input" name="when[{{ $n }}][value]" value="{{ $line->value }}" aria-label="value {{ $n + 1 }}"
                list="values-of-facts" autocomplete="off" maxlength="200">
        </div>
    @endforeach
    <p class="dim small">Lines of a group count together: @foreach (['1', '2', '3'] as $of)
        <label>group {{ $of }} <span class="select"><select name="inner[{{ $of }}]">@foreach (\Unanimus\Requirements\Group::MODES as $mode
        => $word)<option value="{{ $mode }}" @selected(($when->inner[$of] ?? 'any') === $mode)>{{ $word }}</option>
        @endforeach</select></span></label> @endforeach</p>
    <datalist id="values-of-facts">@foreach (['yes', 'no', ...\Unanimus\Terms\PropertyFact::KINDS, 'sale', 'lease', 'referral', 'buyer',
        'seller', 'both', 'tenant', 'landlord', 'cash', 'conventional', 'government'] as $value)<option value="{{ $value }}">
        @endforeach</datalist>
    <button class="button tight" type="button" hx-post="/conditions/preview" hx-include="closest form" hx-params="not _method"
        hx-target="next .preview" hx-swap="innerHTML">Which files would it apply to?</button>
    <div class="preview" aria-live="polite"></div>
</div>
