<x-office title="Inbox" at="inbox" :about="$away ? 'email archived in the last 90 days' : 'email that is not in a file yet'">
    <div class="leaf pad">
        <p class="inbox-ways">@if ($away)<a href="/office/inbox">Back to the inbox ({{ $waiting }})</a>
            @else<a href="/office/inbox?put-away=1">Archived</a>@endif
            @if (! $away && $items->count() > 1)<button class="button tight" form="file-several">File selected as
                proposed</button> <button class="button tight" form="file-several" formaction="/inbox/sort">Sort pages of
                selected</button>@endif</p>
        @if (! $away)<p class="dim small">Papers sent to <b>{{ $own }}</b> wait here for you.
            @can('sort-mail')Those sent to <b>{{ $common }}</b> wait for whoever sorts incoming email.@endcan</p>@endif
        @if (! $away)<form method="post" action="/inbox" enctype="multipart/form-data" class="drop-here" data-drop-files>@csrf
            <input type="hidden" name="key" value="{{ Str::random(24) }}">
            <label class="button tight">Put files in<input class="unseen" type="file" name="papers[]" multiple
                accept="{{ \Unanimus\Intake\BroughtKind::ENDINGS }},.zip" data-file-form aria-label="Put files in the inbox"></label>
            <span class="dim small">or drop them on this page. Photos dropped together become one paper; a ZIP is
                unpacked.</span></form>@endif
        @if ($sorters !== null)<details class="by-hand"><summary>Who sorts incoming email</summary><form
            method="post" action="/inbox/sorters"
            class="in-row">@csrf @foreach (\App\Models\Role::cases() as $role)<label class="checkbox"><input type="checkbox" name="roles[]"
            value="{{ $role->value }}" @checked(in_array($role->value, $sorters, true))> {{ $role->value }}s</label> @endforeach
            <button class="button tight">Save</button></form><p class="dim small">Everyone else files what came to their own address.</p>
            </details>@endif
        <form method="post" action="/inbox/file" id="file-several">@csrf</form>
        <datalist id="inbox-files">@foreach ($files as $name)<option value="{{ $name }}">@endforeach</datalist>
        @forelse ($items as $item)
            @php($zone = auth()->user()->zone())
            <section class="inbound" data-row aria-label="{{ $item->subject ?: '(no subject)' }}">
                <div class="inbound-head">
                    @unless ($away)<input type="checkbox" name="items[]" value="{{ $item->key }}" form="file-several"
                        aria-label="Select {{ $item->subject ?: '(no subject)' }}">
                    @endunless
                    <h2>{{ $item->subject ?: '(no subject)' }}</h2>
                    <span class="dim">{{ $item->sender }}, {{ \App\Terms\When::list($item->received_at, $zone) }}</span>
                    @if ($item->is_auto)<span class="tag-chip">Automatic</span>@endif
                    @if ($item->speaks_of_wiring)<span class="tag-chip hot">Speaks of wiring: call before you act on it</span>@endif
                    @if ($item->isUnproved())<span class="tag-chip">The sender could not be proved</span>@endif
                </div>
                @if ($item->body !== '')<details class="by-hand"><summary>{{ mb_strimwidth(trim((string) preg_replace('/\s+/u', ' ',
                    $item->body)), 0, 120, '…') }}</summary><p class="letter-text">{!! nl2br(e($item->body)) !!}</p></details>@endif
                <ul class="inbound-papers">
                    @foreach ($item->attachments as $place => $one)
                        @continue(! ($one['paper'] ?? true))
                        <li>@if (preg_match('/\.(?:pdf|jpe?g|png)$/i', $one['name']) === 1)<img
                            src="/inbox/{{ $item->key }}/{{ $place }}/first.webp" alt="" height="74" loading="lazy">@endif
                            <a href="/inbox/{{ $item->key }}/{{ $place }}" target="_blank">{{ $one['name'] }}</a></li>
                    @endforeach
                    @if ($item->papers() === [])<li class="dim">No papers came along.</li>@endif
                </ul>
                @isset($holds[$item->id])<p class="dim">{{ $holds[$item->id] }}</p>@endisset
                <div class="inbound-acts">
                    @if ($away)
                        <form method="post" action="/inbox/{{ $item->key }}/back">@csrf<button class="button tight">Bring it
                            back</button></form>
                    @else
                            <form method="post" action="/inbox/{{ $item->key }}/file" class="in-row">@csrf
                                @php($mine = $item->guess !== null && Gate::allows('work-on', $item->guess))
                                @php($sure = $item->sure >= 0.9 ? '' : ($item->sure >= 0.6 ? ', probably' : ', perhaps'))
                                <label class="line"><span>{{ $mine ? "It {$item->guessed_by}{$sure}" : 'Which file' }}</span><input
                                    class="input" name="to" list="inbox-files" maxlength="200" autocomplete="off" required
                                    value="{{ $mine ? $item->guess->name : '' }}" placeholder="file, address, or listing number"></label>
                                <button class="button tight now" data-next>File it</button></form>
                        @if ($item->papers() !== [])
                            <form method="post" action="/inbox/sort">@csrf<input type="hidden" name="items[]" value="{{ $item->key }}">
                                <button class="button tight">Sort its pages</button></form>
                        @endif
                        @can('open-files')
                            <details class="menu-at"><summary class="button tight">Open a file with it</summary>
                                <form class="menu" method="post" action="/inbox/{{ $item->key }}/open">@csrf
                                    <p>We represent</p>
                                    @foreach (['buyer' => 'the buyers', 'seller' => 'the seller', 'both' => 'both sides', 'tenant' =>
                                        'the tenants', 'landlord' => 'the landlord'] as $value => $word)<button class="button plain"
                                        name="represents" value="{{ $value }}">{{ $word }}</button>@endforeach</form></details>
                        @endcan
                        <form method="post" action="/inbox/{{ $item->key }}/put-away">@csrf<button class="button tight plain">Not a
                            paper</button></form>
                    @endif
                    <a class="small" href="/inbox/{{ $item->key }}/original.eml">The email as it came</a>
                </div>
            </section>
        @empty<p class="empty">{{ $away ? 'Nothing is archived.' :
            'Nothing is waiting. Documents sent to the office’s address show up here.' }}
            </p>@endforelse
        @if ($earlier)<p class="inbox-ways"><a class="button tight" href="/office/inbox?before={{ $earlier }}{{ $away ? '&put-away=1' :
            '' }}">Show earlier ones</a></p>@endif
    </div>
</x-office>
