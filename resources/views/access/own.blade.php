<x-layout title="Account and sign-in" place="office">
    <div class="head-row"><h1>Account and sign-in</h1><span class="dim">{{ $user->name }}, {{ $user->email }}</span></div>
    @if (session('codes'))
        <div class="say now"><b>Recovery codes.</b> Each code signs you in once if you lose your phone. You see them only this one time:
            print them or write them down.<ul class="found-files">@foreach (session('codes') as $code)<li><code>{{ $code }}</code></li>
            @endforeach</ul></div>
    @endif
    <div class="columns-2 stacks">
        <div>
        <div class="leaf pad"><h2>Two-step sign-in</h2>
            @if ($user->second_factor_at)
                <p class="ok">On since {{ \App\Terms\When::day($user->second_factor_at, $zone) }}; {{ count($user->recovery_codes) }}
                    recovery codes left.</p><br>
                @if ($user->owes_two_step)<p class="dim">Your brokerage requires it for your role.</p>@else
                <form method="post" action="/me/second-factor">@csrf @method('delete')
                    <label class="line"><span>Current password</span><input class="input" type="password" name="password" required
                    autocomplete="current-password"></label><button class="button tight">Turn off two-step sign-in</button></form>
                @endif
            @elseif ($preparing)
                <p>Scan this code with an authenticator app, or type the secret into it.</p>
                <p><img src="/me/second-factor.svg" width="180" height="180" alt="QR code to set up your authenticator"></p>
                <p class="dim small"><code>{{ trim(chunk_split($user->second_factor, 4, ' ')) }}</code></p>
                <form method="post" action="/me/second-factor/on">@csrf
                    <label class="line"><span>6-digit code from the app</span><input class="input" name="code" required inputmode="numeric"
                    autocomplete="one-time-code" maxlength="10"></label><button class="button now">Turn on two-step sign-in</button></form>
            @else
                <p class="dim">With two-step sign-in, you also enter a code from your phone. A stolen password alone is not enough.</p><br>
                <form method="post" action="/me/second-factor">@csrf<label class="line"><span>Current password</span><input class="input"
                    type="password" name="password" required autocomplete="current-password"></label>
                    <button class="button now">Set up two-step sign-in</button></form>
            @endif
        </div>
        <div class="leaf pad"><h2>Change password</h2>
            <form method="post" action="/password">@csrf @method('put')
                <label class="line"><span>Current password</span><input class="input" type="password" name="current"
                    autocomplete="current-password" required></label>
                <label class="line"><span>New password, at least 10 characters</span><input class="input" type="password" name="password"
                    autocomplete="new-password" required minlength="10"></label>
                <label class="line"><span>New password again</span><input class="input" type="password" name="password_confirmation"
                    autocomplete="new-password" required></label>
                <button class="button tight">Change password</button>
            </form>
        </div>
        <div class="leaf pad"><h2>Keyboard</h2>
            <p class="dim">Single keys such as <kbd>j</kbd>, <kbd>a</kbd>, or <kbd>/</kbd> save time. Turn them off if they get in the way
                of speech input or other tools.</p>
            <form method="post" action="/me/keys">@csrf<input type="hidden" name="on" value="{{ $user->single_keys ? 0 : 1 }}">
                <button class="button tight">{{ $user->single_keys ? 'Turn single keys off' : 'Turn single keys on' }}</button></form></div>
        </div>
        <div>
        <div class="leaf pad"><h2>Where you are signed in</h2>
            <table class="ledger"><tbody>@foreach ($sessions as $session)<tr><td>
                <b>{{ $session->id === $here ? 'here' : (\Unanimus\Signing\Device::of((string) $session->user_agent)
                ?: 'a device') }}</b><br><span class="dim small">{{ $session->ip_address }}</span></td><td class="dim">
                {{ \App\Terms\When::list(\Illuminate\Support\Carbon::createFromTimestamp($session->last_activity), $zone) }}</td>
                <td class="right">@if ($session->id !== $here)
                <form method="post" action="/me/sessions/{{ hash('sha256', $session->id) }}">@csrf @method('delete')
                <button class="button tight">Sign out there</button></form>@endif</td></tr>@endforeach</tbody></table>
            @if ($devices !== [])
                <h3><br>Devices that stay signed in</h3>
                <table class="ledger"><tbody>@foreach ($devices as $device)<tr><td>
                    <b>{{ \Unanimus\Signing\Device::of($device->device) ?: 'a device' }}</b><br><span class="dim small">{{
                    $device->address }}</span></td><td class="dim">
                    until {{ \App\Terms\When::day(\Illuminate\Support\Carbon::parse($device->expires_at), $zone) }}</td><td class="right">
                    <form method="post" action="/me/remembered/{{ $device->key }}">@csrf @method('delete')
                    <button class="button tight">Forget this device</button></form></td></tr>@endforeach</tbody></table>
            @endif
            @include('access.sign-ins')
        </div>
        <div class="leaf pad"><h2>Papers by email</h2><p class="dim">What is sent to this address waits in your inbox.</p>
            <p><label class="unseen" for="own-mail">Your address for papers</label><input class="input" id="own-mail" readonly
            value="{{ $mail }}"></p><form method="post" action="/me/mail-address">@csrf
            <button class="button tight">Make a new address</button></form></div>
        <div class="leaf pad"><h2>Your calendar</h2><p class="dim">All dates of your files, in any calendar app. Keep the address to
            yourself: anyone who has it sees your dates.</p><p><label class="unseen" for="own-calendar">Calendar address</label><input
            class="input" id="own-calendar" readonly value="{{ $calendar }}"></p><form method="post" action="/calendar">@csrf
            <button class="button tight">Make a new address</button></form></div>
        </div>
    </div>
</x-layout>
