@php($most = 8)
<section aria-labelledby="{{ $id }}"><h2 id="{{ $id }}">{{ $title }}<small>{{ $note }}</small></h2>
    @if ($rows === [])
        <p class="dim">{{ $empty }}</p>
    @elseif ($grouped)
        @foreach (collect($rows)->groupBy('where') as $where => $group)
            <h3>@if ($where === '')Review desk @else{{ $where }}@endif</h3>
            <ul>@foreach ($group as $row)@include('files.today-row', ['row' => $row, 'where' => false])@endforeach</ul>
        @endforeach
    @else
        <ul>@foreach (array_slice($rows, 0, $most) as $row)@include('files.today-row', ['where' => true])@endforeach</ul>
        @if (count($rows) > $most)
            <details class="today-more"><summary>{{ count($rows) - $most }} more</summary>
                <ul>@foreach (array_slice($rows, $most) as $row)@include('files.today-row', ['where' => true])@endforeach</ul></details>
        @endif
    @endif
</section>
