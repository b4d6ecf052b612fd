<x-office title="Our forms" at="own-forms" about="made here from PDFs; once active, they are listed with the library’s forms">
    <div class="columns-2">
        <div>
            <div class="leaf pad"><h2>Active</h2>
                @if ($inForce->isEmpty())<p class="empty">No forms of your own yet. Upload a PDF on the right. Its fields become blanks. On
                    a flat PDF, lines and boxes are found for you.</p>@else
                <table class="ledger"><thead><tr><th>Number</th><th>Form</th><th>Revision</th><th><span class="unseen">Actions</span></th>
                    </tr></thead><tbody>
                @foreach ($inForce as $own)
                    <tr @class(['off' => $own->status === 'retired']) data-row><td>{{ $own->number }}</td><td>
                        <a href="/own-forms/{{ $own->key }}" data-open><b>{{ $own->title }}</b></a>
                        <span class="dim small">{{ count($own->pages) === 1 ? '1 page' : count($own->pages).' pages' }}{{ $own->status ===
                        'retired' ? ', retired' : '' }}</span>
                        @foreach ($earlier[$own->number] ?? [] as $old)<br><a class="small"
                            href="/own-forms/{{ $old->key }}">rev. {{ $old->revision }}, until {{ \App\Terms\When::day($own->published_at,
                            auth()->user()->zone()) }}</a>@endforeach</td>
                        <td>{{ $own->revision }}</td>
                        <td class="right">@can('put-forms-in-force')<form method="post" action="/own-forms/{{ $own->key }}/retired">@csrf
                            <button class="button tight">{{ $own->status === 'retired' ? 'Activate again' :
                            'Retire' }}</button></form>@endcan</td></tr>
                @endforeach
                </tbody></table>@endif
            </div>
        </div>
        <div>
            <div class="leaf pad"><h2>Make a form</h2>
                <form method="post" action="/own-forms" enctype="multipart/form-data">@csrf
                    <p>From a PDF, a Word document, or a clean scan, up to {{ \App\Forms\Actions\KeepOwnForm::MOST_PAGES }} pages.</p>
                    <p class="in-row"><input type="file" name="pdf" accept="{{ \Unanimus\Intake\BroughtKind::ENDINGS }}" required
                        aria-label="The file to make a form of"> <button class="button tight now">Start form</button></p>
                </form>
            </div><br>
            <div class="leaf pad"><h2>Drafts</h2>
                @if ($making->isEmpty())<p class="dim">No drafts. A form you start stays here until you activate it.</p>@else
                <table class="ledger"><tbody>@foreach ($making as $own)
                    <tr data-row><td>{{ $own->number ?: 'no number yet' }}</td><td>
                        <a href="/own-forms/{{ $own->key }}" data-open><b>{{ $own->title }}</b></a>
                        <span class="dim small">{{ count($own->items) }} blanks and marks</span></td><td class="right">
                        <form method="post" action="/own-forms/{{ $own->key }}">@csrf @method('delete')
                        <button class="button tight plain">Discard draft</button></form></td></tr>
                @endforeach</tbody></table>@endif
            </div>
        </div>
    </div>
</x-office>
