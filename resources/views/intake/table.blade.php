@php($stack = $plan->stack)
@php($pencil = $plan->pencil)
@php($places = $plan->places())
@php($parts = $plan->table->parts)
@php($several = count($stack->sources) > 1)
@php($reading = ! $stack->isRead())
<div id="table" data-step="{{ $stack->step }}" @if ($reading) data-reading @endif>
    @if (($refused ?? '') !== '')<p class="say late" role="alert">{{ $refused }}</p>@endif
    @if ($stack->ready_at === null)
        <p class="leaf pad empty" role="status">The pages are being prepared. They will show up here.</p>
    @else
    <div class="sorting-bar" role="toolbar" aria-label="Sorting">
        @if ($pencil->sure() > 0)<button class="button tight now" type="button" data-do="take-sure">Take what is sure
            ({{ $pencil->sure() }}) <kbd>a</kbd></button>
        @elseif ($reading)<span class="dim" role="status">Reading the pages. You can sort meanwhile.</span>
        @endif
        <button class="button tight" type="button" data-do="turn">Turn <kbd>r</kbd></button>
        <button class="button tight" type="button" data-do="aside">Put aside <kbd>x</kbd></button>
        <button class="button tight" type="button" data-do="move" data-to="new">Make it a paper <kbd>m</kbd></button>
        <button class="button tight" type="button" data-do="straighten">Straighten <kbd>s</kbd></button>
        <button class="button tight plain" type="button" data-do="undo" @disabled($stack->step === 0)>Undo <kbd>u</kbd></button>
        <button class="button tight plain" type="button" data-do="redo" @disabled($stack->step === $stack->last_step)>Redo</button>
        @if ($stack->deal_file_id === null)
            @php($into = collect($parts)->map(fn ($part) => $plan->file($part)?->name)->unique())
            <label class="sorting-file"><span>Into</span><input class="input" list="sorting-files" data-do="file" data-all maxlength="200"
                value="{{ $into->count() === 1 ? $into->first() : '' }}" autocomplete="off"
                placeholder="{{ $into->count() > 1 ? 'several files' : 'file, address, or listing number' }}"></label>
        @endif
        <label class="sorting-size">Size <input type="range" min="70" max="260" step="10" value="110" data-size></label>
    </div>
    @foreach ($parts as $place => $part)
        @php($file = $plan->file($part))
        @php($row = $places[$part->key])
        @php($name = $pencil->names[$part->key] ?? null)
        <section class="part leaf" data-part="{{ $part->key }}" aria-label="{{ $plan->title($part) }}">
            <div class="part-head">
                <label class="part-name"><span class="unseen">Name of this paper</span><input class="input serif"
                    @class(['pencilled' => $part->title === '']) data-do="name" value="{{ $plan->title($part) }}" maxlength="120"></label>
                <span class="dim">{{ count($part->pages) === 1 ? '1 page' : count($part->pages).' pages' }}</span>
                @if ($stack->deal_file_id === null && $file)
                    <details class="menu-at part-file"><summary class="button tight plain">{{ $file->name }}</summary>
                        <label class="menu line"><span>Another file for this paper</span><input class="input" list="sorting-files"
                            data-do="file" value="" placeholder="file, address, or listing number" maxlength="200"></label></details>
                @endif
                <span class="select"><select data-do="row" aria-label="Where {{ $plan->title($part) }} goes" @disabled($file === null)>
                    <option value="own" @selected($row === null)>A paper of its own</option>
                    @foreach ($plan->rowsFor($part) as $one)
                        <option value="{{ $one->key }}" @selected($row?->is($one))>{{ $one->title }}</option>
                    @endforeach
                </select></span>
                @if ($name && $name['copy'])<span class="tag-chip">Seems to be a second copy</span><button type="button"
                    class="button tight pencil" data-do="aside" data-whole>Put the copy aside</button>@endif
                @isset($pencil->orders[$part->key])<button class="button tight pencil" type="button" data-do="take"
                    data-to="order:{{ $part->key }}">Put its pages in order</button>@endisset
                @if ($place > 0)<button class="button tight plain" type="button" data-do="join" data-to="{{ $part->key }}"
                    aria-label="Join {{ $plan->title($part) }} with the paper above">Join with above</button>@endif
            </div>
            <ol class="pages-out">
                @foreach ($part->pages as $index => $page)
                    @php($id = $page->id())
                    @php($of = $several ? ' of '.($stack->sources[$page->stack - 1]['name'] ?? '') : '')
                    <li data-before="{{ $id }}">
                        @if ($index > 0)<button type="button" tabindex="-1" @class(['cut', 'pencil' => isset($pencil->cuts[$id])])
                            data-do="cut" data-to="{{ $id }}" aria-label="Cut before page {{ $page->page }}"></button>@endif
                        <button type="button" @class(['table-page', 'pencil-aside' => in_array($id, $pencil->blanks, true)])
                            data-page="{{ $id }}" draggable="true" aria-pressed="false"
                            tabindex="{{ $place === 0 && $index === 0 ? 0 : -1 }}"
                            aria-label="Page {{ $page->page }}{{ $of }}@if ($page->turn !== 0), turned {{ $page->turn }}°@endif">
                            <span class="table-page-in" data-turn="{{ $page->turn }}"><img loading="lazy" decoding="async" alt=""
                                src="/stacks/{{ $stack->key }}/{{ $page->stack }}/small/{{ $page->page }}.webp"></span>
                            <span class="table-page-no">{{ $several ? $page->stack.'·' : '' }}{{ $page->page }}@if ($page->straight)
                                ⟂@endif</span>
                        </button>
                        @isset($pencil->turns[$id])<button type="button" class="pencil mark-it" tabindex="-1" data-do="take"
                            data-to="turn:{{ $id }}">Turn {{ $pencil->turns[$id] }}°</button>@endisset
                        @if (in_array($id, $pencil->blanks, true))<button type="button" class="pencil mark-it" tabindex="-1" data-do="take"
                            data-to="blank:{{ $id }}">Blank</button>@endif
                        @if (in_array($id, $pencil->askew, true))<button type="button" class="pencil mark-it low" tabindex="-1"
                            data-do="take" data-to="askew:{{ $id }}">Straighten</button>@endif
                    </li>
                @endforeach
            </ol>
        </section>
    @endforeach
    @if ($plan->table->aside !== [])
        <section class="part aside" aria-label="Put aside" data-aside>
            <div class="part-head"><h2 class="minor">Put aside</h2><span class="dim">{{ count($plan->table->aside) === 1 ? '1 page goes' :
                count($plan->table->aside).' pages go' }} into no paper</span>
                <button class="button tight plain" type="button" data-do="back">Bring back <kbd>b</kbd></button></div>
            <ol class="pages-out">
                @foreach ($plan->table->aside as $page)
                    <li><button type="button" class="table-page" data-page="{{ $page->id() }}" draggable="true" aria-pressed="false"
                        tabindex="-1" aria-label="Page {{ $page->page }}, put aside"><span class="table-page-in"
                        data-turn="{{ $page->turn }}"><img
                        loading="lazy" decoding="async" alt=""
                        src="/stacks/{{ $stack->key }}/{{ $page->stack }}/small/{{ $page->page }}.webp"></span><span
                        class="table-page-no">{{ $several ? $page->stack.'·' : '' }}{{ $page->page }}</span></button></li>
                @endforeach
            </ol>
        </section>
    @endif
    <form class="sorting-end" method="post" action="/stacks/{{ $stack->key }}/file">@csrf
        <input type="hidden" name="seen" value="{{ $stack->step }}">
        <button class="button solid" @disabled($parts === [])>{{ count($parts) === 1 ? 'File 1 paper' :
            'File '.count($parts).' papers' }}</button>
        @if ($stack->paper)<label class="checkbox"><input type="checkbox" name="take_away" value="1"
            @checked($stack->upload_id !== null)> Take “{{ $stack->paper->title }}” out of the file afterwards</label>@endif
        <span class="dim small">The stack is kept as it came. Click between two pages to cut. <kbd>c</kbd> cuts before a page,
            <kbd>Alt</kbd> with an arrow moves it, <kbd>Enter</kbd> shows it large.</span>
    </form>
    @endif
</div>
