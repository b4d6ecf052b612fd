<?php

declare(strict_types=1);

namespace App\Help\Http;

use App\Help\Guide;
use App\Terms\ChooseLanguage;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Unanimus\Parties\Language;

/** Help in place, and for clients how signing goes. */
final class HelpController
{
    public function show(Request $request, string $place = ''): Response
    {
        $place = isset(Guide::PLACES[$place]) ? $place : Guide::of((string) $request->query('at', ''));

        return new Response(view('help.guide', ['place' => $place, 'places' => Guide::PLACES])->render());
    }

    /** For whoever was asked to sign and has never done it; nothing of anybody stands on it. */
    public function signing(Request $request): Response
    {
        $language = Language::tryFrom((string) $request->query('language', '')) ?? Language::English;

        return ChooseLanguage::speaking($language, static fn () => new Response(view('help.signing')->render()));
    }
}
