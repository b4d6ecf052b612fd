<x-layout title="Sign in">
    <div class="leaf door">
        <p><x-wordmark /></p>
        <h1>One more step</h1>
        <p class="dim">Enter the 6-digit code from your authenticator app, or one of your recovery codes.</p>
        <form method="post" action="/sign-in/code" data-again>
            @csrf
            <br><label class="line"><span>Code</span><input class="input" name="code" required autofocus autocomplete="one-time-code"
                maxlength="40"></label><br>
            <button class="button solid">Sign in</button> <a class="button plain" href="/sign-in">Start over</a>
        </form>
    </div>
</x-layout>
