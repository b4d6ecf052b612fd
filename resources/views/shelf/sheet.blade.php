<x-office title="Your own sheet" at="shelf" about="one page about you, for your clients">
    <section class="leaf pad" aria-label="What it shows">
        <h2>What it shows</h2>
        <table class="ledger"><tbody>@foreach (['name' => 'Name', 'firm' => 'Company', 'office' => 'Office', 'phone' => 'Phone', 'email' =>
            'Email', 'license' => 'License', 'broker' => 'Broker'] as $fact => $label)@if (isset($facts[$fact]))<tr><td class="dim">{{
                $label
            }}</td><td>{{ $facts[$fact] }}</td></tr>@endif @endforeach</tbody></table>
        <p class="dim">Taken from your account, the roster and the office. When one changes, the sheet is updated.{{
            isset($facts['license']) ?
            '' : ' Your license is not on it: the roster has none that is still good.' }}</p>
    </section>
    <section class="leaf pad" aria-label="Your words"><h2>Your words</h2>
        <form method="post" action="/office/sheet">@csrf @method('put')
            <label class="unseen" for="words">Your words</label>
            <textarea class="textarea" id="words" name="words" rows="8" maxlength="{{ $most }}">{{ old('words', $item?->words) }}</textarea>
            <p class="in-row"><button class="button now">{{ $item ? 'Save' : 'Make my sheet' }}</button>@if ($item)<a
                href="/office/shelf/{{ $item->key }}/{{ $item->version }}.pdf">Open version {{ $item->version }}</a><a
                href="/office/shelf/{{ $item->key }}">Add it to a file</a>@endif</p>
        </form>
        @if (count($versions) > 1)<h3>Versions</h3><ul class="plain">@foreach ($versions as $one)<li>{{ $one->version }}, {{
            \App\Terms\When::list($one->made_at, auth()->user()->zone()) }}{{ $one->note === '' ? '' : ": {$one->note}" }}</li>@endforeach
        </ul>@endif
    </section>
</x-office>
