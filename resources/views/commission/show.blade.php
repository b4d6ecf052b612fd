@php($at = "/files/{$file->key}/commission")
<x-layout :title="'Commission: '.$file->name" place="commission">
    <div class="head-row"><h1>Commission</h1><span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a></span><x-status
        :status="$file->status" />
        @foreach (count($sides) > 1 ? $sides : [] as $one)<a href="?side={{ $one->value }}" @if ($one === $side) aria-current="true"
            class="strong" @endif>{{ ucfirst($one->value) }} side</a>@endforeach
        <span class="right">@if ($entries?->paper)<a class="button solid"
            href="/papers/{{ $entries->paper->key }}">Open CDA</a>@endif</span></div>
    @if ($price === null)
        <div class="leaf empty">Commission is based on the {{ $file->kind === \Unanimus\Parties\DealKind::Lease ? 'rent' : 'price' }}.
            <a href="/files/{{ $file->key }}">Enter it in the file's terms</a> first.</div>
    @else
        @php($locked = $entries?->authorized_at !== null)
        <div class="columns-2">
            <div>
                @if ($locked && $sheet) @include('commission.release') @endif
                <div class="leaf pad">
                    @if ($locked)<details><summary>What was entered</summary>@else<h2>Entries</h2>@endif
                    <form method="post" action="{{ $at }}">
                        @csrf @method('put')<input type="hidden" name="side" value="{{ $side?->value }}">
                        @include('commission.entries')
                        @if ($proposed)<p class="dim small">
                            {{ $proposed->rate === null ? 'No commission is entered in the file’s terms.' :
                            'The percentage comes from the file’s terms ('.$proposed->rateFrom.').' }} {{ $proposed->fee === null ? '' :
                            'The fee comes from the file’s kits.' }} {{
                            $officeFees === [] ? '' : 'Further fees come from the office.' }} Check it,
                            then press Compute commission.</p>@endif
                        @can('set-commission', $file)@unless ($locked)
                            <button class="button {{ $sheet === null ? 'now' : '' }}">Compute commission</button>@endunless @endcan
                    </form>
                    @if ($locked)</details>@endif
                </div>
                @include('commission.versions')
            </div>
            <div>
            @if ($sheet === null && $told !== '')
                <div class="leaf empty late">{{ $told }}</div>
            @elseif ($sheet === null)
                <div class="leaf empty">Enter the percentage and the split, then press Compute commission to see who gets what.</div>
            @else
                @include('commission.sheet')
                @unless ($locked) @include('commission.what-if') @include('commission.release') @endunless
            @endif
            </div>
        </div>
    @endif
</x-layout>
