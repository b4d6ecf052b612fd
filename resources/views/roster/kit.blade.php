<x-office :title="$kind->label()" at="roster" :about="'steps and documents in '.$office->name">
    <section class="leaf pad" aria-label="Steps"><h2>Steps</h2>
        <form method="post" action="/office/roster/kits/{{ $office->key }}/{{ $kind->value }}">@csrf @method('put')<input type="hidden"
            name="seen" value="{{ $version }}">
            <div class="scrolls"><table class="ledger lines"><thead><tr><th scope="col">What is done</th><th scope="col">By</th><th
                scope="col">Days before the {{ $kind->value === 'joining' ? 'first' : 'last' }} day</th></tr></thead><tbody>
            @foreach ([...$kit->steps, ...array_fill(0, 3, ['title' => '', 'by' => 'broker', 'before' => 0])] as $at => $step)
                <tr><td><input class="input" name="lines[{{ $at }}][title]" value="{{ old("lines.{$at}.title", $step['title']) }}"
                    maxlength="160"
                    aria-label="Step {{ $at + 1 }}" autocomplete="off"></td><td><span class="select"><select name="lines[{{ $at }}][by]"
                    aria-label="Who does step {{ $at + 1 }}">@foreach (\Unanimus\Roster\RosterKit::BY as $by)<option
                    @selected(old("lines.{$at}.by", $step['by']) === $by)>{{ $by }}</option>@endforeach</select></span></td><td><input
                    class="input days" name="lines[{{ $at }}][before]" value="{{ old("lines.{$at}.before", $step['before']) }}"
                        maxlength="4"
                    inputmode="numeric" aria-label="Days before, step {{ $at + 1 }}"></td></tr>
            @endforeach
            </tbody></table></div>
            <p class="dim">Clear a step to leave it out. A minus means after that day.</p>
            <h3>Documents that are expected</h3>
            <label class="unseen" for="documents">Documents, one on each line</label>
            <textarea class="textarea" id="documents" name="documents" rows="5">{{ old('documents', implode("\n", $kit->documents))
                }}</textarea>
            <p class="in-row"><button class="button now">Save</button><span class="dim">What is under way stays as it was begun.</span></p>
        </form>
    </section>
</x-office>
