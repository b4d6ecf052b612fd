<x-layout title="From a spreadsheet" place="files">
    <div class="head-row"><h1>From a spreadsheet</h1><span class="dim">one row, one file</span></div>
    <div class="leaf pad">
        <form method="post" action="/imports" enctype="multipart/form-data">@csrf
            <p>Save the sheet as CSV. The first line names the columns: address or street, town, listing number, side, status, agent, buyer, seller, price, accepted, closing … in any order and under any name. Nothing is opened before you have seen what each row becomes.</p><br>
            <label class="button now">Choose the CSV file<input class="unseen" type="file" name="table" accept=".csv,.txt,.tsv,text/csv" data-file-form aria-label="Choose the CSV file"></label>
        </form>
    </div>
    @if ($imports->isNotEmpty())
    <div class="leaf pad"><h2>Brought in before</h2>
        <table class="ledger"><tbody>@foreach ($imports as $import)<tr data-row><td><a href="/imports/{{ $import->key }}" data-open><b>{{ $import->name }}</b></a></td><td class="dim">{{ \App\Terms\When::list($import->created_at, auth()->user()->zone()) }}</td><td class="dim">{{ ['matching' => 'columns to match', 'tried' => 'tried, nothing opened', 'running' => 'being opened', 'done' => 'done'][$import->state] }}</td></tr>@endforeach</tbody></table>
    </div>
    @endif
</x-layout>
