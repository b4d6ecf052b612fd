<x-layout title="Choose a password">
    <div class="leaf door">
        <p><x-wordmark /></p>
        @if ($user === null)
            <h1>This invitation has ended</h1><p class="dim">It is older than two weeks, or a password was chosen already. Ask the one who invited you for another.</p><br><a class="button" href="/sign-in">Sign in</a>
        @else
        <h1>Welcome, {{ $user->name }}</h1><p class="dim">You sign in with {{ $user->email }} and the password you choose here.</p>
        <form method="post" action="{{ $action }}">@csrf<br>
            <label class="line"><span>Password, ten characters or more</span><input class="input" type="password" name="password" required minlength="10" autocomplete="new-password" autofocus></label>
            <label class="line"><span>Once more</span><input class="input" type="password" name="password_confirmation" required autocomplete="new-password"></label><br>
            <button class="button solid">Begin</button></form>
        @endif
    </div>
</x-layout>
