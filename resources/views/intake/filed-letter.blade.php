<x-layout :title="$item->subject ?: 'Email'" place="files">
    <div class="file-head"><div><h1>{{ $item->subject ?: '(no subject)' }}</h1><span class="dim">{{ $item->sender }},
        {{ \App\Terms\When::list($item->received_at, $file->office->zone) }} · <a href="/files/{{ $file->key }}/messages">all messages of
        {{ $file->name }}</a></span></div>
        @can('work-on', $file)<form method="post" action="/files/{{ $file->key }}/messages">@csrf<input type="hidden" name="answers"
            value="{{ $item->key }}"><button class="button now">Answer</button></form>@endcan</div>
    @if ($item->speaks_of_wiring)<p class="say hot">This email speaks of wiring instructions. Call the sender at a number you already
        have before anybody sends money.</p>@endif
    @if ($item->isUnproved())<p class="say">The sender could not be proved.</p>@endif
    <article class="leaf pad letter-page" aria-label="The email">
        @if ($page !== ''){!! $page !!}@else<p class="letter-text">{!! nl2br(e($item->body)) !!}</p>@endif
    </article>
    @if ($item->attachments !== [])<section class="leaf pad"><h2>What came with it</h2>
        <ul class="plain">@foreach ($item->attachments as $one)<li>{{ $one['name'] }}@unless ($one['paper'] ?? true)
            <span class="dim">not kept as a paper</span>@endunless</li>@endforeach</ul></section>@endif
    <p class="dim small">Pictures that an email would fetch from elsewhere are never loaded.</p>
</x-layout>
