@php($today = $case->office->today())
<x-office :title="$case->person->name" at="roster" :about="$case->kind->value.', '.$case->office->name">
    <x-slot:acts>@if ($runs)<form method="post" action="/office/roster/{{ $case->key }}">@csrf<button class="button tight" name="do"
        value="papers">{{ $case->papers_file ? 'Open their papers' : 'Start their papers' }}</button></form>@endif</x-slot:acts>
    <section class="leaf pad" aria-label="Day">
        @if ($case->settled_at)<p>{{ $case->kind->value === 'leaving' ? 'Left; access closed' : 'Joined' }} {{
            \App\Terms\When::list($case->settled_at, $case->office->zone) }}.</p>
        @elseif ($case->canceled_at)<p>Canceled {{ \App\Terms\When::list($case->canceled_at, $case->office->zone) }}.</p>
        @else
            @if ($case->kind->value === 'leaving')
            <p>Last day: <b>{{ $case->day->long() }}</b>. When that day is over, access closes by itself on every device,
                links and tokens end, and open files go where it was decided. The agent who takes over a file finds
                an email to its clients ready to send.</p>
            @else
            <p>First day: <b>{{ $case->day->long() }}</b>.</p>
            @endif
            @if ($runs)
            <form method="post" action="/office/roster/{{ $case->key }}" class="in-row">@csrf
                <label class="line"><span>Another day</span><input class="input" name="day" value="{{ old('day', $case->day->slashed()) }}"
                    autocomplete="off"></label>
                @if ($case->kind->value === 'leaving')<label class="line"><span>License goes to</span><input class="input" name="goes_to"
                    value="{{ old('goes_to', $case->goes_to) }}" maxlength="120" autocomplete="off"></label>@endif
                <button class="button tight" name="do" value="change">Save day</button>
                @if ($case->kind->value === 'joining')<button class="button tight" name="do" value="finish">All done</button>@endif
                <button class="button tight plain" name="do" value="cancel">{{ $case->kind->value === 'leaving' ? 'Not leaving after all' :
                    'Not joining after all' }}</button></form>
            @endif
        @endif
    </section>
    @if ($files->isNotEmpty())
    <section class="leaf pad" aria-label="Open files"><h2>Open files <span class="dim">{{ $undecided === 0 ? 'all decided' :
        "{$undecided} to decide" }}</span></h2>
        <form method="post" action="/office/roster/{{ $case->key }}/fates">@csrf
            <div class="scrolls"><table class="ledger"><thead><tr><th class="take"><input type="checkbox" data-take-all
                aria-label="Select all files"></th><th scope="col">File</th><th scope="col">Status</th><th scope="col">What becomes of
                it</th></tr></thead><tbody>
            @foreach ($files as $file)
                @php($fate = $fates->get($file->id))
                <tr data-row><td class="take"><input type="checkbox" name="files[]" value="{{ $file->key }}" aria-label="Select {{
                    $file->name
                    }}"></td><td><a href="/files/{{ $file->key }}" data-open>{{ $file->name }}</a></td><td>{{ $file->status->readable()
                        }}</td>
                    <td>@if ($fate === null)<span class="waits">not decided: stays with the office</span>
                        @else{{ \Unanimus\Roster\FileFate::from($fate->fate)->label() }} {{ $fate->to_name }}
                        @endif</td></tr>
            @endforeach
            </tbody></table></div>
            @if ($runs)
            <div class="in-row"><label class="line"><span>Selected files</span><span class="select"><select name="fate">
                <option value="move">go to</option><option value="freeze">stay with the office</option><option value="finish">are
                    finished by
                then</option></select></span></label>
                <label class="line"><span>Agent</span><span class="select"><select name="agent"><option value="">no one</option>
                @foreach ($agents as $agent)<option value="{{ $agent->key }}">{{ $agent->name }}</option>@endforeach</select></span></label>
                <button class="button now">Decide selected files</button></div>
            @endif
        </form>
        <p>Their own copy, until the last day: <a href="/office/roster/{{ $case->key }}/files.zip">all their files with documents
            (ZIP)</a></p>
    </section>
    @endif
    <section class="leaf pad" aria-label="Steps"><h2>Steps</h2>
        <table class="ledger"><thead><tr><th scope="col">What</th><th scope="col">Who</th><th scope="col">By</th><th scope="col"><span
            class="unseen">Done</span></th></tr></thead><tbody>
        @foreach ($case->steps as $step)
            <tr data-row><td @class(['dim' => $step->done_at])>{{ $step->title }}</td><td>{{ $step->by_role->value }}</td><td>
                @if ($step->done_at)<span class="ok">{{ $step->doer?->name }}, {{ \App\Terms\When::list($step->done_at, $case->office->zone)
                    }}</span>
                @else<span @class(['late' => $step->due_on?->isBefore($today)])>{{ $step->due_on?->short($today->year()) }}</span>
                @endif</td><td>@if ($runs || $user->holds($step->by_role, $case->office_id))<form method="post"
                action="/office/roster-steps/{{ $step->key }}">@csrf<input type="hidden" name="done" value="{{ $step->done_at ? 0 : 1
                    }}"><button
                class="button tight plain" aria-label="{{ $step->done_at ? 'Reopen' : 'Done' }}: {{ $step->title }}">{{ $step->done_at ?
                'Reopen' : 'Done' }}</button></form>@endif</td></tr>
        @endforeach
        </tbody></table>
        @if ($runs && $case->isOpen())
        <form method="post" action="/office/roster/{{ $case->key }}/steps" class="in-row">@csrf
            <label class="line"><span>Another step</span><input class="input" name="title" maxlength="160" autocomplete="off"></label>
            <label class="line"><span>Who</span><span class="select"><select name="by">
                @foreach (\App\Models\Role::cases() as $role)<option>{{ $role->value }}</option>@endforeach</select></span></label>
            <label class="line"><span>By</span><input class="input" name="due" autocomplete="off"></label>
            <button class="button tight">Add step</button></form>
        @endif
    </section>
</x-office>
