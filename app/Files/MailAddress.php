<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use Illuminate\Support\Str;

/** The address to which papers of a file are mailed: readable, not guessable, and another one whenever somebody asks for it. */
final class MailAddress
{
    public static function of(DealFile $file): string
    {
        $name = Str::limit(Str::slug(Str::before($file->name, ',')), 40, '') ?: 'file';

        return "{$name}.{$file->mail_code}@".config('unanimus.intake.domain');
    }
}
