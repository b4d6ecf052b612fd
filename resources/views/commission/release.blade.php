@php($hidden = '<input type="hidden" name="side" value="'.e($side?->value ?? '').'">')
<div class="leaf pad">
    <h2>Authorize disbursement</h2>
    @if ($inForce)
        <p class="ok"><b>Authorized</b>{{ $inForce->number > 1 ? ', number '.$inForce->number : '' }}
            {{ \App\Terms\When::list($inForce->authorized_at, $file->office->zone) }} by {{ $inForce->authorizer->name }}. These figures are
            final.</p>
        @if ($inForce->despite !== '')<p class="small">Authorized before the review was complete: {{ $inForce->despite }}</p>@endif
        @if (! $sheet->isFor($price))<p class="late"><b>The price has changed.</b>
            It is now {{ $price }}. This was authorized at {{ $sheet->price }}. Withdraw the authorization, compute the
            commission, and authorize it again.</p>@endif
        @if ($closing && $closing->iso() !== $inForce->closing->iso())<p class="late"><b>The closing day has changed.</b> It is now
            {{ $closing->long() }}. This was authorized for {{ $inForce->closing->long() }}, which decides the plan year. If it should
            follow, withdraw the authorization and make a new one.</p>@endif
        @php([$sentTo, $sentAt] = array_pad(explode("\n", $inForce->sent_to, 2), 2, ''))
        @if ($inForce->sent_at)
            <p>Sent to {{ $sentTo }} ({{ $sentAt }}) {{ \App\Terms\When::list($inForce->sent_at, $file->office->zone) }}.
                @if ($inForce->received_on) Confirmed {{ $inForce->received_on->long() }}{{ $inForce->received_note === '' ? '.' :
                    ': '.$inForce->received_note }}@endif</p>
            @can('set-commission', $file)@unless ($inForce->received_on)
            <form method="post" action="{{ $at }}/received" class="in-row">@csrf {!! $hidden !!}
                <input class="input" name="note" maxlength="200" placeholder="how they confirmed it" aria-label="How escrow confirmed it">
                <button class="button tight">Escrow confirmed it</button></form>@endunless @endcan
        @endif
        @can('set-commission', $file)
        <details class="more-lines" @unless ($inForce->sent_at) open @endunless>
            <summary>{{ $inForce->sent_at ? 'Send to someone else' : 'Send to escrow' }}</summary>
            <form method="post" action="{{ $at }}/send">@csrf {!! $hidden !!}
                <div class="money-entries">
                    <label class="line"><span>Who gets it</span><input class="input" name="name" maxlength="120" required
                        value="{{ old('name', $inForce->sent_at ? '' : $escrow['name'] ?? '') }}"></label>
                    <label class="line"><span>Email</span><input class="input" name="email" type="email" maxlength="200" required
                        value="{{ old('email', $inForce->sent_at ? '' : $escrow['email'] ?? '') }}"></label>
                </div>
                <button class="button tight {{ $inForce->sent_at ? '' : 'now' }}">Send authorization</button>
                <span class="dim small">They get a link, and you see when it is opened.</span></form>
        </details>@endcan
        @include('commission.payments')
        @can('authorize-disbursement', $file)@if ($inForce->payments->isEmpty())
        <details class="more-lines"><summary>Withdraw the authorization</summary>
            <form method="post" action="{{ $at }}/withdraw">@csrf {!! $hidden !!}
                <label class="line"><span>Why{{ $inForce->sent_at ? ' ('.$sentTo.' gets an email with it)' : '' }}</span><input
                    class="input" name="why" maxlength="500"></label>
                <button class="button tight" data-weighs="withdraw it">Withdraw authorization</button></form></details>@endif @endcan
    @else
        <p>The review is <b>{{ $whole->percent() }}%</b> complete: {{ $whole->settled }} of {{ $whole->all }} requirements are done.</p>
        @can('authorize-disbursement', $file)
            <form method="post" action="{{ $at }}/authorize">@csrf {!! $hidden !!}<input type="hidden" name="seen" value="{{ $seen }}">
                @unless ($whole->isWhole())<label class="line"><span>Reason for authorizing before the review is complete</span><input
                    class="input" name="despite" maxlength="500" value="{{ old('despite') }}"></label>@endunless
                <button class="button {{ $whole->isWhole() ? 'now' : '' }}" @disabled($sheet->held !== [])>Authorize
                    disbursement</button></form>
            <details class="more-lines"><summary>What it says to escrow</summary>
                <form method="post" action="{{ $at }}/wording">@csrf @method('put') {!! $hidden !!}
                    <textarea class="textarea" name="text" rows="4" maxlength="3000" aria-label="What it says to escrow"
                        placeholder="{{ $wording->text }}">{{ old('text', $entries?->wording) }}</textarea>
                    <p class="dim small">Empty: as the office words it. Fields:
                        @foreach (\Unanimus\Commission\DisbursementWording::FIELDS as $field)<code>{{ '{'.$field.'}' }}</code>
                        @endforeach</p>
                    <button class="button tight">Save the wording for this file</button></form></details>
        @else
            <p class="dim">The broker authorizes the disbursement{{ $whole->isWhole() ? '' : ' when all are done' }}.</p>
        @endcan
    @endif
    @foreach ($entries?->disbursements->whereNotNull('withdrawn_at') ?? [] as $old)
        <p class="small dim">Number {{ $old->number }}, authorized {{ \App\Terms\When::list($old->authorized_at, $file->office->zone) }},
            withdrawn {{ \App\Terms\When::list($old->withdrawn_at, $file->office->zone) }}: {{ $old->withdrawn_why }}</p>@endforeach
</div>
