<x-layout title="Choose a password">
    <div class="leaf door">
        <p><x-wordmark /></p>
        @if ($user === null)
            <h1>This invitation no longer works</h1><p class="dim">It is older than two weeks, or someone already chose a password. Ask the
                person who invited you for a new one.</p><br><a class="button" href="/sign-in">Sign in</a>
        @else
        <h1>Welcome, {{ $user->name }}</h1><p class="dim">You sign in with {{ $user->email }} and the password you choose here.</p>
        <form method="post" action="{{ $action }}">@csrf<br>
            <label class="line"><span>Password, at least 10 characters</span><input class="input" type="password" name="password" required
                minlength="10" autocomplete="new-password" autofocus></label>
            <label class="line"><span>Password again</span><input class="input" type="password" name="password_confirmation" required
                autocomplete="new-password"></label><br>
            <button class="button solid">Save password and sign in</button></form>
        @endif
    </div>
</x-layout>
