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
        $places = Guide::places();
        $place = isset($places[$place]) ? $place : Guide::of((string) $request->query('at', ''));

        [$name, $picture] = $places[$place];

        return new Response(view('help.guide', ['place' => $place, 'name' => $name, 'picture' => $picture])->render());
    }

    /** For whoever was asked to sign and has never done it; nothing of anybody stands on it. */
    public function signing(Request $request): Response
    {
        $language = Language::tryFrom((string) $request->query('language', '')) ?? Language::English;

        return ChooseLanguage::speaking($language, static fn () => new Response(view('help.signing')->render()));
    }
}
