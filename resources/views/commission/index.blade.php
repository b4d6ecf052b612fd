<x-layout title="Commission" place="commission">
    <div class="head-row"><h1>Commission</h1><span class="dim">files under contract</span></div>
    <div class="leaf pad">
        @if ($files->isEmpty())
            <p class="empty">Files show up here once they are under contract and have a price.</p>
        @else
            <table class="ledger">
                <thead><tr><th>File</th><th>Closing</th><th class="amount">Price</th><th class="amount">Complete</th><th class="amount">
                    Disbursement</th></tr></thead>
                <tbody>@foreach ($files as $file)@php($known = $file->knownFacts->pluck('value', 'name'))
                    <tr data-row><td><a href="/files/{{ $file->key }}/commission" data-open><b class="serif">{{ $file->name }}</b></a></td>
                        <td>{{ isset($known['closing']) ?
                        \Unanimus\Dates\LocalDate::of($known['closing'])->short($file->office->today()->year()) : '' }}</td>
                        <td class="amount">{{ \Unanimus\Money\Money::of($known['price']) }}</td><td class="amount">
                        {{ $file->required === 0 ? '–' : intdiv($file->settled * 100, $file->required).'%' }}</td><td class="amount">
                        {{ $file->commission?->authorized_at ? 'authorized' : '–' }}</td></tr>
                @endforeach</tbody>
            </table>
        @endif
    </div>
</x-layout>
