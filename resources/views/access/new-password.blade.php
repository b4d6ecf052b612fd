<x-layout title="Choose another password">
    <div class="leaf door">
        <p><x-wordmark /></p>
        @if ($user === null)
            <h1>This link no longer works</h1><p class="dim">It is older than two hours, or was used already. Your password is as
                it was.</p><br><a class="button" href="/sign-in/forgot">Get another link</a>
        @else
        <h1>Another password</h1><p class="dim">For {{ $user->email }}. You will be signed out on every device.</p>
        <form method="post" action="{{ $action }}">@csrf<br>
            <label class="line"><span>New password, at least 10 characters</span><input class="input" type="password" name="password"
                required minlength="10" autocomplete="new-password" autofocus></label>
            <label class="line"><span>Password again</span><input class="input" type="password" name="password_confirmation" required
                autocomplete="new-password"></label><br>
            <button class="button solid">Save password</button></form>
        @endif
    </div>
</x-layout>
