<x-layout title="Import files" place="files">
    <div class="head-row"><h1>Import files</h1><span class="dim">from a spreadsheet, or with their documents from a ZIP</span></div>
    <div class="leaf pad">
        <form method="post" action="/imports" enctype="multipart/form-data">@csrf
            <p>CSV, Excel and OpenDocument spreadsheets can be read; of several sheets the first. The first row names the columns:
                address or street, city, listing number, side, status, agent,
                buyer, seller, price, accepted, closing, and so on, in any order and under any name. You see what each row becomes before
                anything is opened.</p><br>
            <p>To bring documents along, put the spreadsheet and a folder for each file into a ZIP of at most 100 MB. Folders are matched to
                rows by name. More spreadsheets may lie beside it: <b>documents</b> (what each one is, and when it was accepted),
                <b>tasks</b>, <b>people</b> and <b>contacts</b>.</p><br>
            <label class="button now">Choose spreadsheet or ZIP<input
                class="unseen" type="file" name="table" accept=".csv,.txt,.tsv,.xlsx,.ods,.xls,text/csv,.zip,application/zip"
                data-file-form aria-label="Choose spreadsheet or ZIP"></label>
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
