<?php

declare(strict_types=1);

use Unanimus\Intake\CameraTurn;
use Unanimus\Intake\PhotoPage;
use Unanimus\Pages\ToolFailed;

/**
 * A photo: a bright page with those corners on a dark table, lines on it, a shadow over its left side.
 *
 * @param list<array{int, int}> $corners
 */
function photoOf(array $corners, int $table = 60, int $paper = 225): GdImage
{
    $picture = imagecreatetruecolor(600, 800);
    imagefill($picture, 0, 0, $table << 16 | $table << 8 | $table);
    imagefilledpolygon($picture, array_merge(...$corners), $paper << 16 | $paper << 8 | $paper);

    return $picture;
}

it('finds the page on the table, however it lies', function (array $corners) {
    $found = PhotoPage::corners(photoOf($corners));
    expect($found)->toHaveCount(4);
    foreach ($corners as $index => [$x, $y]) {
        expect(abs($found[$index][0] * 600 - $x))->toBeLessThan(12)->and(abs($found[$index][1] * 800 - $y))->toBeLessThan(12);
    }
})->with([
    'straight' => [[[80, 90], [520, 90], [520, 700], [80, 700]]],
    'turned' => [[[140, 60], [560, 110], [500, 740], [70, 690]]],
    'from below' => [[[170, 120], [430, 120], [560, 720], [40, 720]]],
]);

it('leaves alone what shows no whole page', function (GdImage $picture) {
    expect(PhotoPage::corners($picture))->toBeNull();
})->with([
    'a page that fills the picture' => fn () => photoOf([[0, 0], [599, 0], [599, 799], [0, 799]]),
    'one that runs out of it' => fn () => photoOf([[-50, -50], [500, -50], [500, 900], [-50, 900]]),
    'paper as dark as the table' => fn () => photoOf([[80, 90], [520, 90], [520, 700], [80, 700]], 60, 85),
    'a small bright spot' => fn () => photoOf([[250, 350], [350, 350], [350, 450], [250, 450]]),
    'no rectangle' => fn () => photoOf([[300, 50], [560, 750], [300, 500], [40, 750]]),
]);

it('cuts the page out, flat and with its shadow gone', function () {
    $picture = photoOf([[170, 120], [430, 120], [560, 720], [40, 720]]);
    // A shadow that makes the left half a third darker, but not the table; and one dark bar across the page.
    for ($x = 0; $x < 300; $x++) {
        for ($y = 0; $y < 800; $y++) {
            imagecolorat($picture, $x, $y) === 0xE1E1E1 && imagesetpixel($picture, $x, $y, 0x969696);
        }
    }
    imagefilledrectangle($picture, 200, 400, 400, 406, 0x202020);
    $path = tempnam(sys_get_temp_dir(), 'photo');
    imagepng($picture, $path);
    $page = imagecreatefromstring((string) PhotoPage::flatten($path));
    [$width, $height] = [imagesx($page), imagesy($page)];
    expect($width / $height)->toBeGreaterThan(0.75)->toBeLessThan(0.95);
    $shade = static fn (float $x, float $y): int => imagecolorat($page, (int) ($x * $width), (int) ($y * $height)) & 255;
    foreach ([[0.1, 0.2], [0.9, 0.2], [0.15, 0.9], [0.85, 0.9]] as [$x, $y]) {
        expect($shade($x, $y))->toBeGreaterThan(225);
    }
    // What is written stays dark.
    $darkest = min(array_map(static fn (int $n) => $shade(0.5, 0.3 + $n / 200), range(0, 100)));
    expect($darkest)->toBeLessThan(90);
    unlink($path);
});

it('turns the photo as the camera was held, and takes nothing for a photo that is none', function () {
    $path = tempnam(sys_get_temp_dir(), 'photo');
    file_put_contents($path, 'no picture at all');
    expect(PhotoPage::flatten($path))->toBeNull();
    ob_start();
    $lying = imagerotate(photoOf([[80, 90], [520, 90], [520, 700], [80, 700]]), 90, 0);
    imagejpeg($lying, null, 95);
    $jpeg = (string) ob_get_clean();
    foreach (['II' => ['v', 'V'], 'MM' => ['n', 'N']] as $order => [$short, $long]) {
        $entry = pack("{$short}2{$long}{$short}2", 0x0112, 3, 1, 6, 0);
        $tiff = $order.pack($short, 42).pack($long, 8).pack($short, 1).$entry.pack($long, 0);
        $app = "Exif\0\0{$tiff}";
        file_put_contents($path, substr($jpeg, 0, 2)."\xFF\xE1".pack('n', strlen($app) + 2).$app.substr($jpeg, 2));
        $page = imagecreatefromstring((string) PhotoPage::flatten($path));
        // A page upright, of 440 by 610.
        expect(imagesy($page))->toBeGreaterThan(imagesx($page));
        $small = imagecreatefromstring(CameraTurn::small($path));
        expect([imagesx($small), imagesy($small)])->toBe([(int) round(148 * imagesy($lying) / imagesx($lying)), 148]);
    }
    file_put_contents($path, $jpeg);
    $small = imagecreatefromstring(CameraTurn::small($path));
    expect(imagesy($small))->toBe(148)->and(imagesx($small))->toBeGreaterThan(148);
    file_put_contents($path, 'no picture at all');
    expect(fn () => CameraTurn::small($path))->toThrow(ToolFailed::class);
    unlink($path);
});
