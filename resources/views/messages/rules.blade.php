<x-office title="Automatic emails" at="letters" about="off until you turn them on; one email per event">
    <section class="leaf pad" aria-label="Rules">
        <table class="ledger"><thead><tr><th scope="col">Letter</th><th scope="col">When</th><th scope="col">To</th><th
            scope="col">Office</th><th scope="col">On</th><th scope="col"><span class="unseen">Remove</span></th></tr></thead><tbody>
        @forelse ($rules as $rule)
            <tr data-row><td>{{ $rule->letter->name }}</td><td>{{ $rule->when() }}</td><td>{{ $rule->readers() }}</td><td>{{
                $rule->office->name }}</td><td><form method="post" action="/office/letter-rules/{{ $rule->key }}">@csrf<input type="hidden"
                name="on" value="{{ $rule->on_since ? 0 : 1 }}"><button class="button tight"
                aria-label="Turn {{ $rule->on_since ? 'off' : 'on' }}: {{ $rule->letter->name }}, {{ $rule->when() }}">{{
                $rule->on_since ? 'Turn off' : 'Turn on' }}</button>
                @if ($rule->on_since)<span class="ok small">on since {{ \App\Terms\When::list($rule->on_since, $rule->office->zone)
                    }}</span>
                @endif</form></td><td class="right">@if (! $rule->on_since)<form method="post"
                action="/office/letter-rules/{{ $rule->key }}">@csrf @method('delete')<button class="button tight plain"
                    aria-label="Remove: {{
                $rule->letter->name }}, {{ $rule->when() }}">Remove</button></form>@endif</td></tr>
        @empty<tr><td colspan="6" class="empty">No automatic emails yet.</td></tr>@endforelse
        </tbody></table>
    </section>
    <section class="leaf pad" aria-label="New automatic email"><h2>New automatic email</h2>
        @if ($letters->isEmpty())<p>Write a <a href="/office/letters/new">form letter for everyone</a> first.</p>
        @else
        <form method="post" action="/office/letter-rules" class="rule-entry">@csrf
            <div class="money-entries">
                <label class="line"><span>Send</span><span class="select"><select name="letter">@foreach ($letters as $letter)<option
                    value="{{ $letter->key }}">{{ $letter->name }}</option>@endforeach</select></span></label>
                <label class="line"><span>In</span><span class="select"><select name="office">@foreach ($offices as $office)<option
                    value="{{ $office->key }}">{{ $office->name }}</option>@endforeach</select></span></label>
                <label class="line"><span>When</span><span class="select"><select name="event">
                    @foreach (\Unanimus\Messages\LetterEvent::cases() as $event)<option value="{{ $event->value }}">{{ $event->label() }}
                    </option>@endforeach</select></span></label>
                <label class="line for-status"><span>Which status</span><span class="select"><select name="status">
                    @foreach (\App\Models\LetterRule::statuses() as $status)<option @selected($status === 'Under contract')>{{ $status }}
                    </option>@endforeach</select></span></label>
                <label class="line for-date"><span>Which date</span><span class="select"><select name="date">
                    @foreach ($anchors as $term)<option value="{{ $term->value }}" @selected($term->value === 'closing')>{{
                        $term->label() }}
                    </option>@endforeach</select></span></label>
                <label class="line for-date"><span>Days before</span><input class="input" type="number" name="days" min="0" max="60"
                    value="3">
                    </label>
                <label class="line for-accepted"><span>Which document</span><input class="input" name="document" maxlength="80"
                    placeholder="any, or part of its name"></label>
            </div>
            <fieldset class="who-gets"><legend>To</legend><div class="picks">@foreach (\Unanimus\Messages\LetterAudience::cases() as $one)
                @continue($one === \Unanimus\Messages\LetterAudience::OurAgents)<label class="pick"><input type="checkbox" name="audience[]"
                value="{{ $one->value }}"> {{ $one->label() }}</label>@endforeach</div></fieldset>
            <button class="button">Save (off for now)</button>
        </form>
        @endif
    </section>
    <section class="leaf pad" aria-label="Log"><h2>Log</h2>
        <table class="ledger"><thead><tr><th scope="col">When</th><th scope="col">File</th><th scope="col">Because</th><th
            scope="col">Result</th></tr></thead><tbody>
        @forelse ($log as $line)<tr><td class="dim">{{ \App\Terms\When::list(\Illuminate\Support\Carbon::parse($line->at),
            auth()->user()->zone()) }}</td><td><a href="/files/{{ $line->file_key }}/messages">{{ $line->file }}</a></td><td>{{
            ucfirst($line->because) }}</td><td>{{ $line->did }}</td></tr>
        @empty<tr><td colspan="4" class="empty">Nothing yet.</td></tr>@endforelse
        </tbody></table>
    </section>
</x-office>
