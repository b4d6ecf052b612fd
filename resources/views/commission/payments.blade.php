@php($done = $inForce->payments->keyBy('payee'))
<h3>Received and paid</h3>
@if ($inForce->wired)
    <p>{{ $inForce->wired }} was received on {{ $inForce->wired_on?->long() }}.
        @php($off = $inForce->wired->minus($inForce->gross))
        @if ($off->isZero())<span class="ok">That is what the sheet says.</span>@else<b class="late">The sheet says
            {{ $inForce->gross }}: {{ $off->isNegative() ? \Unanimus\Money\Money::cents(-$off->cents).' are missing' : $off.' too
            much' }}.</b>@endif</p>
@endif
@can('keep-payments', $file)
<form method="post" action="{{ $at }}/wired" class="in-row">@csrf {!! $hidden !!}
    <input class="input" name="amount" maxlength="20" inputmode="decimal" placeholder="{{ $inForce->gross }}"
        aria-label="Amount received">
    <input class="input" name="on" maxlength="40" placeholder="today" aria-label="Day it was received">
    <button class="button tight">{{ $inForce->wired ? 'Correct amount received' : 'Save amount received' }}</button></form>
@endcan
<table class="ledger">
    <thead><tr><th scope="col">Who</th><th scope="col" class="amount">Amount</th><th scope="col">Paid</th></tr></thead>
    <tbody>@foreach ($payees as $payee)
        <tr><td>{{ $payee->name }}</td><td class="amount">{{ $payee->amount->ledger() }}</td><td>
        @if ($done->has($payee->name))@php($paid = $done[$payee->name])<span class="ok">✓ {{ $paid->paid_on->long() }}</span>
            <span class="dim small">{{ \App\Commission\Actions\KeepPayments::HOW[$paid->how] }} {{ $paid->reference }}</span>
            @can('keep-payments', $file)<details class="strike"><summary class="small">Correct this</summary><form method="post"
                action="{{ $at }}/strike" class="in-row">@csrf {!! $hidden !!}<input type="hidden" name="payee"
                value="{{ $payee->name }}"><input class="input" name="why" maxlength="200" required placeholder="why"
                aria-label="Why {{ $payee->name }} is not paid"><button class="button tight">Not paid after all</button></form></details>
            @endcan
        @else @can('keep-payments', $file)
            <form method="post" action="{{ $at }}/paid" class="in-row">@csrf {!! $hidden !!}<input type="hidden" name="payee"
                value="{{ $payee->name }}"><input type="hidden" name="amount" value="{{ $payee->amount->decimal() }}">
                <span class="select"><select name="how" aria-label="How {{ $payee->name }} was paid">
                    @foreach (\App\Commission\Actions\KeepPayments::HOW as $how => $word)<option value="{{ $how }}">{{ $word }}</option>
                    @endforeach</select></span>
                <input class="input" name="reference" maxlength="60" placeholder="number" aria-label="Check or transfer number">
                <input class="input" name="on" maxlength="40" placeholder="today" aria-label="Day {{ $payee->name }} was paid">
                <button class="button tight">Mark as paid</button></form>
        @else<span class="dim">not yet</span>@endcan @endif</td></tr>@endforeach
    </tbody>
</table>
@if ($done->count() === count($payees))<p class="ok">Everybody is paid. The sheet is closed.</p>@endif
