<x-layout title="Forgot your password?">
    <div class="leaf door">
        <p><x-wordmark /></p>
        <h1>Forgot your password?</h1>
        <p class="dim">We will email you a link to choose another. It works for two hours.</p>
        <form method="post" action="/sign-in/forgot">@csrf<br>
            <label class="line"><span>Email address</span><input class="input" type="email" name="email" value="{{ old('email') }}" required
                autofocus autocomplete="username"></label><br>
            <p class="in-row"><button class="button solid">Email me a link</button> <a class="button quiet" href="/sign-in">Back</a></p>
        </form>
    </div>
</x-layout>
