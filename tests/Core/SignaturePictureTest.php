<?php

declare(strict_types=1);

use Unanimus\Pages\Rect;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\SignaturePicture;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** A wave of ink on paper that lies in a shadow, as JPEG. */
function photographed(int $width = 1400, int $height = 700, int $ink = 40, float $shadow = 0.5, string $as = 'jpeg'): string
{
    $picture = imagecreatetruecolor($width, $height);
    for ($x = 0; $x < $width; $x++) {
        $light = (int) (245 - 245 * $shadow * $x / $width);
        imageline($picture, $x, 0, $x, $height, (int) imagecolorallocate($picture, $light, $light, max(0, $light - 12)));
    }
    imagesetthickness($picture, 9);
    $color = (int) imagecolorallocate($picture, min(255, $ink), min(255, $ink), min(255, $ink + 30));
    for ($x = 300; $x < 1000 && $ink < 256; $x += 4) {
        $y = static fn (int $at) => (int) (350 + 90 * sin($at / 60));
        imageline($picture, $x, $y($x), $x + 4, $y($x + 4), $color);
    }
    ob_start();
    ('image'.$as)($picture);

    return (string) ob_get_clean();
}

it('takes the ink off a photograph, in light and in shadow, and nothing else of it', function (string $as, float $shadow) {
    $picture = SignaturePicture::read(photographed(shadow: $shadow, as: $as));
    // The wave is some 700 by 190 dots: as wide as the grid, and about so high in it.
    expect($picture->width)->toBe(320)->and($picture->height)->toBeGreaterThan(78)->toBeLessThan(97);
    $columns = [];
    foreach ($picture->runs as [$row, $column, $length]) {
        foreach (range($column, $column + $length - 1) as $one) {
            $columns[$one][] = $row;
        }
    }
    expect(count($columns))->toBe($picture->width)
        // A line of nine dots in every column, wherever the shadow lies.
        ->and(max(array_map(count(...), $columns)))->toBeLessThan(30);
})->with([['jpeg', 0.0], ['jpeg', 0.6], ['png', 0.5], ['webp', 0.5], ['gif', 0.3]]);

it('reads a picture with no paper of its own', function () {
    $picture = imagecreatetruecolor(600, 200);
    imagealphablending($picture, false);
    imagesavealpha($picture, true);
    imagefill($picture, 0, 0, (int) imagecolorallocatealpha($picture, 0, 0, 0, 127));
    imagesetthickness($picture, 5);
    $ink = (int) imagecolorallocatealpha($picture, 20, 20, 60, 0);
    foreach (range(0, 10) as $n) {
        imageline($picture, 40 + 50 * $n, 30 + ($n % 2) * 130, 90 + 50 * $n, 160 - ($n % 2) * 130, $ink);
    }
    ob_start();
    imagepng($picture);
    expect(SignaturePicture::read((string) ob_get_clean())->width)->toBeGreaterThan(300);
});

it('refuses what shows no signature, and what is no picture', function (Closure $bytes, SigningRefusal $why) {
    expect(static fn () => SignaturePicture::read($bytes()))->toThrow(
        static fn (StepRefused $refused) => expect($refused->reason)->toBe($why),
    );
})->with([
    'white paper' => [fn () => photographed(ink: 256), SigningRefusal::NoSignatureSeen],
    'a text' => [fn () => 'hello', SigningRefusal::NoPicture],
    'nothing' => [fn () => '', SigningRefusal::NoPicture],
    'a cut picture' => [fn () => substr(photographed(), 0, 20), SigningRefusal::NoPicture],
    'more dots than are opened' => [
        fn () => "\x89PNG\r\n\x1a\n".pack('N', 13).'IHDR'.pack('NN', 60000, 60000)."\x08\x02\0\0\0".pack('N', 0),
        SigningRefusal::PictureTooLarge,
    ],
    'more bytes' => [fn () => str_repeat('x', 12_000_001), SigningRefusal::PictureTooLarge],
]);

it('reads back what it stores, and refuses what is none', function () {
    $picture = SignaturePicture::read(photographed());
    expect(SignaturePicture::given(json_decode((string) json_encode($picture->toArray()), true)))->toEqual($picture);
    $whole = $picture->toArray();
    foreach (
        [
            null,
            'text',
            [],
            [...$whole, 'width' => 5000],
            [...$whole, 'height' => '96'],
            [...$whole, 'runs' => [[0, 0, 1]]],
            [...$whole, 'runs' => [...$whole['runs'], [0, 319, 2]]],
            [...$whole, 'runs' => [...$whole['runs'], ['0', 0, 1]]],
            [...$whole, 'runs' => array_fill(0, 4001, [0, 0, 1])],
        ] as $given
    ) {
        expect(static fn () => SignaturePicture::given($given))->toThrow(StepRefused::class);
    }
});

it('is a signature as any: drawn into its place, kept and told from others', function () {
    $stored = SignaturePicture::read(photographed())->toArray();
    $signature = AdoptedSignature::pictured('Sunniva Eide', 'SE', $stored);
    $place = new Rect(100, 500, 180, 20);
    $drawn = $signature->signatureIn($place);
    expect($drawn)->toStartWith('<path transform="translate(102.00 ')->not->toContain('<image')
        ->and($signature->initialsIn($place))->toContain('>SE</text>')
        ->and(AdoptedSignature::fromArray(json_decode((string) json_encode($signature->toArray()), true))->digest())
        ->toBe($signature->digest())
        ->and(AdoptedSignature::typed('Sunniva Eide', 'SE', 'plain')->digest())->not->toBe($signature->digest())
        ->and(AdoptedSignature::typed('Sunniva Eide', 'SE', 'plain')->toArray())->not->toHaveKey('picture');
    // All of it lies in the place.
    preg_match('/translate\(([\d.]+) ([\d.]+)\) scale\(([\d.]+)\)/', $drawn, $m);
    expect((float) $m[2] + $stored['height'] * (float) $m[3])->toBeLessThan(520.0)
        ->and((float) $m[1] + $stored['width'] * (float) $m[3])->toBeLessThan(280.0);
});
