<?php

declare(strict_types=1);

namespace Database;

use Illuminate\Support\Facades\DB;

/** The rules that the database keeps by itself. A migration after which they are others applies them anew. */
final class WhoSeesWhat
{
    public static function apply(): void
    {
        foreach (['what-stays', 'who-sees-what'] as $file) {
            DB::unprepared((string) file_get_contents(__DIR__."/sql/{$file}.sql"));
        }
    }
}
