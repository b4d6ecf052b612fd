<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use App\Models\User;
use Illuminate\Support\Str;

/**
 * Addresses to which papers of a file, of a person or of the brokerage are mailed: readable, not guessable, and another one
 * whenever somebody asks for it.
 */
final class MailAddress
{
    public static function of(DealFile $file): string
    {
        $name = Str::limit(Str::slug(Str::before($file->name, ',')), 40, '') ?: 'file';

        return "{$name}.{$file->mail_code}@".config('unanimus.intake.domain');
    }

    /** A person's own: what is sent there waits in their inbox. */
    public static function ofPerson(User $user): string
    {
        $name = Str::slug($user->name, '.') ?: 'papers';

        return "{$name}.{$user->mail_code}@".config('unanimus.intake.domain');
    }

    /** The brokerage's, for whatever is for nobody in particular. */
    public static function common(): string
    {
        return 'papers@'.config('unanimus.intake.domain');
    }
}
