<x-layout title="Sign in">
    <div class="leaf door">
        <p><x-wordmark /></p>
        <h1>Unanimus</h1>
        @if ($own)<p><b>{{ $own->name }}</b></p>@endif
        <p class="dim">Who has agreed to what, and by when.</p>
        <form method="post" action="/sign-in" data-again>
            @csrf
            <br>
            <label class="line"><span>Email address</span><input class="input" type="email" name="email" value="{{ old('email') }}"
                required autofocus autocomplete="username"></label>
            <label class="line"><span>Password</span><input class="input" type="password" name="password" required
                autocomplete="current-password"></label>
            <p><label class="checkbox"><input type="checkbox" name="remember" value="1"> Stay signed in on this device for 30 days</label>
                </p>
            <br>
            <p class="in-row"><button class="button solid">Sign in</button>
                @if ($companies)<button class="button quiet" formaction="/sign-in/company" formnovalidate>Use your company
                    account</button>@endif</p>
        </form>
        <p class="small"><br><a href="/sign-in/forgot">Forgot your password?</a></p>
        @if (config('unanimus.demo'))
            <p class="dim small"><br>Demo: wendell@quillmark.example, tomas@quillmark.example or ines@quillmark.example, password
                <b>lanternfish</b></p>
        @endif
    </div>
</x-layout>
