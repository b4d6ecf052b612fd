<?php

declare(strict_types=1);

namespace App\Terms;

use App\Models\ClientPage;
use App\Models\FillRequest;
use App\Models\PaperRequest;
use App\Models\ReadingCopy;
use App\Models\Signer;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Unanimus\Parties\Language;

/** A client reads in another language; what they signed and entered stays. */
final class ChooseLanguage
{
    public function __invoke(Signer|FillRequest|ReadingCopy|PaperRequest|ClientPage $whose, Language $language): void
    {
        $whose->update(['language' => $language]);
    }

    /** The language a request asks for. */
    public static function asked(Request $request): Language
    {
        return Language::from($request->validate(['language' => ['required', Rule::enum(Language::class)]])['language']);
    }

    /**
     * Does something in a client's language, and goes on in the one before.
     *
     * @template T
     *
     * @param callable(): T $do
     * @return T
     */
    public static function speaking(Language $language, callable $do): mixed
    {
        $before = app()->getLocale();
        app()->setLocale($language->value);
        try {
            return $do();
        } finally {
            app()->setLocale($before);
        }
    }
}
