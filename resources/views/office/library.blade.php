<x-office title="Library" at="library" about="every form that papers can be made on">
    <div class="leaf pad">
        <table class="ledger"><thead><tr><th>Number</th><th>Form</th><th>Set</th><th>Used in</th><th class="amount">Pages</th>
            <th class="amount">Blanks</th><th class="amount">Revision</th></tr></thead><tbody>
            @foreach ($forms as $form)
                <tr data-row><td class="number">{{ $form->number }}</td><td>
                    <b class="serif">{{ $form->title }}</b>@foreach ($offices->filter(fn ($office) => in_array($form->number,
                    $office->preferred_forms, true)) as $office) <span class="tag-chip">preferred in {{ $office->name }}</span>@endforeach
                    </td>
                    <td class="dim">{{ $form->set }}</td><td class="dim">
                        {{ \Unanimus\Requirements\Stage::names()[$form->stage] ?? $form->stage }}</td>
                    <td class="amount">{{ count($form->pages) }}</td><td class="amount">{{ count($form->blanks) }}</td>
                        <td class="amount dim">{{ $form->revision }}</td></tr>
            @endforeach
        </tbody></table>
    </div>
</x-office>
