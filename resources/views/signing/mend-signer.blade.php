@php($other = $round->events->last(static fn ($event) => $event->kind === 'referred' && $event->seat === $signer->seat)?->data)
@php($says = $other !== null && ! $signer->standsIn())
@if ($says)<p class="say now small">Says this should go to {{ $other['where'] }}.
    {{ ($other['why'] ?? '') === '' ? '' : $other['why'] }}</p>@endif
<details class="note" id="other-{{ $signer->key }}" hx-preserve><summary class="small">Have someone else sign here</summary>
    <form method="post" action="/rounds/{{ $round->key }}/signers/{{ $signer->key }}/person">@csrf @method('put')
        <label class="line"><span>Name they sign with</span><input class="input" name="name" maxlength="120" required autocomplete="off"
            value="{{ $says ? $other['name'] : '' }}"></label>
        <label class="line"><span>Email address</span><input class="input" type="email" name="email" maxlength="200" required
            autocomplete="off" value="{{ $says ? $other['email'] : '' }}"></label>
        <label class="line"><span>Capacity, if any</span><input class="input" name="capacity" maxlength="120" autocomplete="off"
            placeholder="as executor"></label>
        <p class="dim small">What {{ $signer->name }} signed so far no longer counts and stays in the evidence.</p>
        <button class="button tight">Put them in this place</button></form></details>
<details class="note" id="code-{{ $signer->key }}" hx-preserve><summary class="small">{{ $signer->code === null ? 'Ask for an access code' :
    ($signer->code_tries >= \Unanimus\Signing\AccessCode::TRIES ?
     'Locked: set a new access code' : "Access code {$signer->code}") }}</summary>
    <form method="post" action="/rounds/{{ $round->key }}/signers/{{ $signer->key }}/code">@csrf @method('put')
        <label class="line"><span>Code, told by phone</span><input class="input" name="code" maxlength="12" autocomplete="off"
            value="{{ $signer->code }}" placeholder="4 to 12 letters and digits"></label>
        <button class="button tight">Save</button></form></details>
