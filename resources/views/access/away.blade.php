<x-layout title="Your company’s sign-in">
    <div class="leaf door">
        <p><x-wordmark /></p>
        <h1>Your company’s sign-in</h1>
        <p class="dim">You sign in there, and come back here by yourself.</p><br>
        <p><a class="button solid" href="{{ $to }}">Continue</a></p>
    </div>
</x-layout>
