@if ($sheet === null)<p class="dim">Enter a price, and what it leaves the sellers is worked out here.</p>
@else
@if ($sheet->asListed)<p class="dim small">There is no contract price yet: worked out from the list price.</p>@endif
<table class="ledger net-sheet"><tbody>
    <tr><th scope="row">Price</th><td class="dim"></td><td class="amount"><b>{{ $sheet->price->ledger() }}</b></td></tr>
    @foreach ($sheet->lines as $line)<tr><th scope="row">{{ $line['label'] }}</th><td class="dim small">{{ $line['formula'] }}</td><td class="amount">{{ $line['amount']->isNegative() ? '+'.\Unanimus\Money\Money::zero()->minus($line['amount'])->ledger() : '−'.$line['amount']->ledger() }}</td></tr>@endforeach
    <tr class="total"><th scope="row">To the sellers</th><td></td><td class="amount"><b class="serif big">{{ $sheet->net->ledger() }}</b></td></tr>
</tbody></table>
@if ($sheet->open)<p class="dim small">Not known yet and counted as nothing: {{ implode(', ', $sheet->open) }}. An estimate, no settlement statement.</p>@endif
@endif
