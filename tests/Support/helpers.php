<?php

declare(strict_types=1);

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
