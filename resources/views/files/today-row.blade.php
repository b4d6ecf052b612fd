<li data-row>
    <a href="{{ $row->href }}" data-open>
        @if ($row->day !== '')<span @class(['day', 'late' => $row->left < 0])>{{ $row->day }}</span>
        @elseif ($row->seat !== null)<x-seat :seat="$row->seat" />
        @else<span @class(['bullet', 'soft' => ! $row->hot && $row->left < 0])></span>@endif
        <span class="what"><b>{{ $row->what }}</b>
            <span @class(['late' => $row->left < 0 && $row->day === ''])>{{ $row->about }}</span>@if ($where && $row->where !== '')<span
            class="where">{{ $row->where }}</span>@endif</span>
    </a>
    @if ($row->act)
        <form method="post" action="{{ $row->act['to'] }}">@csrf
            @foreach ($row->act['with'] as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
            <button class="button tight" data-next
                aria-label="{{ $row->act['label'] }}: {{ $row->what }}, {{ $row->where }}">{{ $row->act['label'] }}</button></form>
    @endif
</li>
