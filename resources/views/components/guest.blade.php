@props(['title', 'from' => null, 'scripts' => [], 'opened' => null, 'speaks' => null])
<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    @if (request()->hasSession())<meta name="csrf-token" content="{{ csrf_token() }}">@endif
    <meta name="robots" content="noindex">
    <title>{{ $title }}</title>
    <link rel="icon" href="data:,">
    @vite(['resources/scss/app.scss', 'resources/js/app.js', ...$scripts])
</head>
<body class="guest" @if ($opened) data-opened="{{ $opened }}" @endif>
<header class="guest-bar">
    <x-wordmark /> <b class="serif">{{ $title }}</b>@if ($from)<span class="from">{{ __('client.from', ['name' => $from]) }}</span>@endif
    @if ($speaks)
        <form method="post" action="{{ $speaks }}" class="speaks" aria-label="{{ __('client.sign.language') }}">@csrf
            @foreach (\Unanimus\Parties\Language::cases() as $language)
                @if ($language->value !== app()->getLocale())<button class="plain-button" name="language" value="{{ $language->value }}"
                    lang="{{ $language->value }}">{{ $language->label() }}</button>@endif
            @endforeach</form>
    @endif
    @if (request()->hasSession() && (new \App\Signing\InPerson(session()->driver()))->isHandedOver() && ! request()->routeIs('here'))
        <a class="button tight" href="/here">{{ __('client.here.back') }}</a>@endif
    @if (request()->hasSession())<x-held />@endif</header>
<main id="main">
    @if (request()->hasSession())<x-says />@endif
    {{ $slot }}
</main>
</body>
</html>
