@can('work-on', $file)
<details class="by-hand"><summary>More</summary>
    <div class="leaf pad popped care">
        <p><a href="/papers/{{ $paper->key }}/who">Who can see it</a></p>
        <form method="post" action="/papers/{{ $paper->key }}">@csrf @method('put')
            <label class="line"><span>Name</span><input class="input" name="title" value="{{ $paper->title }}" maxlength="120" required
            autocomplete="off"></label><label class="line"><span>Stage</span><span class="select"><select
            name="stage">@foreach (\Unanimus\Requirements\Stage::names() as $stage => $name)
            <option value="{{ $stage }}" @selected($paper->stage === $stage)>{{ $name }}</option>@endforeach</select></span></label>
            <button class="button tight">Save paper</button></form>
        @if ($paper->form_number !== null)
            <p><a href="/papers/{{ $paper->key }}/fillable.pdf">Fillable PDF</a> ·
                <a href="/papers/{{ $paper->key }}/fillable.pdf?blank=1">Blank PDF</a> ·
                <a href="/papers/{{ $paper->key }}/values.xfdf">Values as XFDF</a></p>
            @if ($paper->isDraft())<form method="post" action="/papers/{{ $paper->key }}/values" enctype="multipart/form-data">@csrf
                <label class="button tight">Import values from XFDF or a filled PDF<input class="unseen" type="file" name="file"
                accept=".xfdf,.pdf" data-file-form aria-label="Import values from XFDF or a filled PDF"></label></form>@endif
        @endif
        <form method="post" action="/papers/{{ $paper->key }}/versions" enctype="multipart/form-data">@csrf
            <label class="button tight">{{ $paper->form_number === null ? 'Upload new version' : 'Upload signed scan' }}<input
            class="unseen" type="file" name="file" accept="{{ \Unanimus\Intake\BroughtKind::ENDINGS }}" data-file-form
            aria-label="Newer version"></label></form>
        @php($staff = \App\Papers\Actions\CareForPaper::isStaff(auth()->user(), $file))
        @if ($file->represents->isBoth() || $staff)
        <form method="post" action="/papers/{{ $paper->key }}/seen-by">@csrf
            @if ($file->represents->isBoth())<label class="line"><span>Visible to</span><span class="select"><select name="side">
                <option value="">both sides</option>@foreach (\Unanimus\Files\SeenBy::sides($file->kind, $file->represents) as $side)
                <option value="{{ $side->value }}" @selected($paper->side === $side)>the {{ $side->value }}’s side alone</option>
                @endforeach</select></span></label>@endif
            @if ($staff)<label class="checkbox"><input type="checkbox" name="staff" value="1" @checked($paper->staff_only)>
                the office only, not its agents</label>@endif
            <button class="button tight">Save visibility</button></form>
        @endif
        @if ($paper->state === \Unanimus\Files\PaperState::Signed && $paper->latest?->made_by === \Unanimus\Files\MadeBy::Signed)
            <form method="post" action="/papers/{{ $paper->key }}/changes">@csrf
                <button class="button tight">Change what is signed</button>
                <small class="dim">Everybody initials the change; the signatures stay.</small></form>@endif
        @if (in_array($paper->state->value, ['ready', 'signed'], true) && ($paper->latest?->pages ?? 0) > 1)<form method="post"
            action="/papers/{{ $paper->key }}/sort">@csrf<button class="button tight">Take its pages apart</button></form>@endif
        <form method="post" action="/papers/{{ $paper->key }}/copy">@csrf
            <label class="line"><span>Copy to file</span><input class="input" name="to" autocomplete="off"
            placeholder="name or listing number"></label><button class="button tight">Copy paper</button></form>
        <form method="post" action="/papers/{{ $paper->key }}/void">@csrf
            <label class="line"><span>Reason to void</span><input class="input" name="reason" maxlength="300" autocomplete="off"></label>
            <button class="button tight">Void paper</button></form>
    </div>
</details>
@endcan
