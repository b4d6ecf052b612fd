@php($T = \Unanimus\Terms\OfferView::TERMS)
<x-layout :title="'Offers on '.$file->name" place="files">
    <div class="head-row"><h1>Offers</h1><span class="dim">on <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span>
        <a href="/files/{{ $file->key }}/net">Net sheet</a></div>
    @foreach ($works ? $came : [] as $one)
        <p class="say now"><a href="/papers/{{ $one->paper->key }}">{{ $one->paper->title }}</a> reads as an offer from
            <b>{{ $one->buyers }}</b>{{ $one->price === '' ? '' : ', '.$one->price }}.
            <a class="button tight now" href="?paper={{ $one->paper->key }}#record">Record it</a></p>
    @endforeach
    @if ($offers->isEmpty())
        <div class="leaf pad"><p class="empty">Compare offers side by side here: what the sellers net, how certain each one is, and its
            timing. Record the first offer below.</p></div>
    @else
    @if ($warning)<p class="say now">{{ $warning }}</p>@endif
    <div class="leaf pad scrolls">
        <table class="ledger offers">
            <thead><tr><th><span class="unseen">Term</span></th>@foreach ($offers as $offer)
                <th scope="col" @class(['off' => ! $offer->state->isLive()])>
                <b class="serif">{{ $offer->buyers }}</b><br>
                @php($from = implode(' · ', array_filter([$offer->agent, $offer->counters ? 'counter' : ''])))
                @if ($from !== '')<span class="dim">{{ $from }}</span><br>@endif
                <span class="status {{ $offer->state === \Unanimus\Files\OfferState::Chosen ? 'closed' : '' }}">{{ ['open'
                => 'open', 'countered' => 'countered', 'chosen' => 'the contract', 'declined' => 'declined'][$offer->state->value] }}</span>
                </th>@endforeach</tr></thead>
            <tbody>
            <tr class="net"><th scope="row">Sellers net</th>@foreach ($offers as $offer)@php($net = $views[$offer->id]->net)<td>
                @if ($net)<b class="serif big">{{ $net->net }}</b>@if ($best !== null && $net->net->cents === $best &&
                $offer->state->isLive()) <span class="ok">most</span>@elseif ($best !== null && $offer->state->isLive())
                <span class="dim">{{ \Unanimus\Money\Money::cents($best - $net->net->cents) }} less</span>@endif
                <details class="by-hand"><summary>how{{ $net->open
                     ? ', '.count($net->open).' costs not known yet' : '' }}</summary><table class="small">@foreach ($net->lines as $line)
                    <tr title="{{ $line['formula'] }}"><td>{{ $line['label'] }}</td><td class="amount">
                    {{ $line['amount']->isNegative() ? '+'.\Unanimus\Money\Money::zero()->minus($line['amount']) : '−'.$line['amount'] }}
                    </td></tr>@endforeach @if ($net->open)<tr><td colspan="2" class="dim">counted as zero: {{ implode(', ', $net->open) }}
                    </td></tr>@endif</table></details>@else<span class="dim">no price</span>@endif</td>@endforeach</tr>
            <tr><th scope="row">How certain</th>@foreach ($offers as $offer)<td class="dim">
                {{ implode(', ', $views[$offer->id]->strength) ?: '–' }}</td>@endforeach</tr>
            <tr><th scope="row">Timing</th>@foreach ($offers as $offer)<td>@include('files.offer-line', ['view' => $views[$offer->id]])</td>
                @endforeach</tr>
            <tr><th scope="row">Down payment</th>@foreach ($offers as $offer)<td>{{ $views[$offer->id]->down ?? '–' }}</td>@endforeach</tr>
            @foreach ($T as $term)
                @if ($offers->contains(fn ($offer) => isset($offer->facts[$term->value])))
                <tr><th scope="row">{{ $term->label() }}</th>@foreach ($offers as $offer)<td>
                    {{ isset($offer->facts[$term->value]) ? ($term->choices()[$offer->facts[$term->value]] ??
                    \App\Terms\FieldText::fact($term, $offer->terms()->get($term->value), $file)) :
                    '–' }}{{ isset($offer->facts[$term->value]) && str_ends_with($term->value, '_days') ? ' days' : '' }}</td>@endforeach
                    </tr>
                @endif
            @endforeach
            @if ($offers->contains(fn ($offer) => $offer->note !== ''))<tr><th scope="row">Note</th>@foreach ($offers as $offer)
                <td class="dim">{{ $offer->note }}</td>@endforeach</tr>@endif
            @if ($works)
            <tr><th><span class="unseen">Actions</span></th>@foreach ($offers as $offer)<td>
                @if (! $chosen && $offer->state->mayBeChosen())
                    <form method="post" action="/files/{{ $file->key }}/offers/{{ $offer->key }}">@csrf @method('put')
                    <label class="unseen" for="on-{{ $offer->key }}">Accepted on</label><input class="input on" id="on-{{ $offer->key }}"
                    name="on" placeholder="accepted today" maxlength="40">
                    <button class="button tight" name="do" value="choose">Accept offer</button>
                    @if ($offer->state === \Unanimus\Files\OfferState::Open)
                    <button class="button tight plain" name="do" value="decline">Decline offer</button>@endif</form>
                <a class="small" href="?counter={{ $offer->key }}#record">Counter</a>@endif
            </td>@endforeach</tr>
            @endif
            </tbody>
        </table>
    </div>
    @endif
    @if ($works && ! $chosen)
    @php($countered = $offers->firstWhere('key', request('counter')))
    @php($read = collect($came)->first(fn ($one) => $one->paper->key === request('paper')))
    <form method="post" action="/files/{{ $file->key }}/offers" class="leaf pad" id="record">@csrf
        <h2>{{ $countered ? 'Counter the offer from '.$countered->buyers : 'Record an offer' }}</h2>
        @if ($countered)<input type="hidden" name="counters" value="{{ $countered->key }}">@endif
        @if ($read)<input type="hidden" name="paper" value="{{ $read->paper->key }}"><p class="dim">Read from
            <a href="/papers/{{ $read->paper->key }}" target="_blank">{{ $read->paper->title }}</a>. Look it over, then record it.</p>@endif
        <div class="pairs-3">
            <label class="line"><span>Buyers, separated by commas</span><input class="input" name="buyers"
                value="{{ old('buyers', $countered->buyers ?? $read?->buyers) }}" required maxlength="200" autocomplete="off"></label>
            <label class="line"><span>Their agent</span><input class="input" name="agent" value="{{ old('agent', $countered?->agent) }}"
                maxlength="120" autocomplete="off"></label>
            @foreach ($T as $term)
                <label class="line"><span>{{ $term->label() }}{{ str_ends_with($term->value, '_days') ? ', days (0 if none)' : '' }}</span>
                    @if ($term->choices())<span class="select"><select name="terms[{{ $term->value }}]"><option value=""></option>
                        @foreach ($term->choices() as $value => $label)
                        <option value="{{ $value }}" @selected(old('terms.'.$term->value, $countered->facts[$term->value] ??
                        \App\Files\PaperOffers::choice($term, $read)) === $value)>{{ $label }}</option>@endforeach</select></span>
                    @else<input class="input" name="terms[{{ $term->value }}]"
                        value="{{ old('terms.'.$term->value, $countered ? \App\Terms\FieldText::fact($term,
                        $countered->terms()->get($term->value), $file) : $read->terms[$term->value] ?? '') }}"
                        maxlength="60" autocomplete="off">@endif</label>
            @endforeach
            <label class="line"><span>Note</span><input class="input" name="note" value="{{ old('note') }}" maxlength="500"
                autocomplete="off"></label>
        </div>
        <button class="button now">{{ $countered ? 'Record counteroffer' : 'Record offer' }}</button>
    </form>
    @endif
</x-layout>
