<x-layout :title="$paper->title" place="files" :scripts="['resources/js/zoom.js', ...($writes ? ['resources/js/layer.js'] : [])]">
    <div class="desk-bar" data-file="{{ $file->key }}">
        <h1>{{ $paper->title }}</h1>
        <span class="dim">{{ $paper->form_number === null ? '' : $paper->form_number.' · ' }}<a
            href="/files/{{ $file->key }}">{{ $file->name }}</a> · {{ $paper->state->readable() }}</span>
        <div class="acts">
            <a class="button tight" href="/papers/{{ $paper->key }}/pdf" target="_blank">Print</a>
            <a class="button tight" href="/papers/{{ $paper->key }}/text">Read as text</a>
            @if ($writes)<button class="button tight" type="button" id="write" aria-pressed="false"
                title="Add text, ticks, dates; strike out or cover (w)">Add text or marks</button>@endif
            @include('papers.care')
            @if ($paper->change_of !== null && $paper->state === \Unanimus\Files\PaperState::Ready)
                @can('work-on', $file)<form method="post" action="/files/{{ $file->key }}/rounds">@csrf<input type="hidden"
                    name="papers[]" value="{{ $paper->key }}"><button class="button tight now">Send for initials</button></form>@endcan
            @endif
            @if ($paper->requirement && in_array($paper->requirement->review_state->value, ['not_submitted', 'sent_back']) && $paper->state
                !== \Unanimus\Files\PaperState::Out)
                @can('work-on', $file)<form method="post" action="/requirements/{{ $paper->requirement->key }}/submit">@csrf
                    <button class="button tight now">Submit to broker{{ $paper->requirement->review_state->value === 'sent_back' ? ' again'
                    : '' }}</button></form>@endcan
            @endif
        </div>
    </div>
    @foreach (($paper->requirement?->openRemarks() ?? collect()) as $remark)<p class="say now">
        <b>Remark{{ $remark->page ? ', page '.$remark->page : '' }}:</b> {{ $remark->text }}</p>@include('review.answer')@endforeach
    <div class="desk" @if ($writes) data-paper="{{ $paper->key }}" data-pieces="{{ json_encode($pieces) }}"
        data-today="{{ $file->office->today()->long() }}" @endif>
        <nav class="thumbs" aria-label="Pages">
            @include('papers.zoom')@foreach ($view->sizes as $index => $size)<a href="#page-{{ $index + 1 }}"><img
            src="/papers/{{ $paper->key }}/pages/{{ $index + 1 }}.webp?v={{ $view->stamp }}" alt="" loading="lazy" width="76"
            height="98">{{ $index + 1 }}</a>@endforeach</nav>
        <div><div class="pages">
            @include('papers.pages', ['layered' => true, 'findings' => $findings, 'remarks' =>
            $paper->requirement?->openRemarks()])</div>@includeWhen($writes, 'papers.layer-bar')</div>
        <aside class="leaf blanks">
            @if ($findings !== [])<h2 class="minor">Check these</h2><ul class="findings">@foreach ($findings as $finding)<li>
                @if ($finding->page)<a href="#page-{{ $finding->page }}">{{ $finding->text }}</a>@else{{ $finding->text }}@endif</li>
                @endforeach</ul>@endif
            @if ($says !== [])
                <form method="post" action="/papers/{{ $paper->key }}/terms" class="says">@csrf
                    <h2 class="minor">It says, and the file does not</h2>
                    <ul>@foreach ($says as $one)<li><label class="checkbox"><input type="checkbox" name="take[]" value="{{ $one->name }}"
                        checked> {{ $one->label }}: <b>{{ $one->typed }}</b></label>@if ($one->quote !== '')<small
                        class="dim">“{{ $one->quote }}”, <a href="#page-{{ $one->page }}">page {{
                        $one->page }}</a></small>@elseif ($one->page)
                        <a class="small" href="#page-{{ $one->page }}">page {{ $one->page }}</a>@endif</li>@endforeach</ul>
                    <button class="button tight now">Take into the file</button>
                </form>
            @endif
            <h2 class="minor">Versions</h2>
            <ol>@forelse ($paper->versions->reverse() as $version)<li>
                <span class="label">{{ $version->made_by->label() }}, {{ $version->pages }} {{ $version->pages === 1 ? 'page' :
                'pages' }}</span><small>{{ \App\Terms\When::list($version->made_at, $file->office->zone) }}
                · {{ substr($version->sha256, 0, 12) }}</small>@if ($version->original_sha256)<small><a
                href="/papers/{{ $paper->key }}/versions/{{ $version->key }}/original">{{ $version->from_photo ? 'Download the photo' :
                'Download the signed original' }}</a></small>@endif
                @if ($version->note !== '' && $version->made_by ===
                \Unanimus\Files\MadeBy::Uploaded)<small>{{ $version->note }}</small>@endif</li>@empty<li class="dim">
                Nothing has arrived yet.</li>@endforelse</ol>
        </aside>
    </div>
</x-layout>
