<div class="leaf pad">
    <h2>Who gets what of {{ $sheet->gross->ledger() }}</h2>
    @foreach ($sheet->held as $why)<p class="say late">Not released: {{ $why }}</p>@endforeach
    @if ($earlierChanged)<p class="say late">An earlier sheet counts otherwise now than when this one was authorized. These figures stay as
        they are. If they should follow, withdraw the authorization and make a new one.</p>@endif
    @php($note = $entries?->entered()->value('note') ?: (string) $facts->value('commission_note'))
    @if ($note !== '')<p class="say">{{ $note }}</p>@endif
    @use(App\Commission\FlowDrawing)
    @foreach (['wide' => $flow, 'narrow' => FlowDrawing::of($sheet, FlowDrawing::NARROW)] as $room => $drawn)
        @php($isWide = $room === 'wide')
        <svg class="flow {{ $room }}" viewBox="0 0 {{ $isWide ? 640 : 340 }} {{ $drawn->tall }}" role="img"
            aria-label="@foreach ($sheet->payees as $payee){{ $payee->name }} {{ $payee->amount->ledger() }}. @endforeach">
        <rect class="source" x="{{ $drawn->left - 12 }}" y="{{ $drawn->top }}" width="12" height="{{ $drawn->height }}"/>
        @if ($isWide)
            <text class="sum" x="76" y="{{ $drawn->top + $drawn->height / 2 }}" text-anchor="end">{{ $sheet->gross }}</text>
            <text class="dim-text" x="76" y="{{ $drawn->top + $drawn->height / 2 + 15 }}" text-anchor="end">comes in</text>
        @endif
        @foreach ($drawn->streams as $stream)
            @php([$at, $middle] = [$drawn->right + 12, $stream['y'] + $stream['height'] / 2])
            <g class="tone-{{ $stream['tone'] }}"><path class="stream" d="{{ $stream['path'] }}"/></g>
            <text class="sum" x="{{ $at }}" y="{{ $middle - 2 }}">{{ $stream['payee']->amount->ledger() }}</text>
            <text x="{{ $at }}" y="{{ $middle + 14 }}">{{ $stream['payee']->name }}</text>
            <text class="dim-text" x="{{ $at }}" y="{{ $middle + 29 }}">{{ $stream['payee']->formula }}</text>
        @endforeach
    </svg>@endforeach
    <table class="ledger">
        <thead><tr><th scope="col">Step</th><th scope="col">How it is computed</th><th scope="col" class="amount">Amount</th></tr></thead>
        <tbody>
        @foreach ($sheet->steps as $step)<tr><td>{{ $step->label }}</td><td class="dim">{{ $step->formula }}</td>
            <td class="amount">{{ $step->amount->ledger() }}</td></tr>@endforeach
        @foreach ($sheet->payees as $payee)<tr><td><b>Pay {{ $payee->name }}</b></td><td class="dim">{{ $payee->formula }}</td>
            <td class="amount"><b>{{ $payee->amount->ledger() }}</b></td></tr>@endforeach
        <tr class="sum"><td>Paid out</td><td class="dim">
            {{ $sheet->tiesOut() ? 'equals what comes in' : 'does not equal what comes in' }}</td>
            <td class="amount">{{ $sheet->paid()->ledger() }}</td></tr>
        </tbody>
    </table>
    @foreach (array_filter($years) as $id => $year)
        <div class="plan-year"><b>{{ $names[$id][0] }}</b> <span class="dim">{{ $year->readable() }}</span>
            @if ($year->cap())<svg viewBox="0 0 300 14" role="img" aria-label="{{ $year->wayToCap() }}% of the cap paid"><rect
                class="way" width="300" height="10" y="2"/><rect class="paid" width="{{ 3 * $year->wayToCap() }}" height="10"
                y="2"/></svg>
            <span class="small">{{ $year->company }} of {{ $year->cap() }} paid since
                {{ $year->begins->long() }}, before this sheet</span>@endif</div>
    @endforeach
</div>
@if ($both !== [])
<div class="leaf pad">
    <h2>Both sides</h2>
    <table class="ledger">
        <thead><tr><th scope="col">Who</th>@foreach ($both as $one)<th scope="col" class="amount"><a
            href="?side={{ $one['side']->value }}">{{ ucfirst($one['side']->value) }} side</a></th>@endforeach<th scope="col"
            class="amount">Together</th></tr></thead>
        <tbody>
        @php($of = fn ($one) => collect($one['sheet']?->payees ?? [])->keyBy('name'))
        @php($cols = array_map($of, $both))
        @foreach (collect($cols)->flatMap(fn ($col) => $col->keys())->unique() as $name)
            @php($cells = array_map(fn ($col) => $col[$name]->amount ?? null, $cols))
            <tr><td>{{ $name }}</td>@foreach ($cells as $cell)<td class="amount">{{ $cell?->ledger() ?? '–' }}</td>@endforeach
                <td class="amount"><b>{{ array_reduce(array_filter($cells), fn ($sum, $cell) => $sum->plus($cell),
                    \Unanimus\Money\Money::zero())->ledger() }}</b></td></tr>
        @endforeach
        <tr class="sum"><td>Comes in</td>@foreach ($both as $one)<td class="amount">{{ $one['sheet']?->gross->ledger() ?? '–' }}</td>
            @endforeach<td class="amount">{{ array_reduce(array_filter(array_column($both, 'sheet')), fn ($sum, $one) =>
            $sum->plus($one->gross), \Unanimus\Money\Money::zero())->ledger() }}</td></tr>
        </tbody>
    </table>
</div>
@endif
