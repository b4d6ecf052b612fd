<x-office title="Connections" at="connections" about="programs that work for you">
    <x-slot:acts><a href="/api/v1/openapi.json">OpenAPI description</a></x-slot:acts>
    @if (session('secret'))<section class="leaf pad told-once" aria-label="Secret"><p>Copy it now. It is kept nowhere and cannot be shown
        again.</p><input class="input" readonly value="{{ session('secret') }}" aria-label="Token or secret"></section>@endif
    <section class="leaf pad" aria-label="Access tokens"><h2>Access tokens</h2>
        <table class="ledger"><thead><tr><th scope="col">Token</th><th scope="col">May</th><th scope="col">Used</th><th
            scope="col"><span class="unseen">Revoke</span></th></tr></thead><tbody>
        @forelse ($tokens as $token)
            <tr data-row><td>{{ $token->name }}@if ($token->tokenable_id !== $user->id) <span class="dim small">{{ $token->tokenable?->name
                }}</span>@endif</td><td class="dim">{{ implode(', ', $token->abilities) }}</td><td class="dim">{{ $token->last_used_at ?
                \App\Terms\When::list($token->last_used_at, $user->zone()) : 'never' }}@if ($token->expires_at), ends {{
                \App\Terms\When::list($token->expires_at, $user->zone()) }}@endif</td>
                <td><form method="post" action="/office/connections/tokens/{{ $token->key }}">@csrf @method('delete')<button
                class="button tight plain" aria-label="Revoke {{ $token->name }}">Revoke</button></form></td></tr>
        @empty<tr><td colspan="4" class="empty">No tokens. A program that reads or writes files for you needs one.</td></tr>@endforelse
        </tbody></table>
        <details class="by-hand" @if (session('refused')) open @endif><summary>New token</summary>
            <form method="post" action="/office/connections/tokens">@csrf
                <label class="line"><span>What it is for</span><input class="input" name="name" maxlength="80" value="{{ old('name') }}"
                    placeholder="our bookkeeping" autocomplete="off"></label>
                <fieldset class="who-gets"><legend>It may</legend>
                    @foreach (\Unanimus\Api\ApiScope::cases() as $scope)
                    <label
                    class="pick"><input type="checkbox" name="scopes[]" value="{{ $scope->value }}" @checked(in_array($scope->value,
                    (array) old('scopes', []), true))> {{ $scope->label() }}</label><br>@endforeach</fieldset>
                <label class="line"><span>Ends</span><span class="select"><select name="days"><option value="365">after a
                    year</option><option
                    value="90">after 90 days</option><option value="30">after 30 days</option><option value="0">when I revoke it</option>
                    </select></span></label>
                <button class="button now">Make token</button></form></details>
    </section>
    <section class="leaf pad" aria-label="Webhooks"><h2>Webhooks</h2>
        <p class="dim">We call an address of yours when something happens in files you can see. Each call is signed; one that is not
            answered is made again for three days.</p>
        <table class="ledger"><thead><tr><th scope="col">Address</th><th scope="col">When</th><th scope="col"><span class="unseen">Turn
            on or
            off</span></th></tr></thead><tbody>
        @forelse ($hooks as $hook)
            <tr data-row @class(['dim' => $hook->off_at])><td>{{ $hook->url }}@if ($hook->user_id !== $user->id) <span class="dim small">{{
                $hook->owner->name }}</span>@endif @if ($hook->off_because !== '')<br><span class="late">{{ $hook->off_because
                }}</span>@endif</td><td class="dim">{{ implode(', ', $hook->events) }}</td>
                <td>@if ($hook->user_id === $user->id || ! $hook->off_at)<form method="post"
                action="/office/connections/webhooks/{{ $hook->key }}">@csrf<input type="hidden" name="on" value="{{ $hook->off_at ? 1 : 0
                }}"><button class="button tight plain" aria-label="{{ $hook->off_at ? 'Turn on' : 'Turn off' }}: {{ $hook->url }}">{{
                $hook->off_at ? 'Turn on' : 'Turn off' }}</button></form>@endif</td></tr>
        @empty<tr><td colspan="3" class="empty">No webhooks.</td></tr>@endforelse
        </tbody></table>
        <details class="by-hand"><summary>New webhook</summary>
            <form method="post" action="/office/connections/webhooks">@csrf
                <label class="line wide"><span>Address to call</span><input class="input" name="url" maxlength="500" value="{{ old('url')
                    }}"
                    placeholder="https://books.quillmark.example/deals" autocomplete="off"></label>
                <fieldset class="who-gets"><legend>When</legend><div class="picks">
                    @foreach (\Unanimus\Api\HookEvent::cases() as $event)
                    <label
                    class="pick"><input type="checkbox" name="events[]" value="{{ $event->value }}"> {{ $event->label()
                    }}</label>@endforeach</div></fieldset>
                <button class="button now">Set up webhook</button></form></details>
        @if ($calls->isNotEmpty())<h3>Last calls</h3><table class="ledger"><thead><tr><th scope="col">When</th><th
            scope="col">Event</th><th scope="col">Answer</th><th scope="col"><span class="unseen">Send again</span></th></tr></thead><tbody>
                    @foreach ($calls as $call)
                    <tr><td class="dim">{{ \App\Terms\When::list($call->created_at, $user->zone()) }}</td><td>{{
                            $call->event
            }}</td><td>@if ($call->taken_at)<span class="ok">taken</span> @elseif ($call->given_up_at)<span class="late">given up</span>
            @else<span class="dim">next try {{ $call->next_at ? \App\Terms\When::list($call->next_at, $user->zone()) : '' }}</span> @endif
            <span class="dim">{{ $call->answer }}</span></td><td>@if ($call->given_up_at && ! $call->hook->off_at)<form method="post"
            action="/office/connections/calls/{{ $call->key }}/again">@csrf<button class="button tight plain">Send
                again</button></form>@endif
            </td></tr>@endforeach</tbody></table>@endif
    </section>
    <section class="leaf pad" aria-label="How to call"><h2>How to call</h2>
        <p>Everything is done as you: what you cannot see, your token cannot see. Send an <code>Idempotency-Key</code> with whatever changes
            something, and nothing is done twice. At most 120 calls a minute.</p>
        <pre class="shown" tabindex="0" role="region" aria-label="Examples">curl -H "Authorization: Bearer $TOKEN" \
     {{ url('/api/v1/files') }}?status=under_contract
curl -H "Authorization: Bearer $TOKEN" -H "Idempotency-Key: 7c1f" -X PATCH \
     --json '{"terms": {"CloseDate": "2026-12-18"}}' {{ url('/api/v1/files/KEY') }}</pre>
        <div class="scrolls" tabindex="0" role="region" aria-label="All calls"><table class="ledger"><thead><tr><th
            scope="col">Call</th><th scope="col">What it does</th><th
            scope="col">Scope</th></tr></thead><tbody>
                    @foreach ($endpoints as $one)
                    <tr><td><code>{{ strtoupper($one['method']) }}
            /api/v1{{ $one['path'] }}</code></td><td>{{ $one['says'] }}</td><td class="dim">{{ $one['scope']->value
            }}</td></tr>@endforeach</tbody></table></div>
        <p class="dim">To prove that a call is ours, compare the header <code>Unanimus-Signature</code> with HMAC-SHA-256 of its moment
            <code>t</code>, a dot, and the body, under the webhook’s secret, and refuse one older than five minutes. A call can come twice:
            its number is in <code>Unanimus-Call</code>.</p>
    </section>
</x-office>
