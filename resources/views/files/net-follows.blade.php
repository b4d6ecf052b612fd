@if ($sheet === null)<p class="dim">Enter a price to see what the sellers net.</p>
@else
@if ($sheet->asListed)<p class="dim small">No contract price yet. Based on the list price.</p>@endif
<table class="ledger net-sheet"><tbody>
    <tr><th scope="row">Price</th><td class="dim"></td><td class="amount"><b>{{ $sheet->price->ledger() }}</b></td></tr>
    @foreach ($sheet->lines as $line)<tr><th scope="row">{{ $line['label'] }}</th><td class="dim small">{{ $line['formula'] }}</td>
        <td class="amount">{{ $line['amount']->isNegative() ? '+'.\Unanimus\Money\Money::zero()->minus($line['amount'])->ledger() :
        '−'.$line['amount']->ledger() }}</td></tr>@endforeach
    <tr class="total"><th scope="row">To the sellers</th><td></td><td class="amount"><b class="serif big">{{ $sheet->net->ledger() }}</b>
        </td></tr>
</tbody></table>
@if ($sheet->open)<p class="dim small">
    Not known yet and counted as zero: {{ implode(', ', $sheet->open) }}. This is an estimate, not a settlement statement.</p>@endif
@endif
