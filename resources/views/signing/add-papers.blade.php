@php($open = \App\Signing\Http\RoundPapersController::open($round))
<details class="add-papers">
    <summary class="button tight">Add papers</summary>
    @if ($open !== [])
        <form method="post" action="/rounds/{{ $round->key }}/papers">
            @csrf
            @foreach ($open as $paper)<label class="checkbox"><input type="checkbox" name="papers[]" value="{{ $paper->key }}">
                {{ $paper->title }}</label>@endforeach
            <button class="button tight solid">Add</button>
        </form>
    @endif
    @php($shelf = auth()->user()->guest ? collect() : \App\Models\ShelfItem::forFiles(auth()->user()))
    @if ($shelf->isNotEmpty())<form method="post" action="/rounds/{{ $round->key }}/papers" class="in-row">@csrf
        <span class="select"><select name="shelf" aria-label="From the shelf"><option value="">From the shelf
            …</option>@foreach ($shelf as $item)<option
            value="{{ $item->key }}">{{ $item->title }}</option>@endforeach</select></span>
        <button class="button tight">Add</button></form>@endif
    @if (! auth()->user()->guest)<form method="post" action="/files/{{ $file->key }}/papers" enctype="multipart/form-data" data-bring
        data-then="/rounds/{{ $round->key }}/papers">@csrf
        <label class="small">Or from your computer, or drop it anywhere here
            <input type="file" name="pdf" multiple></label></form>@endif
    <ul id="bringing" hidden></ul>
</details>
