<?php

declare(strict_types=1);

use App\Assembly\WholeZip;
use Unanimus\Pages\DiskFull;

it('hands out no ZIP that is not whole, and leaves nothing of it behind', function (Closure $fill, string $refused) {
    $path = (string) tempnam(sys_get_temp_dir(), 'zip');
    expect(static fn () => WholeZip::write($path, $fill))->toThrow($refused)->and(is_file($path))->toBeFalse();
})->with([
    'what it should hold is gone' => [function (ZipArchive $zip): void {
        $gone = (string) tempnam(sys_get_temp_dir(), 'gone');
        $zip->addFile($gone, 'gone.pdf');
        unlink($gone);
    }, DiskFull::class],
    'filling it fails' => [function (ZipArchive $zip): void {
        $zip->addFromString('a.pdf', '%PDF');
        throw new LogicException('no page');
    }, LogicException::class],
]);
