<x-layout title="Import from a spreadsheet" place="files">
    <div class="head-row"><h1>Import from a spreadsheet</h1><span class="dim">one file per row</span></div>
    <div class="leaf pad">
        <form method="post" action="/imports" enctype="multipart/form-data">@csrf
            <p>CSV, Excel and OpenDocument spreadsheets can be read; of several sheets the first. The first row names the columns:
                address or street, city, listing number, side, status, agent,
                buyer, seller, price, accepted, closing, and so on, in any order and under any name. You see what each row becomes before
                anything is opened.</p><br>
            <label class="button now">Choose spreadsheet<input
                class="unseen" type="file" name="table" accept=".csv,.txt,.tsv,.xlsx,.ods,.xls,text/csv"
                data-file-form aria-label="Choose spreadsheet"></label>
        </form>
    </div>
    @if ($imports->isNotEmpty())
    <div class="leaf pad"><h2>Imported before</h2>
        <table class="ledger"><tbody>@foreach ($imports as $import)<tr data-row><td>
            <a href="/imports/{{ $import->key }}" data-open><b>{{ $import->name }}</b></a></td><td class="dim">
            {{ \App\Terms\When::list($import->created_at, auth()->user()->zone()) }}</td><td class="dim">
            {{ ['matching' => 'columns to match', 'tried' => 'tested, nothing opened', 'running' => 'being opened', 'done' =>
            'done'][$import->state] }}</td></tr>@endforeach</tbody></table>
    </div>
    @endif
</x-layout>
