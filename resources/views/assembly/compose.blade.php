<x-layout title="Combine papers" place="files" :scripts="['resources/js/assemble.js']">
    <div class="head-row"><h1>Combine papers</h1><span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
    <form method="post" action="/files/{{ $file->key }}/sets" class="columns-2" id="assemble">@csrf
        <div class="leaf pad"><h2>In this order</h2>
            <ol class="sequence" id="sequence" aria-label="Papers in order">
                @foreach ($chosen as $paper)@include('assembly.line', ['in' => true])@endforeach
            </ol>
            <p class="empty" id="none" @if ($chosen !== []) hidden @endif>Nothing selected yet. Add papers from the list below.</p>
            <p class="small dim">Drag a paper to move it, or use Alt and the arrow keys.</p>
            <h2 class="minor" @if ($others->isEmpty()) hidden @endif id="others-head">Not included</h2>
            <ol class="sequence out" id="others" aria-label="Papers not included">
                @foreach ($others as $paper)@include('assembly.line', ['in' => false])@endforeach</ol>
        </div>
        <div>
            <div class="leaf pad"><h2>Options</h2>
                <p><label class="checkbox"><input type="checkbox" name="cover" value="1"> Cover sheet with a list of the papers</label></p>
                <p><label class="checkbox"><input type="checkbox" name="blank" value="1"> Leave out blank pages</label></p>
                <label class="line"><span>At the bottom of each page</span><span class="select"><select
                    name="stamp">@foreach (\Unanimus\Pages\PageStamp::cases() as $stamp)
                    <option value="{{ $stamp->value }}" @selected($stamp->value === 'count')>{{ $stamp->label() }}</option>
                    @endforeach</select></span></label>
                <p class="with-taken">
                    <button class="button now">Combine</button> <button class="button" formaction="/files/{{ $file->key }}/assembled"
                    formtarget="_blank" data-again-button>Print now</button> <button class="button"
                    formaction="/files/{{ $file->key }}/papers.zip" data-again-button>Download as ZIP</button></p>
                <p class="small dim">The combined PDF is saved as it is now. You can give someone a reading copy of it.</p>
            </div><br>
            @if ($sets->isNotEmpty())<div class="leaf pad"><h2>Combined before</h2>
                <table class="ledger"><tbody>@foreach ($sets as $set)<tr data-row><td>
                    <a href="/sets/{{ $set->key }}" data-open>{{ \App\Terms\When::list($set->created_at, $file->office->zone) }}</a></td>
                    <td class="dim">{{ count($set->papers) === 1 ? '1 paper' : count($set->papers).' papers' }}{{ $set->pages ?
                    ', '.$set->pages.' pages' : '' }}</td><td class="right dim">
                    {{ $set->copies_count ? ($set->copies_count === 1 ? '1 reading copy' : $set->copies_count.' reading copies') : '' }}
                    </td></tr>@endforeach</tbody></table></div>@endif
        </div>
    </form>
</x-layout>
