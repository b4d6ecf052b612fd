<x-layout title="Commission" place="commission">
    <div class="head-row"><h1>Commission</h1><span class="dim">files under contract, the next closing first</span>
        @can('see-reports')<span class="right"><a class="button" href="/reports">Reports</a></span>@endcan</div>
    <div class="leaf pad">
        @if ($files->isEmpty())
            <p class="empty">Files show up here once they are under contract and have a price.</p>
        @else
            <table class="ledger cards">
                <thead class="plain"><tr><th scope="col">File</th><th scope="col">Closing</th><th scope="col"
                    class="amount">Price</th><th scope="col"
                    class="amount">Expected</th><th scope="col" class="amount">To the company</th><th scope="col" class="amount">Complete
                    </th><th scope="col">Disbursement</th></tr></thead>
                <tbody>@foreach ($files as $file)@php($known = $file->knownFacts->pluck('value', 'name'))
                    @php($brings = \App\Commission\Brings::of($file))
                    <tr data-row><td class="name"><a href="/files/{{ $file->key }}/commission"
                        data-open><b class="serif">{{ $file->name }}</b></a></td>
                        <td data-name="Closing">{{ isset($known['closing']) ?
                        \Unanimus\Dates\LocalDate::of($known['closing'])->short($file->office->today()->year()) : '' }}</td>
                        <td class="amount" data-name="Price">{{ ($known['price'] ?? $known['rent'] ?? '') === '' ? '–' :
                            \Unanimus\Money\Money::of($known['price'] ?? $known['rent']) }}</td>
                        <td class="amount" data-name="Expected">{{ $brings->gross ?? '–' }}</td><td class="amount"
                            data-name="To the company">{{ $brings->company ?? '–' }}</td>
                        <td class="amount" data-name="Complete">
                        {{ $file->required === 0 ? '–' : intdiv($file->settled * 100, $file->required).'%' }}</td><td
                            data-name="Disbursement">{{ $brings->stands() }}</td></tr>
                @endforeach</tbody>
            </table>
        @endif
    </div>
</x-layout>
