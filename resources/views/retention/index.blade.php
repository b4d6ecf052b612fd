@php
    $kinds = ['any' => 'All files', 'sale' => 'Sales', 'lease' => 'Leases', 'referral' => 'Referrals', 'papers' => 'Papers without a deal'];
    $endings = ['any' => 'However it ended', 'closed' => 'Closed', 'terminated' => 'Terminated', 'expired' => 'Expired',
        'withdrawn' => 'Withdrawn'];
@endphp
<x-office title="Archive" at="archive" about="how long ended files are kept, and what was purged">
    <x-slot:acts>@if (count($offices) > 1)<form action="/office/archive" class="in-row"><label class="line"><span
        class="unseen">Office</span><span class="select"><select name="office">@foreach ($offices as $one)<option value="{{ $one->key }}"
        @selected($one->is($office))>{{ $one->name }}</option>@endforeach</select></span></label><button class="button tight">Show
        office</button></form>@endif</x-slot:acts>
    <section class="leaf pad" aria-label="Within a year"><h2>Within a year in {{ $office->name }}</h2>
        <table class="ledger"><thead><tr><th scope="col">File</th><th scope="col">Ended</th><th scope="col">Kept</th><th
            scope="col">Until</th><th scope="col">What happens</th></tr></thead><tbody>
        @forelse ($soon as [$file, $clock])
            <tr data-row><td><a href="/files/{{ $file->key }}/keeping" data-open>{{ $file->name }}</a>@if ($file->archived_at) <span
                class="dim small">archived</span>@endif</td><td>{{ $file->status->label() }} {{ $clock->ended?->short($clock->today->year())
                }}</td><td class="dim">{{ $clock->byRule() }}</td><td>{{ $clock->clock->until?->short($clock->today->year()) }}</td>
                <td>@if ($clock->hold)<b>On hold</b>: {{ $clock->hold->reason }}
                    @elseif ($clock->clock->purgedOn)<b class="late">Purged on {{ $clock->clock->purgedOn->short($clock->today->year())
                        }}</b>
                    @else<span class="dim">Notice {{ $clock->clock->until?->plusDays(-60)->short($clock->today->year()) }}</span>
                    @endif</td></tr>
        @empty<tr><td colspan="5" class="empty">{{ $rules->years === [] ? 'No period is set, so every file is kept permanently. Set one
            below.' :
            'Nothing within a year.' }}</td></tr>@endforelse
        </tbody></table>
    </section>
    @if ($held !== [])
    <section class="leaf pad" aria-label="On hold"><h2>On hold</h2>
        <table class="ledger"><thead><tr><th scope="col">File</th><th scope="col">Because</th><th scope="col">By</th><th
            scope="col">Since</th></tr></thead><tbody>
        @foreach ($held as [$file, $clock])<tr data-row><td><a href="/files/{{ $file->key }}/keeping">{{ $file->name }}</a></td><td>{{
            $clock->hold?->reason }}</td><td>{{ $clock->hold?->placer?->name }}</td><td class="dim">{{
            \App\Terms\When::list($clock->hold->created_at, $office->zone) }}</td></tr>@endforeach</tbody></table></section>
    @endif
    <section class="leaf pad" aria-label="Periods"><h2>How long {{ $office->name }} keeps its files</h2>
        <p class="dim">In years from the day a file closed or ended. Your state and license board say how many; ask them, not us. What is
            left empty is kept permanently, and the more specific entry wins.</p>
        <form method="post" action="/office/archive/{{ $office->key }}">@csrf @method('put')
            <div class="scrolls"><table class="ledger entry-grid"><thead><tr><td></td>@foreach ($endings as $ending)<th scope="col">{{
                $ending
                }}</th>@endforeach</tr></thead><tbody>
            @foreach ($kinds as $kind => $name)<tr><th scope="row">{{ $name }}</th>@foreach ($endings as $status => $ending)<td><input
                class="input short" name="years[{{ $kind }}-{{ $status }}]" inputmode="numeric" maxlength="2"
                value="{{ old("years.{$kind}-{$status}", $rules->years["{$kind}-{$status}"] ?? '') }}"
                aria-label="Years: {{ $name }}, {{ $ending }}"></td>@endforeach</tr>@endforeach
            </tbody></table></div>
            <label class="line"><span>Archive ended files after so many days (empty: by hand only)</span><input class="input short"
                name="archive" inputmode="numeric" maxlength="4" value="{{ old('archive', $rules->archiveAfter) }}"></label>
            <button class="button now">Save periods</button></form>
    </section>
    <section class="leaf pad" aria-label="Purged"><h2>Purged</h2>
        <table class="ledger"><thead><tr><th scope="col">Certificate</th><th scope="col">What</th><th scope="col">By rule</th><th
            scope="col">Purged</th></tr></thead><tbody>
        @forelse ($certificates as $one)<tr data-row><td><a href="/office/archive/certificates/{{ $one->key }}" data-open>{{
            substr($one->key, -8) }}</a></td><td>a {{ $one->kind }}, {{ str_replace('_', ' ', $one->status) }} {{ $one->ended_on->long()
                }}</td>
            <td class="dim">{{ $one->by_rule }}</td><td class="dim">{{ \App\Terms\When::list($one->purged_at, $office->zone) }}
            @unless ($one->finished_at)<span>{{ count($one->bytes_left) }} documents still going</span>@endunless</td></tr>
        @empty<tr><td colspan="4" class="empty">Nothing was purged yet.</td></tr>@endforelse
        </tbody></table>
    </section>
</x-office>
