<x-office title="Certificate" at="archive" about="of a file that was purged">
    <section class="leaf pad" aria-label="Certificate">
        <dl class="attested">
            <div><dt>What</dt><dd>a {{ $certificate->kind }}, opened {{ $certificate->opened_on->long() }}, {{ str_replace('_', ' ',
                $certificate->status) }} {{ $certificate->ended_on->long() }}, {{ $certificate->office->name }}</dd></div>
            <div><dt>When</dt><dd>{{ \App\Terms\When::list($certificate->purged_at, $certificate->office->zone) }}, announced {{
                $certificate->announced_on->long() }}</dd></div>
            <div><dt>By rule</dt><dd>{{ $certificate->by_rule }}</dd></div>
            <div><dt>Rows</dt><dd>{{ number_format(array_sum($certificate->purged_rows)) }} in {{ count($certificate->purged_rows)
                }} tables</dd></div>
            <div><dt>Documents</dt><dd>{{ $certificate->bytes_removed }} removed, {{ $certificate->bytes_shared }} kept because other files
                have the same.
                @if ($certificate->bytes_left !== []){{ count($certificate->bytes_left) }} still going: documents that came in within the
                    last
                day wait until tomorrow.@endif</dd></div>
            <div><dt>History</dt><dd>{{ $certificate->history_entries }} entries, the last one’s hash <code class="breaks">{{
                $certificate->history_hash }}</code></dd></div>
            <div><dt>File</dt><dd><code>{{ $certificate->file_key }}</code></dd></div>
        </dl>
        <form class="in-row"><label class="line"><span>Was it this file? Enter its full name</span><input class="input" name="name"
            value="{{ $name }}" autocomplete="off"></label><button class="button tight">Compare names</button></form>
        @if ($is === true)<p class="ok">Yes. This certificate is of “{{ $name }}”.</p>@elseif ($is === false)<p class="late">No. The file
            had another name.</p>@endif
    </section>
</x-office>
