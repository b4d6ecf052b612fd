@php
    $making = $own->isInTheMaking();
    $kinds = ['text' => 'Text', 'lines' => 'Text on several lines', 'money' => 'Amount', 'percent' => 'Percentage', 'date' => 'Date',
        'time' => 'Time', 'number' => 'Number', 'choice' => 'One of a list', 'tick' => 'Tick'];
    $marks = ['signature' => 'Signature', 'initials' => 'Initials', 'date' => 'Date of signing', 'name' => 'Printed name'];
    $blocking = count(array_filter($faults, fn ($fault) => $fault['blocks']));
@endphp
<x-layout :title="$own->title" place="office" :scripts="['resources/js/zoom.js', ...($making ? ['resources/js/own-form.js'] : [])]">
    <div class="desk-bar">
        <h1>{{ $own->title }}</h1>
        <span class="dim">{{ trim($own->number.' rev. '.$own->revision) }} · {{ ['making' => 'draft', 'in_force' => 'active', 'superseded'
            => 'an earlier revision', 'retired' => 'retired', 'dropped' => 'discarded'][$own->status] }} ·
            <a href="/own-forms">Our forms</a></span>
        <div class="acts">
            @if ($making)
                <span id="stored" class="stored" role="status">Saved as you go</span>
                <button class="button tight" type="button" id="undo" disabled>Undo</button>
                <a class="button tight" href="/own-forms/{{ $own->key }}/try">Try it out</a>
                @can('put-forms-in-force')<form method="post" action="/own-forms/{{ $own->key }}/in-force">@csrf
                    <button class="button tight now" id="in-force" @disabled($blocking > 0)>Activate form</button></form>@endcan
            @else
                <a class="button tight" href="/own-forms/{{ $own->key }}/try">Try it out</a>
                @if (in_array($own->status, ['in_force', 'retired'], true))
                    <details class="by-hand"><summary>Next revision</summary><div class="leaf pad popped care">
                        <form method="post" action="/own-forms/{{ $own->key }}/revise" enctype="multipart/form-data">@csrf
                        <p>Use the same pages, or upload new ones:</p>
                            <input type="file" name="pdf" accept="{{ \Unanimus\Intake\BroughtKind::ENDINGS }}"
                            aria-label="Pages of the next revision"><p><button class="button tight now">Start next revision</button></p>
                            </form></div></details>
                @endif
            @endif
        </div>
    </div>
    @if ($making && $own->notes !== [])<p class="dim form-notes">{{ implode(' ', $own->notes) }}</p>@endif
    <div class="desk form-desk" @if ($making) id="own-form" data-form="{{ $own->key }}" data-items="{{ json_encode($own->items) }}"
        data-faults="{{ json_encode($faults) }}" @endif>
        <nav class="thumbs" aria-label="Pages">
            @include('papers.zoom')@foreach ($own->pages as $index => $size)<a href="#page-{{ $index + 1 }}"><img
            src="/own-forms/{{ $own->key }}/pages/{{ $index + 1 }}.webp" alt="" loading="lazy" width="76" height="98">{{ $index +
            1 }}</a>@endforeach</nav>
        <div class="pages">
            @foreach ($own->pages as $index => [$width, $height])
                <section class="page" id="page-{{ $index + 1 }}" data-page="{{ $index + 1 }}" aria-label="Page {{ $index + 1 }}">
                    <svg viewBox="0 0 {{ $width }} {{ $height }}" data-width="{{ $width }}" data-height="{{ $height }}">
                        <image {{ $index < 4 ? '' : 'data-' }}href="/own-forms/{{ $own->key }}/pages/{{ $index + 1 }}.webp"
                            width="{{ $width }}" height="{{ $height }}"/>
                        <g class="items">@unless ($making) @foreach ($own->draft()->items as $item) @if ($item->page === $index + 1)
                            <rect @class(['item', 'is-mark' => $item->isMark()]) x="{{ $item->place->x }}" y="{{ $item->place->y }}"
                            width="{{ $item->place->width }}" height="{{ $item->place->height }}">
                            <title>{{ $item->isMark() ? $item->kind->label().', '.$item->seat : $item->label }}</title></rect>
                            @endif @endforeach @endunless</g>
                    </svg>
                </section>
            @endforeach
        </div>
        @if ($making)
        <aside class="leaf blanks" aria-label="The form">
            <form id="item" hidden aria-label="The chosen blank">
                <h2 class="minor" id="item-head">Blank</h2>
                <label class="line"><span>Kind</span><span class="select"><select name="kind"><optgroup
                    label="Filled before signing">@foreach ($kinds as $kind => $name)<option value="{{ $kind }}">{{ $name }}</option>
                    @endforeach</optgroup><optgroup label="Made by a signer">@foreach ($marks as $kind => $name)
                    <option value="mark:{{ $kind }}">{{ $name }}</option>@endforeach</optgroup></select></span></label>
                <label class="line for-mark"><span>Seat</span><span class="select"><select name="seat"><option value="">no one yet</option>
                    @foreach (['buyer' => 4, 'seller' => 4, 'tenant' => 2, 'landlord' => 2, 'agent' => 2, 'coagent' => 1, 'broker' => 1,
                    'escrow' => 1, 'lender' => 1, 'other' => 2] as $role => $most) @for ($n = 1; $n <= $most; $n++)
                    <option value="{{ $role }}.{{ $n }}">{{ \Unanimus\Signing\Seat::of("{$role}.{$n}")->label() }}</option>
                    @endfor @endforeach</select></span></label>
                <label class="line for-blank"><span>Words</span><input class="input" name="label" maxlength="80" autocomplete="off"></label>
                <label class="line for-blank"><span>Follows</span><input class="input" name="binding" list="bindings" maxlength="80"
                    autocomplete="off" placeholder="nothing (typed by hand)"><small class="dim" id="fact-name"></small></label>
                <label class="line for-choice"><span>Choices, one per line</span><textarea class="textarea" name="options"
                    rows="4"></textarea></label>
                <label class="checkbox for-blank"><input type="checkbox" name="required"> must be filled before signing</label>
                <details class="for-blank more"><summary>More</summary>
                    <label class="line"><span>Name in the file</span><input class="input" name="name" maxlength="60"
                        autocomplete="off"></label>
                    <label class="line for-tick"><span>One of the choice</span><input class="input" name="group" maxlength="60"
                        autocomplete="off" list="groups"></label>
                    <label class="line for-money"><span>Computed as</span><input class="input" name="formula" maxlength="300"
                        autocomplete="off" placeholder="price - earnest_money"></label>
                    <label class="line"><span>Counts only with</span><input class="input" name="when" maxlength="60" autocomplete="off"
                        list="names"></label>
                </details>
                <p class="in-row"><button class="button tight" type="button" id="again">Another beside it</button>
                    <button class="button tight plain" type="button" id="drop">Remove</button></p>
                <p class="small dim">Arrow keys move it. With Shift they resize it. Delete removes it, = adds another beside it, n adds a
                    new one below.</p>
            </form>
            <details class="about" @if ($own->number === '') open @endif><summary>Number, revision, name</summary>
                <form id="about"><div class="two">
                    <label class="line"><span>Number</span><input class="input" name="number" value="{{ $own->number }}" maxlength="8"
                    placeholder="QR-12" autocomplete="off"></label><label class="line"><span>Revision</span><input class="input"
                    name="revision" value="{{ $own->revision }}" maxlength="12" autocomplete="off"></label></div>
                <label class="line"><span>Name</span><input class="input" name="title" value="{{ $own->title }}" maxlength="120"
                    autocomplete="off"></label>
                <label class="line"><span>Stage</span><span class="select"><select
                    name="stage">@foreach (\Unanimus\Requirements\Stage::names() as $stage => $name)
                    <option value="{{ $stage }}" @selected($own->stage === $stage)>{{ $name }}</option>
                    @endforeach</select></span></label></form>
            </details>
            <p class="small dim" id="point">Select a blank to change it, or draw a new one on the page.</p>
            <div><p><b id="fit" role="status"></b></p><ul class="findings" id="faults" aria-label="To fix" hidden></ul></div>
            <p class="in-row">
                <b id="count"></b> <button class="button tight plain" type="button" id="reading-order">Put in reading order</button></p>
            <ol id="order" aria-label="Blanks and marks in order"></ol>
            <datalist id="bindings">@foreach ($bindings as $name => $label)<option value="{{ $name }}">{{ $label }}</option>
                @endforeach</datalist><datalist id="groups"></datalist><datalist id="names"></datalist>
        </aside>
        @else
        <aside class="leaf blanks" aria-label="The form"><p><b>{{ count($own->items) }} blanks and marks</b></p>
            <ol>@foreach ($own->draft()->items as $item)<li>
                <span class="label">{{ $item->isMark() ? ucfirst($item->kind->label()) : $item->label }}</span><small>{{ $item->isMark() ?
                $item->seat :
                ($kinds[$item->kind->value].($item->binding === '' ? '' :
                ', follows '.\Unanimus\Forms\Bindings::label($item->binding))) }}, page {{ $item->page }}</small></li>@endforeach</ol>
                </aside>
        @endif
    </div>
</x-layout>
