<?php

declare(strict_types=1);

use Unanimus\Files\ZipStream;
use Unanimus\Pages\Scratch;

/** @param  array<string, string>  $files */
function streamed(Scratch $scratch, array $files): string
{
    $out = fopen($scratch->path('out.zip'), 'w') ?: throw new RuntimeException('no scratch');
    $zip = new ZipStream(static function (string $bytes) use ($out): void {
        fwrite($out, $bytes);
    }, new DateTimeImmutable('2026-11-29 09:30:10'));
    foreach ($files as $path => $bytes) {
        $zip->add($path, $bytes);
    }
    $zip->finish();
    fclose($out);

    return $scratch->path('out.zip');
}

it('writes a ZIP that others read, names and bytes and time as they were', function () {
    $scratch = new Scratch();
    $files = ['data/12 Harbor Röw/papers/01 Vertrag – é.pdf' => random_bytes(70_000), 'data/empty.txt' => '', 'bagit.txt' => "a\n"];
    $path = streamed($scratch, $files);
    $zip = new ZipArchive();
    expect($zip->open($path, ZipArchive::CHECKCONS))->toBeTrue();
    foreach ($files as $name => $bytes) {
        expect($zip->getFromName($name))->toBe($bytes);
    }
    expect($zip->numFiles)->toBe(3)->and(date('Y-m-d H:i:s', (int) ($zip->statIndex(0)['mtime'] ?? 0)))->toBe('2026-11-29 09:30:10');
});

it('counts past 65,535 entries', function () {
    $scratch = new Scratch();
    $files = [];
    for ($at = 0; $at < 66_000; $at++) {
        $files["f/{$at}"] = (string) $at;
    }
    $zip = new ZipArchive();
    expect($zip->open(streamed($scratch, $files)))->toBeTrue()
        ->and($zip->numFiles)->toBe(66_000)
        ->and($zip->getFromName('f/65999'))->toBe('65999');
});

it('goes on past four gigabytes', function () {
    // What would be written is counted, and only the end of it is kept: the directory is read from there.
    $kept = '';
    $from = 0;
    $zip = new ZipStream(static function (string $bytes) use (&$kept, &$from): void {
        $kept .= $bytes;
        if (strlen($kept) > 200_000) {
            $from += strlen($kept) - 100_000;
            $kept = substr($kept, -100_000);
        }
    }, new DateTimeImmutable('2026-11-29 09:30:10'));
    $large = str_repeat('x', 64 * 1024 * 1024);
    for ($at = 0; $at < 65; $at++) {
        $zip->add("large/{$at}", $large);
    }
    $zip->add('last', 'the last one');
    $zip->finish();
    $end = unpack('Vsign/Pone/vmade/vneeds/Vdisk/Vstart/Phere/Pall/Psize/Pat', substr($kept, -98, 56)) ?: [];
    expect($end['sign'])->toBe(0x06064B50)->and($end['all'])->toBe(66)->and($end['at'])->toBeGreaterThan(0xFFFFFFFF);
    $directory = substr($kept, $end['at'] - $from, $end['size']);
    $last = substr($directory, (int) strrpos($directory, pack('V', 0x02014B50)));
    $entry = unpack('Vsign/vmade/vneeds/vflags/vhow/Vstamp/Vcrc/Vpacked/Vsize/vname/vextra/vnote/vdisk/vinner/Vouter/Vat', $last) ?: [];
    $extra = unpack('vid/vlong/Pat', substr($last, 46 + $entry['name'])) ?: [];
    expect($entry['at'])->toBe(0xFFFFFFFF)->and($extra['id'])->toBe(1)
        ->and(substr($kept, $extra['at'] - $from, 4))->toBe(pack('V', 0x04034B50))
        ->and(substr($kept, $extra['at'] - $from + 30, 16))->toBe('lastthe last one');
});
