<x-layout :title="$file->name" place="files" :scripts="['resources/js/bring.js']">
    <div id="file-top">@include('files.head')</div>
    @if ($file->practice)<div class="say practice-note">Practice with invented people. No email leaves, and no one reviews it but you.
        <details class="menu-at inline"><summary class="button tight">Delete practice file</summary><form class="menu" method="post"
        action="/files/{{ $file->key }}/let-go">@csrf<p>The practice file leaves your lists and cannot be opened again.</p><button
        class="button tight now">Delete it for good</button></form></details></div>@endif
    @foreach ($joining as $one)
        <div class="say now"><b>{{ $one->asker->name }}</b> asks to join this file for the other side. They would see what is shared and
            their own side’s papers, but nothing of yours.
            <form class="inline" method="post" action="/join-requests/{{ $one->key }}">@csrf
                <button class="button tight now" name="in" value="1">Add {{ $one->asker->name }}</button> <button class="button tight"
                name="in" value="0">Decline</button></form></div>
    @endforeach
    @if ($signedOn !== null)
        <div class="say now">
            @php($hour = \Unanimus\Terms\Kind::Time->show($signedAt))
            Everyone signed the contract on <b>{{ $signedOn->long() }}</b> at <b>{{ $hour }}</b>.
            <form class="inline" method="post" action="/files/{{ $file->key }}/acceptance">@csrf
                <input type="hidden" name="day" value="{{ $signedOn->iso() }}"><input type="hidden" name="time" value="{{ $signedAt }}">
                <button
                    class="button tight now">Set acceptance to {{ $signedOn->short($agenda->today->year()) }}, {{ $hour }}</button></form>
            This puts the file under contract and sets its deadlines.
        </div>
    @elseif ($isUploaded)
        <div class="say now">The signed contract was uploaded. When was it accepted?
            <form class="inline" method="post" action="/files/{{ $file->key }}/acceptance">@csrf<input class="input short" name="day"
                required maxlength="40" autocomplete="off" aria-label="Day of acceptance"
                placeholder="{{ $agenda->today->short($agenda->today->year()) }}"> <input class="input short" name="time" maxlength="20"
                autocomplete="off" aria-label="Hour of acceptance, if it matters" placeholder="4:10 pm">
                <button class="button tight now">Put under contract</button></form>
            Its deadlines are counted from then.</div>
    @elseif ($unsigned)
        <p class="say now">This file is under contract, but no contract in it is signed by everyone. Upload the signed contract, or
            send it for signature.</p>
    @endif
    @php([$bound, $drafts] = ($works ? $file->rounds->filter(fn ($round) => $round->status->value === 'drafting') : collect())
        ->partition(fn ($round) => $round->goesByItself()))
    @if ($drafts->count() === 1)
        <div class="say">“{{ $drafts->first()->title }}” is prepared for signature and not sent yet.
            <a class="button tight" href="/rounds/{{ $drafts->first()->key }}">Continue</a></div>
    @elseif ($drafts->isNotEmpty())
        <div class="say">{{ $drafts->count() }} rounds are prepared for signature and not sent yet:
            @foreach ($drafts as $round)<a href="/rounds/{{ $round->key }}">{{ $round->title }}</a>{{ $loop->last ? '.' : ', ' }}@endforeach
            </div>
    @endif
    @foreach ($bound as $round)<div class="say">“{{ $round->title }}” goes out by itself {{ $round->send_at
        ? 'on '.\App\Terms\When::list($round->send_at, $file->office->zone)
        : "once “{$round->after->title}” is {$round->after_when}" }}.
        <a class="button tight" href="/rounds/{{ $round->key }}">See it</a></div>@endforeach
    @foreach ($reads as $one)<p class="say">{{ $one->reader->name }} {{ $one->done_at ? 'has read' : 'is reading' }}
        {{ count($one->papers) === 1 ? '1 draft' : count($one->papers).' drafts' }}@if ($one->open() > 0): {{
        $one->open().' '.Str::plural('remark', $one->open()) }}@endif. <a class="button tight"
        href="/reads/{{ $one->key }}">See</a></p>@endforeach
    @if ($works && $older > 0)<form method="post" action="/files/{{ $file->key }}/shelf" class="say">@csrf{{ $older === 1 ? '1 document
        has' : "{$older} documents have" }} a newer version on the shelf. <button class="button tight">Renew</button></form>@endif
    @if ($undelivered > 0)<p class="say">{{ $undelivered === 1 ? '1 signed paper has' : "{$undelivered} signed papers have" }} not reached
        everyone. <a class="button tight" href="/files/{{ $file->key }}/delivery">See who, and send</a></p>@endif
    @foreach ($came as $one)
        <p class="say now">“{{ $one->paper->title }}” reads as an offer from <b>{{ $one->buyers }}</b>{{ $one->price === '' ? '' :
            ', '.$one->price }}. <a class="button tight now"
            href="/files/{{ $file->key }}/offers?paper={{ $one->paper->key }}#record">Record
            the offer</a></p>
    @endforeach
    @foreach ($amendments as $one) @include('files.amendment') @endforeach
    @php($held = \App\Mail\LettersOnHold::areIn($file))
    @foreach ($file->rounds->filter(fn ($round) => in_array($round->status->value, ['complete', ...$held ? ['out'] : []], true))
        ->load('sealedSet') as $round)
        @include('signing.waits') @endforeach
    <div class="leaf folder">
        @include($file->kind->isDeal() ? 'files.flap' : 'files.loose-flap')
        <div>
            <div class="board-head">
                <h2>Papers</h2>@if ($file->kind->isDeal())<span>{{ $whole->settled }} of {{ $whole->all }} complete</span><span>
                    <x-meter :$whole /></span>@endif
                <div class="acts">
                    @if ($works)
                        <form method="post" action="/files/{{ $file->key }}/rounds">@csrf
                            <button class="button tight" data-with-taken data-press="s">Send for signature</button></form>
                        @if ($file->kind->isDeal())<form method="post" action="/files/{{ $file->key }}/submissions"
                            class="submit-them">@csrf
                            <button class="button tight" data-with-taken>Submit to broker</button>
                            <details class="menu-at with-selected"><summary class="button tight" aria-label="Say by when">▾</summary>
                                <div class="menu"><p class="small dim">Needed by, if it is urgent</p>
                                    <label class="line"><span>Day</span><input class="input" name="needed_day" maxlength="40"
                                        autocomplete="off" placeholder="today"></label>
                                    <label class="line"><span>Hour</span><input class="input" name="needed_time" maxlength="20"
                                        autocomplete="off" placeholder="5 pm"></label>
                                    <label class="line"><span>Why</span><input class="input" name="needed_why" maxlength="200"
                                        autocomplete="off"></label>
                                    <button class="button tight now" data-with-taken>Submit selected</button>
                                    <p class="small dim">Or a stage, as far as it is there</p>
                                    <label class="line"><span>What</span><span class="select"><select name="stage"><option value="">the
                                        whole file</option>@foreach (\Unanimus\Requirements\Stage::names() as $key => $name)
                                        @if (isset($board->stages[$name]))<option value="{{ $key }}">{{ $name }}</option>@endif
                                        @endforeach</select></span></label>
                                    <label class="line"><span>When the rest comes</span><input class="input" name="rest" maxlength="120"
                                        autocomplete="off" placeholder="Friday, after the inspection"></label>
                                    <button class="button tight" formaction="/files/{{ $file->key }}/stages">Submit what is ready</button>
                                    </div></details></form>@endif
                    @endif
                    <form method="post" action="/files/{{ $file->key }}/assembling" data-again>@csrf
                        <button class="button tight" data-with-taken data-press="p">Combine</button></form>
                    <details class="menu-at with-selected"><summary class="button tight">More</summary>
                        <div class="menu">
                            <form method="post" action="/files/{{ $file->key }}/assembled" target="_blank" data-again>@csrf
                                <button class="button plain" data-with-taken>Print selected papers</button></form>
                            @if ($works)
                                <form method="post" action="/files/{{ $file->key }}/reminders">@csrf
                                    <button class="button plain" data-with-taken>Send reminders for them</button></form>
                                @if (! $file->represents->isBoth() && $file->kind->sides() !== [] && $file->kind->isDeal())<form
                                    method="post" action="/files/{{ $file->key }}/working-copies/begin">@csrf
                                    <button class="button plain" data-with-taken>Have the other side sign</button></form>@endif
                                <form method="post" action="/files/{{ $file->key }}/ask-for">@csrf
                                    <button class="button plain" data-with-taken>Ask someone for them</button></form>
                                <div hx-get="/files/{{ $file->key }}/readers" hx-trigger="toggle from:closest details once"
                                    hx-swap="outerHTML"></div>
                                <form method="post" action="/files/{{ $file->key }}/assign">@csrf
                                    <button class="button plain" data-with-taken>Move to another row</button></form>
                                <form method="post" action="/files/{{ $file->key }}/tags" class="tag-them">@csrf
                                    <label>Tags for them<input class="input" name="tags" maxlength="200" autocomplete="off"
                                    placeholder="urgent, lender"></label><button class="button tight" data-with-taken>Add tags</button>
                                    <button class="button tight" name="remove" value="1" data-with-taken>Remove all tags</button></form>
                            @endif
                        </div>
                    </details>
                    @if ($file->kind->isDeal() && $file->represents->isListing() &&
                        $file->sideOf(auth()->user())?->isListing() !== false)<a class="button tight"
                        href="/files/{{ $file->key }}/offers">Offers</a>@endif
                    @if ($file->kind !== \Unanimus\Parties\DealKind::Papers && Gate::allows('see-commission', $file))<a
                        class="button tight" href="/files/{{ $file->key }}/commission">Commission</a> @endif
                </div>
            </div>
            @if ($placing->isNotEmpty())@include('files.placing')@endif
            @if ($returned->isNotEmpty())@include('signing.work.came-back')@endif
            <div class="board-wrap">
            <table class="board" @if ($works && $file->status->isOpen()) data-order="/files/{{ $file->key }}/order" @endif>
                <thead><tr data-filters>
                    <th class="take"><input type="checkbox" id="all-papers" aria-label="Select all papers"></th><th>Paper</th>
                    @foreach ($board->seats as $party)<th class="seat-col" scope="col">
                        <button type="button" class="plain-button" data-filter="{{ $party->seat() }}" aria-pressed="false"
                        title="Show what {{ $party->callName() }} has to do"><x-seat :seat="$party->seat()"
                        :title="$party->seat()->label()" /><span>{{ $party->callName() }}</span></button></th>@endforeach
                    <th><label class="unseen" for="by-state">Show papers by review</label><select id="by-state" class="bare"
                        data-filter-state><option value="">Review</option><option value="not_submitted">Not submitted</option>
                        <option value="submitted">Submitted</option><option value="sent_back">Sent back</option><option value="accepted">
                        Accepted</option>@foreach ($file->papers->flatMap(fn ($paper) => $paper->tags)->unique() as $tag)
                        <option value="tag:{{ $tag }}">Tag: {{ $tag }}</option>@endforeach</select></th><th>
                        <span class="unseen">Next step</span></th>
                </tr></thead>
                @php($seats = array_map(fn ($party) => [$party->seat(), (string) $party->seat(), $party->callName()], $board->seats))
                @forelse ($board->stages as $stage => $rows)
                    <tbody>
                    @php($due = $board->dueIn($stage, $agenda->today))
                    <tr class="stage"><th colspan="{{ 4 + count($board->seats) }}" scope="rowgroup">{{ $stage }}@if ($due->words !== '')
                        <span @class(['stage-due', 'late' => $due->late > 0])>{{ $due->words }}</span>@endif</th></tr>
                    @foreach ($rows as $row)
                        <tr class="row" data-row
                            data-owes="{{ implode(' ', $row->owing()) }}"
                            data-state="{{ $row->requirement?->review_state->value }}" data-paper="{{ $row->paper->key }}"
                            data-tags="{{ implode('|', $row->paper->tags) }}">
                            <td class="take">
                                @if ($works)<span class="grip" aria-hidden="true"
                                title="Drag to put in order, or Alt and arrow keys">⠿</span>@endif<input type="checkbox" name="take"
                                value="{{ $row->paper->key }}" aria-label="Select {{ $row->paper->title }}"
                                @disabled($row->paper->state->value === 'expected')><output></output></td>
                            <td>@if ($row->paper->state->value === 'expected')<span
                                class="paper-name">{{ $row->paper->title }}</span>@else<a class="paper-name"
                                href="/papers/{{ $row->paper->key }}" data-open>{{ $row->paper->title }}</a>@endif
                                <div class="paper-note">{{ $row->note }}@foreach ($row->paper->tags as $tag)
                                <span class="tag-chip">{{ $tag }}</span>@endforeach</div>@if ($row->findings !== [])
                                <div class="paper-note finding">
                                <a href="/papers/{{ $row->paper->key }}#{{ $row->findings[0]->page ? 'page-'.$row->findings[0]->page
                                : $row->findings[0]->blank }}">{{ $row->findings[0]->text }}</a>@if (count($row->findings) >
                                1) and {{ count($row->findings) === 2 ? '1 more' : (count($row->findings) - 1).' more' }}@endif</div>
                                @endif</td>
                            @foreach ($seats as [$seat, $place, $name])<td class="cell">
                                {{ $glyphs->cell($row->cells[$place] ?? null, $seat, $name) }}</td>@endforeach
                            <td class="review">
                                @php($state = $row->requirement?->review_state)
                                @if ($state)
                                    @php($back = $state === \Unanimus\Review\ReviewState::SentBack)
                                    @php($remarks = $back ? $row->requirement->openRemarks()->count() : 0)
                                    @php($class = $back ? 'hot' : ($state->isSettled() ? 'ok' : 'dim'))
                                    <span class="{{ $class }}">{{
                                        $back ? $remarks.' '.Str::plural('remark', $remarks) : $state->label()
                                    }}</span>
                                @endif
                            </td>
                            <td class="next">
                                @if ($works)
                                @php($step = $row->next?->step->value ?? '')
                                @switch($step)
                                    @case('remark') @case('fill')<a class="button tight now" href="{{ $row->next->target }}"
                                        data-next>{{ $row->next->label }}</a>@break
                                    @case('round')<a class="button tight" href="{{ $row->next->target }}"
                                        data-next>{{ $row->next->label }}</a>@break
                                    @case('send')<form method="post" action="/files/{{ $file->key }}/rounds">@csrf<input type="hidden"
                                        name="papers[]" value="{{ $row->next->target }}">
                                        <button class="button tight" data-next>{{ $row->next->label }}</button></form>@break
                                    @case('submit')<form method="post" action="/requirements/{{ $row->next->target }}/submit">@csrf
                                        <button class="button tight now" data-next>{{ $row->next->label }}</button></form>@break
                                    @case('do')<details class="menu-at with-selected inline-at"><summary class="button tight now"
                                        data-next>{{ $row->next->label }}</summary><form class="menu" method="post"
                                        action="/papers/{{ $row->next->target }}/done">@csrf<label class="line"><span>What was done, and
                                        when</span><input class="input" name="note" maxlength="300" autocomplete="off"></label>
                                        <button class="button tight now">It is done</button></form></details>@break
                                    @case('upload')
                                        <form method="post" action="/files/{{ $file->key }}/papers"
                                        enctype="multipart/form-data">@csrf<input type="hidden" name="paper"
                                        value="{{ $row->next->target }}"><label class="button tight">{{ $row->next->label }}<input
                                        class="unseen" type="file" name="pdf" accept="{{ \Unanimus\Intake\BroughtKind::ENDINGS }}"
                                        data-file-form data-next aria-label="Upload {{ $row->paper->title }}"></label></form>@break
                                @endswitch
                                @if ($works && $state === \Unanimus\Review\ReviewState::Submitted && $row->requirement->taken_at === null)
                                    <form class="inline" method="post" action="/requirements/{{ $row->requirement->key }}/withdraw">@csrf
                                        <button class="button tight plain">Take back</button></form>@endif
                                @if ($file->practice && $state === \Unanimus\Review\ReviewState::Submitted)<a class="button tight"
                                    href="/review/{{ $row->requirement->key }}">Review it yourself</a>@endif
                                @if ($row->requirement)<details class="menu-at with-selected row-more"
                                    hx-get="/requirements/{{ $row->requirement->key }}/more" hx-trigger="toggle once"
                                    hx-target="find .menu" hx-swap="innerHTML"><summary class="button tight plain"
                                    aria-label="More for {{ $row->paper->title }}">⋯</summary><div class="menu"></div></details>@endif
                                @if ($step !== 'upload' &&
                                    ($row->paper->isDraft() || in_array($row->paper->state->value, ['ready', 'signed'])))
                                    <form class="scan" method="post" action="/papers/{{ $row->paper->key }}/versions"
                                        enctype="multipart/form-data">@csrf<input type="hidden" name="board" value="1">
                                        <label class="button tight plain" title="{{ $row->paper->form_number === null ?
                                            'Upload a new version' : 'Upload the signed scan' }}"><span aria-hidden="true">↑</span><input
                                            class="unseen" type="file" name="file" accept="{{ \Unanimus\Intake\BroughtKind::ENDINGS }}"
                                            data-file-form aria-label="{{ $row->paper->form_number === null ? 'Upload a new version of' :
                                            'Upload a signed scan of' }} {{ $row->paper->title }}"></label></form>
                                @endif
                                @endif
                            </td>
                        </tr>
                    @endforeach
                    </tbody>
                @empty
                    <tbody><tr><td colspan="9" class="empty">No papers yet. Add forms or upload a paper below.</td></tr></tbody>
                @endforelse
            </table>
            </div>
            <ol class="bring-in" id="bringing" hidden aria-live="polite"></ol>
            @if ($works && $uploads->isNotEmpty())@include('papers.uploads')@endif
            @if ($works)
            <div class="board-head">
                @if ($file->status->isOpen())<a class="button tight" href="/files/{{ $file->key }}/forms" data-press="a">Add forms</a>
                    <a class="button tight" href="/files/{{ $file->key }}/fill-requests">Ask client to fill in</a>@endif
                <form method="post" action="/files/{{ $file->key }}/papers" enctype="multipart/form-data" data-bring>@csrf
                    <label class="button tight"
                    title="PDF, JPEG, PNG, TIFF, HEIC, or Word. Select several, or drop them on this page.">Upload papers<input
                    class="unseen" type="file" name="papers[]" multiple accept="{{ \Unanimus\Intake\BroughtKind::ENDINGS }}"
                    aria-label="Upload papers"></label></form>
                @if ($file->status->isOpen() && $file->kind->isDeal())
                    <button class="button tight" type="button" data-opens="#kits" hx-get="/files/{{ $file->key }}/kits" hx-trigger="click"
                    hx-target="#kits .kit-list" hx-swap="innerHTML">Apply a kit</button>@endif
                <div class="acts">
                    <button class="button tight plain" type="button" data-opens="#members">People on this file</button>
                    <button class="button tight plain" type="button" data-opens="#labels">Tags</button>
                    @if ($file->status->value === 'preparing' && $file->represents->isListing())
                        <form method="post" action="/files/{{ $file->key }}/status">@csrf<input type="hidden" name="status" value="active">
                            <button class="button tight">Make active</button></form>
                    @endif
                    @if ($file->status->value === 'under_contract')
                        <form method="post" action="/files/{{ $file->key }}/status">@csrf<input type="hidden" name="status" value="closed">
                            <button class="button tight" @if ($stillOpen !== []) type="button" data-opens="#close" @endif
                            @if ($file->commission?->authorized_at === null) aria-disabled="true"
                            title="You can close the file once the disbursement is authorized" @endif>Close file</button></form>
                    @endif
                    @if ($file->status->isOpen())
                        <button class="button tight plain" type="button" data-opens="#end">{{ $file->kind->isDeal() ?
                            'Terminate' : 'Done with it' }}</button>
                    @else
                        @if ($file->kind->isDeal() && $file->status->value !== 'closed' && ! $follower)
                            <form method="post" action="/files/{{ $file->key }}/follow-on">@csrf
                            <button class="button tight now">Start follow-on file</button></form>@endif
                        @can('review', $file)<button class="button tight plain" type="button" data-opens="#reopen">Reopen</button>@endcan
                    @endif
                </div>
            </div>
            @endif
            @if ($file->before || $follower)
                <p class="board-head small">
                    @if ($file->before)
                        <span>Continues <a href="/files/{{ $file->before->key }}">{{ $file->before->name }}</a>,
                            {{ $file->before->status->readable() }}.</span>
                    @endif
                    @if ($follower)
                        <span>Continued in <a href="/files/{{ $follower->key }}">{{ $follower->name }}</a>.</span>
                    @endif
                </p>
            @endif
            @if ($file->end_reason)<p class="board-head small">
                <span>{{ $file->status->label() }} {{ $file->ended_on?->short($agenda->today->year()) }}: {{ $file->end_reason }}</span></p>
                @endif
            @include('files.tasks-drawer')
            <p class="drawer drawer-link"><a href="/files/{{ $file->key }}/messages">Messages <span
                hx-get="/files/{{ $file->key }}/unread" hx-trigger="load" hx-swap="innerHTML" aria-live="polite"></span></a>
                    @if ($works)· <a href="/files/{{ $file->key }}/clients">Client pages</a>@endif
                    @unless ($file->status->isOpen())· <a href="/files/{{ $file->key }}/keeping">{{ $file->archived_at ? 'Archived' :
                    'Archive' }}, how long it is kept</a>@endunless</p>
            <form method="post" action="/files/{{ $file->key }}/mute" class="drawer drawer-link">@csrf<input type="hidden" name="muted"
                value="{{ in_array($file->key, auth()->user()->noticeSettings()->muted, true) ? 0 : 1 }}"><button class="plain-link
                    small">{{
                in_array($file->key, auth()->user()->noticeSettings()->muted, true) ? 'Turn emails about this file back on' :
                'No emails about this file' }}</button></form>
            <details class="drawer" @if (request('drawer')) open @endif hx-get="/files/{{ $file->key }}/history"
                hx-trigger="{{ request('drawer') ? 'load' : 'toggle once' }}" hx-target="#history" hx-swap="innerHTML">
                <summary>History</summary>
                <p class="small">File book, with the record of review: <a href="/files/{{ $file->key }}/book.pdf">one PDF</a> ·
                    <a href="/files/{{ $file->key }}/book.zip">a folder for the archive</a> ·
                    <a href="/files/{{ $file->key }}/delivery">Who has the signed papers</a></p>
                <ol id="history" aria-live="polite"></ol>
            </details>
        </div>
    </div>
    <dialog id="shift" class="leaf pad wide" aria-label="What moves"></dialog>
    @if ($stillOpen !== [])
        <dialog id="close" class="leaf pad" aria-label="Close this file">
            <h2>Close this file?</h2>
            <ul class="plain">@foreach ($stillOpen as $told)<li>{{ $told }}</li>@endforeach</ul>
            <form method="post" action="/files/{{ $file->key }}/status">
                @csrf<input type="hidden" name="status" value="closed"><input type="hidden" name="sure" value="1">
                <button class="button now">Close file</button> <button class="button" formmethod="dialog"
                    formnovalidate>Keep file open</button>
            </form>
        </dialog>
    @endif
    <dialog id="end" class="leaf pad" aria-label="Terminate this file">
        <h2>Terminate this file</h2>
        <form method="post" action="/files/{{ $file->key }}/status">
            @csrf
            <label class="line"><span>New status</span><span class="select"><select name="status">
                @foreach ($file->status->next() as $status)@if (in_array($status->value, ['terminated', 'withdrawn', 'expired']))
                <option value="{{ $status->value }}">
                {{ $status->label() }}</option>@endif @endforeach</select></span></label>
            <label class="line"><span>Date, if not today</span><input class="input" name="on" maxlength="40" autocomplete="off"
                placeholder="{{ $file->office->today()->short() }}"></label>
            <label class="line"><span>Reason</span><textarea class="textarea" name="reason" required maxlength="500"></textarea></label>
            <button class="button now">Terminate file</button> <button class="button" formmethod="dialog"
                formnovalidate>Keep file open</button>
        </form>
    </dialog>
    <dialog id="reopen" class="leaf pad" aria-label="Reopen this file">
        <h2>Reopen this file</h2>
        <form method="post" action="/files/{{ $file->key }}/status">
            @csrf
            <label class="line"><span>New status</span><span class="select"><select name="status">
                @foreach ($file->status->next() as $status)@if ($status->isOpen())
                    <option value="{{ $status->value }}">{{ $status->label() }}</option>
                @endif @endforeach</select></span></label>
            <label class="line"><span>Reason</span><textarea class="textarea" name="reason" required maxlength="500"></textarea></label>
            <button class="button now">Reopen file</button> <button class="button" formmethod="dialog" formnovalidate>Cancel</button>
        </form>
    </dialog>
    <dialog id="kits" class="leaf pad" aria-label="Apply a kit">
        <h2>Apply a kit</h2>
        <p class="small">You see what it adds before you apply it.</p>
        <ul class="kit-list" aria-live="polite"></ul>
        <form method="dialog"><button class="button">Close</button></form>
    </dialog>
    <dialog id="members" class="leaf pad" aria-label="People on this file">
        <h2>People on this file</h2>
        <table class="ledger"><tbody>
            @foreach ($file->members as $member)
                @php($person = $people[$member->user_id] ?? null)
                @if ($person)<tr><td><b>{{ $person->name }}</b><br><span class="dim small">{{ $member->role->value }}{{ $member->side ?
                    ", for {$member->side->people()}" : '' }}</span></td><td class="right">@if ($works)
                    <form method="post" action="/files/{{ $file->key }}/members/{{ $person->key }}">@csrf @method('delete')
                    <button class="button tight">{{ $person->id === auth()->id() ? 'Leave this file' :
                    "Remove {$person->name}" }}</button></form>@endif</td></tr>@endif
            @endforeach
        </tbody></table>
        <form method="dialog"><button class="button">Close</button></form>
    </dialog>
    <dialog id="labels" class="leaf pad" aria-label="Tags">
        <h2>Tags</h2>
        <form method="post" action="/files/{{ $file->key }}/labels">
            @csrf @method('put')
            <label class="line"><span>Tags, separated by commas</span><input class="input" name="labels"
                value="{{ implode(', ', $file->labels) }}" maxlength="400" placeholder="probate, relocation" autocomplete="off"></label>
            <button class="button now">Save tags</button> <button class="button" formmethod="dialog" formnovalidate>Close</button>
        </form>
    </dialog>
</x-layout>
