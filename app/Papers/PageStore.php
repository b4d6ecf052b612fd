<?php

declare(strict_types=1);

namespace App\Papers;

use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use Unanimus\Forms\Form;
use Unanimus\Forms\PrintedForm;
use Unanimus\Pages\PageImage;
use Unanimus\Pages\ToolFailed;

/** Pictures of pages: made when first looked at, kept by what they show, sent by the web server. */
final class PageStore
{
    /** Dots an inch of a small one. */
    private const SMALL = 36;

    /** The picture of a page of a form as it is printed, with nothing on it. */
    public static function ofForm(Form $form, int $page): Response
    {
        abort_if($page < 1 || $page > count($form->pages), 404);

        return self::send($form->pdf, "{$form->number}-{$form->revision}-".self::stamp($form), $page);
    }

    /** What tells a form's printed pages from others of the same number: goes into their addresses, so that they can be kept. */
    public static function stamp(Form|PrintedForm $form): string
    {
        return substr(md5(@filesize($form->pdf).':'.@filemtime($form->pdf)), 0, 8);
    }

    /** A page small enough that hundreds lie side by side. */
    public static function small(string $pdf, string $name, int $page): Response
    {
        return self::send($pdf, "{$name}-small", $page, resolution: self::SMALL);
    }

    /**
     * The picture of a page of that PDF; where it takes too long just now, a placeholder that says so and is asked for again.
     *
     * @param string $name tells contents apart (a SHA-256, or form and revision)
     * @param bool $behindLink whether whoever looks at it comes by a link that ends
     * @param int $resolution dots an inch
     */
    public static function send(
        string $pdf,
        string $name,
        int $page,
        bool $behindLink = false,
        int $resolution = PageImage::RESOLUTION,
    ): Response {
        $folder = (string) config('unanimus.page_cache');
        $file = preg_replace('/[^a-z0-9.-]/', '', strtolower($name))."-{$page}.webp";
        if (! is_file("{$folder}/{$file}")) {
            try {
                Cache::lock("page:{$file}", 60)->block(20, static fn () => self::make($folder, $file, $pdf, $page, $resolution));
            } catch (LockTimeoutException|ToolFailed $late) {
                Log::warning('A page could not be drawn now', ['page' => $page, 'why' => $late->getMessage()]);

                return self::later($late instanceof ToolFailed && ! $late->machineIsBusy);
            }
        }
        $headers = [
            'Content-Type' => 'image/webp',
            'Cache-Control' => $behindLink ? 'private, max-age=300' : 'private, max-age=31536000, immutable',
        ];

        return PHP_SAPI === 'fpm-fcgi'
            ? new Response('', 200, [...$headers, 'X-Accel-Redirect' => '/_bytes/'.$file])
            : new Response((string) file_get_contents("{$folder}/{$file}"), 200, $headers);
    }

    /** Takes away the pictures of what a PDF with that SHA-256 showed. */
    public static function drop(string $sha256): void
    {
        foreach (glob(config('unanimus.page_cache')."/{$sha256}-*") ?: [] as $picture) {
            @unlink($picture);
        }
    }

    private static function make(string $folder, string $file, string $pdf, int $page, int $resolution): void
    {
        if (is_file("{$folder}/{$file}")) {
            return;
        }
        is_dir($folder) || @mkdir($folder, 0770, true);
        $partial = "{$folder}/{$file}.".bin2hex(random_bytes(4)).'.part';
        try {
            $picture = PageImage::of($pdf, $page, $resolution);
            if (@file_put_contents($partial, $picture) === false || ! @rename($partial, "{$folder}/{$file}")) {
                throw ToolFailed::waitedInVain('the disk', 0);
            }
        } finally {
            is_file($partial) && @unlink($partial);
        }
    }

    /** Never a broken picture: a sheet that says what to do. The page's script asks for it again. */
    private static function later(bool $broken): Response
    {
        $text = $broken ? 'This page cannot be shown. Download the PDF to read it.' : 'This page takes a moment. It will show up here.';
        $svg =
            '<svg xmlns="http://www.w3.org/2000/svg" width="612" height="792" viewBox="0 0 612 792"><rect width="612" height="792" '.
                'fill="#fffdf8"/><text x="306" y="380" font-family="sans-serif" font-size="16" fill="#56635c" text-anchor="middle">'.
            $text.
            '</text></svg>';

        return new Response(
            $svg,
            $broken ? 200 : 503,
            ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'no-store', 'Content-Security-Policy' => "default-src 'none'"] +
                ($broken ? [] : ['Retry-After' => '5']),
        );
    }
}
