<?php

declare(strict_types=1);

namespace App\Papers;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use Unanimus\Forms\Form;
use Unanimus\Pages\PageImage;

/** Pictures of pages: made when first looked at, kept by what they show, sent by the web server. */
final class PageStore
{
    /** The picture of a page of a form as it is printed, with nothing on it. */
    public static function ofForm(Form $form, int $page): Response
    {
        abort_if($page < 1 || $page > count($form->pages), 404);

        return self::send($form->pdf, "{$form->number}-{$form->revision}-".self::stamp($form), $page);
    }

    /** What tells a form's printed pages from others of the same number: goes into their addresses, so that they can be kept. */
    public static function stamp(Form $form): string
    {
        return substr((string) md5_file($form->pdf), 0, 8);
    }

    /** The picture of a page of that PDF; $name tells contents apart (a SHA-256, or form and revision). */
    public static function send(string $pdf, string $name, int $page): Response
    {
        $folder = (string) config('unanimus.page_cache');
        $file = preg_replace('/[^a-z0-9.-]/', '', strtolower($name))."-{$page}.webp";
        if (! is_file("{$folder}/{$file}")) {
            Cache::lock("page:{$file}", 30)->block(20, static function () use ($folder, $file, $pdf, $page): void {
                if (! is_file("{$folder}/{$file}")) {
                    is_dir($folder) || @mkdir($folder, 0770, true);
                    $partial = "{$folder}/{$file}.".bin2hex(random_bytes(4));
                    file_put_contents($partial, PageImage::of($pdf, $page));
                    rename($partial, "{$folder}/{$file}");
                }
            });
        }
        $headers = ['Content-Type' => 'image/webp', 'Cache-Control' => 'private, max-age=31536000, immutable'];

        return PHP_SAPI === 'fpm-fcgi'
            ? new Response('', 200, [...$headers, 'X-Accel-Redirect' => '/_bytes/storage/app/pages/'.$file])
            : new Response((string) file_get_contents("{$folder}/{$file}"), 200, $headers);
    }
}
