<x-layout :title="'Commission: '.$file->name" place="commission">
    <div class="head-row"><h1>Commission</h1><span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a></span><x-status
        :status="$file->status" />
        @foreach (count($sides) > 1 ? $sides : [] as $one)<a href="?side={{ $one->value }}" @if ($one === $side) aria-current="true"
            class="strong" @endif>{{ ucfirst($one->value) }} side</a>@endforeach
        <span class="right">@if ($file->commission?->paper)<a class="button solid"
            href="/papers/{{ $file->commission->paper->key }}">The CDA</a>@endif</span></div>
    @if ($facts->value('price') === null)
        <div class="leaf empty">Commission is based on the price. <a href="/files/{{ $file->key }}">Enter the price in the file's terms</a>
            first.</div>
    @else
        <div class="columns-2">
            <div>
                <div class="leaf pad">
                    <h2>Entries</h2>
                    @php($locked = $file->commission?->authorized_at !== null)
                    <form method="post" action="/files/{{ $file->key }}/commission">
                        @csrf @method('put')<input type="hidden" name="side" value="{{ $side?->value }}">
                        @include('commission.entries')
                        @if ($proposed)<p class="dim small">
                            {{ $proposed->rate === null ? 'No commission is entered in the file’s terms.' :
                            'The percentage comes from the file’s terms ('.$proposed->rateFrom.').' }} {{ $proposed->fee === null ? '' :
                            'The fee comes from the file’s kits.' }} Check it, then press Compute commission.</p>@endif
                        @can('set-commission', $file)@unless ($locked)
                            <button class="button {{ $sheet === null ? 'now' : '' }}">Compute commission</button>@endunless @endcan
                    </form>
                </div>
                <br>
                <div class="leaf pad">
                    <h2>Authorize disbursement</h2>
                    @if ($locked)
                        <p class="ok">
                            <b>Authorized</b> {{ \App\Terms\When::list($file->commission->authorized_at,
                            $file->office->zone) }}. These figures are final.</p>
                        @if (($now = $facts->value('price')) !== null && ! $sheet->isFor(\Unanimus\Money\Money::of($now)))<br>
                            <p class="late">
                            <b>The price has changed.</b>
                            It is now {{ \Unanimus\Money\Money::of($now) }}. This was authorized at {{ $sheet->price }}.</p>@endif
                    @else
                        <p>The review is <b>{{ $whole->percent() }}%</b> complete: {{ $whole->settled }} of {{ $whole->all }} requirements
                            are done.@unless ($whole->isWhole()) You can authorize the disbursement when all are done.@endunless</p><br>
                        @can('authorize-disbursement', $file)
                            <form method="post" action="/files/{{ $file->key }}/commission/authorize">@csrf<input type="hidden" name="side"
                                value="{{ $side?->value }}"><input type="hidden" name="seen" value="{{ $seen }}">
                                <button class="button now"
                                    @disabled(! $whole->isWhole() || $sheet === null || $sheet->held !== [])>Authorize
                                    disbursement</button></form>
                        @else
                            <p class="dim">The broker authorizes the disbursement.</p>
                        @endcan
                    @endif
                </div>
            </div>
            @if ($sheet === null && $told !== '')
            <div class="leaf empty late">{{ $told }}</div>
            @elseif ($sheet === null)
            <div class="leaf empty">Enter the percentage and the split, then press Compute commission to see who gets what.</div>
            @else
            <div class="leaf pad">
                <h2>Who gets what of {{ $sheet->gross->ledger() }}</h2>
                @foreach ($sheet->held as $why)<p class="say late">Not released: {{ $why }}</p>@endforeach
                @if ($entries?->entered()->value('note'))<p class="say">{{ $entries->entered()->value('note') }}</p>@endif
                <div class="flow-wrap" tabindex="0" role="region" aria-label="Who gets what">
                    <svg class="flow" viewBox="0 0 640 {{ $flow->tall }}" role="img"
                    aria-label="@foreach ($sheet->payees as $payee){{ $payee->name }} {{ $payee->amount->ledger() }}. @endforeach">
                    <rect class="source" x="84" y="{{ $flow->top }}" width="12" height="{{ $flow->height }}"/>
                    <text class="sum" x="76" y="{{ $flow->top + $flow->height / 2 }}" text-anchor="end">{{ $sheet->gross }}</text>
                    <text class="dim-text" x="76" y="{{ $flow->top + $flow->height / 2 + 15 }}" text-anchor="end">comes in</text>
                    @foreach ($flow->streams as $stream)
                        <g class="tone-{{ $stream['tone'] }}"><path class="stream" d="{{ $stream['path'] }}"/></g>
                        <text class="sum" x="396" y="{{ $stream['y'] + $stream['height'] / 2 -
                            2 }}">{{ $stream['payee']->amount->ledger() }}</text>
                        <text x="396" y="{{ $stream['y'] + $stream['height'] / 2 + 14 }}">{{ $stream['payee']->name }}</text>
                        <text class="dim-text" x="396" y="{{ $stream['y'] + $stream['height'] / 2 +
                            29 }}">{{ $stream['payee']->formula }}</text>
                    @endforeach
                </svg></div>
                <table class="ledger">
                    <thead><tr><th>Step</th><th>How it is computed</th><th class="amount">Amount</th></tr></thead>
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
            @endif
        </div>
    @endif
</x-layout>
