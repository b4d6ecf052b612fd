<?php

declare(strict_types=1);

namespace App\Papers;

use Illuminate\Http\Response;

/**
 * A PDF as an answer: shown in the browser, under a readable name, kept by nobody on the way.
 */
final class PdfAnswer
{
    public static function of(string $pdf, string $name): Response
    {
        return self::answer($pdf, $name, 'inline');
    }

    /** As a download, never shown in the browser: a file that is kept as it came from outside. */
    public static function download(string $pdf, string $name): Response
    {
        return self::answer($pdf, $name, 'attachment');
    }

    private static function answer(string $pdf, string $name, string $how): Response
    {
        $plain =
            trim((string) preg_replace('/[^A-Za-z0-9 ,._-]+/', '', (string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', $name))) ?: 'paper';

        return new Response($pdf, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "{$how}; filename=\"{$plain}.pdf\"",
            'Cache-Control' => 'private, no-store',
            'Content-Length' => (string) strlen($pdf),
        ]);
    }
}
