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
        $plain = trim((string) preg_replace('/[^A-Za-z0-9 ,._-]+/', '', (string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', $name))) ?: 'paper';

        return new Response($pdf, 200, ['Content-Type' => 'application/pdf', 'Content-Disposition' => "inline; filename=\"{$plain}.pdf\"", 'Cache-Control' => 'private, no-store', 'Content-Length' => (string) strlen($pdf)]);
    }
}
