<x-office title="Kits" at="kits" about="what a file starts with: papers, answers, dates, tasks, contacts, fees">
    <div class="leaf pad">
        <table class="ledger"><thead><tr><th>Kit</th><th>Of</th><th>Applies when</th><th class="amount">Papers</th><th class="amount">Tasks
            </th></tr></thead><tbody>
        @foreach ($shelf as $one)
            <tr data-row><td><a href="/kits/{{ $one->kit->key }}" data-open><b class="serif">{{ $one->kit->name }}</b></a>
                <div class="paper-note">{{ $one->kit->note }}</div></td><td class="dim">
                {{ $one->of }}@if ($one->stored), version {{ $one->version }}@endif</td>
                <td class="dim">{{ $one->kit->when?->words() ?? 'added by hand only' }}</td><td class="amount">
                    {{ count($one->kit->items) }}</td><td class="amount">{{ count($one->kit->tasks) }}</td></tr>
        @endforeach
        </tbody></table>
    </div>
    <div class="leaf pad">
        <h2>Make a kit</h2>
        <form method="post" action="/kits" class="task-form">@csrf
            <label class="unseen" for="kit-name">Name</label><input class="input" id="kit-name" name="name" required maxlength="80"
                placeholder="Name of the kit" autocomplete="off">
            <span class="select"><select name="copy" aria-label="starting from"><option value="">empty</option>@foreach ($shelf as $one)
                <option value="{{ $one->kit->key }}">as a copy of {{ $one->kit->name }}</option>@endforeach</select></span>
            <span class="select"><select name="of" aria-label="for"><option value="me">only for me</option>@can('keep-rules')
                <option value="all">for all offices</option>@foreach ($offices as $office)<option value="{{ $office->key }}">
                for {{ $office->name }}</option>@endforeach @endcan</select></span>
            <button class="button tight now">Make kit</button>
        </form>
    </div>
</x-office>
