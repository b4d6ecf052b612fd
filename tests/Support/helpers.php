<?php

declare(strict_types=1);

require_once __DIR__.'/guarded-routes.php';

use Illuminate\Support\Facades\DB;
use Unanimus\Evidence\TrustList;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

function press(): Press
{
    $cache = sys_get_temp_dir().'/unanimus-test-press-'.getmyuid();
    is_dir($cache) || mkdir($cache);

    return new Press(dirname(__DIR__, 2).'/library/fonts', $cache);
}

function textOf(string $pdf): string
{
    $scratch = new Scratch;

    return (new NativeTool)->run(['pdftotext', '-layout', $scratch->put('a.pdf', $pdf), '-']);
}

function isClean(string $pdf): bool
{
    $scratch = new Scratch;

    return str_contains((new NativeTool)->run(['qpdf', '--check', $scratch->put('a.pdf', $pdf)]), 'No syntax or stream encoding errors');
}

/** The folder of the test copy's own certificates. */
function authority(): string
{
    return dirname(__DIR__, 2).'/var/test/secrets/authority';
}

function ourRoots(): TrustList
{
    return TrustList::fromFiles([authority().'/root.crt'], [authority().'/root.crt']);
}

/** How many dark points a place of 20 by 20 points on a page has, from its upper left corner. */
function darkPoints(string $pdf, int $page, int $x, int $y): int
{
    $scratch = new Scratch;
    (new NativeTool)->run(['pdftocairo', '-png', '-r', '72', '-singlefile', '-f', (string) $page, '-l', (string) $page, $scratch->put('a.pdf', $pdf), $scratch->path('p')]);
    $picture = imagecreatefrompng($scratch->path('p.png'));
    $dark = 0;
    for ($i = 0; $i < 400; $i++) {
        $dark += (imagecolorat($picture, $x + $i % 20, $y + intdiv($i, 20)) & 0xFF) < 128 ? 1 : 0;
    }

    return $dark;
}

/** @return list<string> subjects of the letters to an address */
function lettersTo(string $address): array
{
    return DB::table('letters')->where('recipient', $address)->orderBy('id')->pluck('subject')->all();
}
