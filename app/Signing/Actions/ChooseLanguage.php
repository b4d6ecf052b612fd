<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Signer;
use Unanimus\Parties\Language;

/** A signer reads in another language; what they signed and entered stays. */
final class ChooseLanguage
{
    public function __invoke(Signer $signer, Language $language): void
    {
        $signer->update(['language' => $language]);
    }
}
