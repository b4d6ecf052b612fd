@php($rows = $file->papers->filter(fn ($paper) => ! in_array($paper->state->value, ['void', 'out'], true)))
<section class="placing" id="placing" aria-labelledby="placing-title">
    <h3 id="placing-title">Check where your uploads go</h3>
    <form method="post" action="/files/{{ $file->key }}/placing">
        @csrf
        <ul>
            @foreach ($placing as $upload)
                @php($parts = $upload->stack())
                @php($chosen = $upload->meant_id ?? ($upload->before_state === null ? null : $upload->paper_id))
                <li draggable="true" data-upload>
                    <span class="grip" aria-hidden="true">⠿</span>
                    <span class="what"><b>{{ $upload->name }}</b>
                        <span class="dim small">
                            @if ($upload->meant_id !== null && $parts === []) looks like the {{ $rows->firstWhere('id',
                                $upload->meant_id)?->title }}
                            @elseif ($upload->before_state !== null) was matched to {{ $upload->paper?->title }}
                            @endif
                        </span>
                        @if ($parts !== [])
                            <label class="check"><input type="checkbox" name="apart[]" value="{{ $upload->key }}"
                                @checked($upload->placeholder_id === null)>
                                Separate the {{ count($parts) }} papers in it:
                                {{ implode(', ', array_map(fn ($part) => $part->readable(), $parts)) }}</label>
                        @endif
                        @if (($upload->paper?->latest?->pages ?? 0) > 1)
                            <button class="button tight plain" form="sort-{{ $upload->key }}">Sort its pages</button>@endif
                    </span>
                    <span class="select"><select name="to[{{ $upload->key }}]" aria-label="Where {{ $upload->name }} goes">
                        @foreach ($rows as $row)
                            @continue($upload->before_state === null && $row->id === $upload->paper_id)
                            <option value="{{ $row->key }}" @selected($row->id === $chosen)>{{ $row->title }}</option>
                        @endforeach
                        <option value="" @selected($chosen === null)>A paper of its own</option>
                    </select></span>
                </li>
            @endforeach
        </ul>
        <button class="button tight now">Place {{ $placing->count() === 1 ? '1 file' : $placing->count().' files' }}</button>
        <button class="button tight plain" name="leave" value="1">Leave {{ $placing->count() === 1 ? 'it where it is' :
            'them where they are' }}</button>
        <span class="dim small">Choose another row, or drag a file onto its row below.</span>
    </form>
    @foreach ($placing as $upload)<form method="post" id="sort-{{ $upload->key }}"
        action="/files/{{ $file->key }}/uploads/{{ $upload->key }}/sort">@csrf</form>@endforeach
</section>
