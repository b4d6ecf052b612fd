@props(['title', 'place' => null, 'scripts' => []])
<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    @auth<meta name="who" content="{{ (request()->attributes->get('looks') ?? auth()->user())->key }}">@endauth

    <meta name="htmx-config" content='{"includeIndicatorStyles":false,"allowEval":false}'>
    <title>{{ $title }} · Unanimus</title>
    <link rel="icon" href="data:,">
    @vite(['resources/scss/app.scss', 'resources/js/app.js', ...$scripts])
</head>
<body @if (auth()->user() && ! auth()->user()->single_keys) data-keys="off" @endif>
<a class="skip" href="#main">Skip to content</a>
@if (request()->attributes->has('looks'))
<aside class="looking" aria-label="Looking as someone else"><form method="post" action="/look/end">@csrf<b>You are looking as {{
    auth()->user()->name }}.</b> Nothing you do here is saved. <button class="button tight">Stop looking</button></form></aside>
@endif
@auth
<header class="bar">
    @php($guest = auth()->user()->guest)
    <a class="wordmark" href="/"><x-wordmark /> Unanimus</a>
    @if ($guest)<span class="guest-at"><a href="/">Your documents</a></span><x-held />@else
    <nav aria-label="Main menu">
        @foreach (['today' => ['/', 'Today'], 'files' => ['/files', 'Files'], 'review' => ['/review', 'Review'], 'commission' =>
            ['/commission', 'Commission'], 'office' => ['/office', 'Office']] as $key => [$href, $name])
            @if (! in_array($key, ['review', 'commission']) || Gate::allows($key === 'review' ? 'review-desk' : 'commission-place'))
                <a href="{{ $href }}" @if ($place === $key) aria-current="page" @endif>{{ $name }}</a>
            @endif
        @endforeach
    </nav>
    <form class="find" action="/files" role="search" data-again><input type="hidden" name="go" value="1">
        <label class="unseen" for="find">Find a file, person, number</label>
        <input class="input" id="find" name="q" value="{{ request()->is('files') ? request('q') : '' }}"
            placeholder="Find a file, person, number" maxlength="400" autocomplete="off" role="combobox" aria-expanded="false"
            aria-autocomplete="list" aria-controls="completions" hx-get="/find" hx-trigger="input changed delay:180ms, focus"
            hx-target="#completions" hx-swap="innerHTML" hx-sync="this:replace">
        <kbd aria-hidden="true">/</kbd>
        <ul id="completions" class="completions" role="listbox" aria-label="Suggestions"></ul>
    </form>
    <x-held />
    @can('open-files')
        <a class="button solid" href="/open" data-key="n">Open a file</a>
    @endcan
    @endif
    @unless ($guest)
    <a class="bell" href="/notices"><span class="unseen">Notifications</span><svg width="18" height="18" viewBox="0 0 18 18"
            aria-hidden="true"><path
        d="M9 2a4.6 4.6 0 0 0-4.6 4.6c0 3.6-1.4 4.8-1.4 5.9h12c0-1.1-1.4-2.3-1.4-5.9A4.6 4.6 0 0 0 9 2ZM7.4 14.4a1.7 1.7 0 0 0 3.2 0"
            fill="none"
        stroke="currentColor" stroke-width="1.5"/></svg><span hx-get="/notices/count" hx-trigger="load, every 45s" hx-swap="innerHTML"
        aria-live="polite"></span></a>@endunless
    <details class="menu-at">
        <summary>{{ auth()->user()->name }}</summary>
        <div class="menu">
            <b>{{ auth()->user()->name }}</b><br><span class="dim">{{ $guest ? 'by a link' : auth()->user()->title() }}</span>
            @unless ($guest)<p><a href="/help?at={{ rawurlencode('/'.request()->path()) }}">Help with this page</a></p>
                <p><a href="/me">Account and sign-in</a></p>@endunless
            <form method="post" action="/sign-out">@csrf<button class="button">{{ $guest ? 'Leave' : 'Sign out' }}</button></form>
            @unless ($guest)
            <form method="post" action="/sign-out/everywhere">@csrf<button class="button plain">Sign out everywhere</button></form>
            @endunless
        </div>
    </details>
</header>
@endauth
<main id="main">
    <x-says />
    {{ $slot }}
</main>
@if (auth()->user() && ! auth()->user()->guest)
<dialog id="again" class="leaf pad" aria-label="Sign in again" data-email="{{ auth()->user()->email }}">
    <h2>Sign in again</h2>
    <p>Your session ended. What you typed is still here and will be saved once you sign in.</p>
    <form method="post" action="/sign-in" data-again>
        <label class="line" data-step="password"><span>Password for {{ auth()->user()->email }}</span><input class="input" type="password"
            name="password" autocomplete="current-password" maxlength="200"></label>
        <label class="line" data-step="code" hidden><span>Code from your authenticator app, or a recovery code</span><input class="input"
            name="code" autocomplete="one-time-code" maxlength="40"></label>
        <p class="late" role="alert" hidden></p>
        <button class="button now">Sign in</button>
    </form>
</dialog>
<dialog id="keys" class="leaf pad" aria-label="Keys">
    <h2>Keys</h2>
    <p><kbd>/</kbd> find · <kbd>n</kbd> open a file · <kbd>g</kbd> then <kbd>t</kbd> <kbd>f</kbd> <kbd>r</kbd> <kbd>c</kbd> <kbd>o</kbd>
        Today, Files, Review, Commission, Office</p>
    <p>In lists: <kbd>j</kbd> <kbd>k</kbd> move · <kbd>space</kbd> select · <kbd>enter</kbd> open · <kbd>.</kbd> the row's next action</p>
    <p>In a paper: <kbd>enter</kbd> next blank · <kbd>[</kbd> <kbd>]</kbd> page</p>
    <p>On the review desk: <kbd>a</kbd> accept · <kbd>b</kbd> send back · <kbd>m</kbd> remark · <kbd>p</kbd> pin it to a place ·
        <kbd>f</kbd> next finding · <kbd>y</kbd> make it a remark · <kbd>x</kbd> set it aside · <kbd>c</kbd> what changed</p>
    <p>On the sorting table: arrows move · <kbd>c</kbd> cut · <kbd>r</kbd> turn · <kbd>x</kbd> put aside · <kbd>a</kbd> take what is sure ·
        <kbd>u</kbd> undo</p>
    <p>In a round: <kbd>Ctrl</kbd> <kbd>Enter</kbd> send</p>
    <p><a href="/me">Turn single keys off</a></p>
    <form method="dialog"><button class="button">Close</button></form>
</dialog>
@endif
</body>
</html>
