<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Steps\StepRefused;

/**
 * The ink of a photographed or scanned signature: paper and shadow taken away, cut to what was written, as rows of dots. It
 * draws as lines do, sharp at the size of a signature, and carries nothing of the picture it came from.
 */
final readonly class SignaturePicture
{
    /** The finest grid it is kept in, in dots. */
    private const WIDE = 320;

    private const HIGH = 96;

    private const MOST_RUNS = 4000;

    private const MOST_BYTES = 12_000_000;

    /** The largest picture that is opened, in dots. */
    private const MOST_DOTS = 30_000_000;

    /** Within this measure the ink is looked for. */
    private const LOOK = 960;

    /** The side of the squares whose lightest dot is taken for the paper. */
    private const SQUARE = 32;

    /** @param  list<array{int, int, int}>  $runs  row, first column and length of each stretch of ink */
    private function __construct(public int $width, public int $height, public array $runs)
    {
    }

    /**
     * The ink on a picture: PNG, JPEG, WebP or GIF.
     *
     * @throws StepRefused when it is no such picture, too large, or no signature can be made out on it
     */
    public static function read(string $bytes): self
    {
        [$ink, $width, $height] = self::ink(self::opened($bytes));
        [$left, $right, $top, $bottom] = self::edges($ink, $width, $height);
        $wide = $right - $left + 1;
        $high = $bottom - $top + 1;
        $share = array_sum($ink) / ($wide * $high);
        if ($wide < 24 || $share > 0.5 || $share < 0.002) {
            throw SigningRefusal::NoSignatureSeen->because();
        }
        $scale = min(1, self::WIDE / $wide, self::HIGH / $high);
        $columns = max(1, (int) round($wide * $scale));
        $rows = max(1, (int) round($high * $scale));
        $counts = [];
        for ($y = 0; $y < $high; $y++) {
            for ($x = 0; $x < $wide; $x++) {
                if (isset($ink[($top + $y) * $width + $left + $x])) {
                    $cell = intdiv($y * $rows, $high) * $columns + intdiv($x * $columns, $wide);
                    $counts[$cell] = ($counts[$cell] ?? 0) + 1;
                }
            }
        }
        $least = 0.3 * ($wide / $columns) * ($high / $rows);
        $dots = array_filter($counts, static fn (int $count) => $count >= $least);

        return self::given(['width' => $columns, 'height' => $rows, 'runs' => self::runs($dots, $columns)]);
    }

    /**
     * From its stored form.
     *
     * @throws StepRefused when it is none
     */
    public static function given(mixed $data): self
    {
        $whole = static fn (mixed $value, int $least, int $most): int => is_int($value) && $value >= $least && $value <= $most
            ? $value
            : throw SigningRefusal::PictureUnreadable->because();
        $data = is_array($data) ? $data : [];
        $width = $whole($data['width'] ?? null, 1, self::WIDE);
        $height = $whole($data['height'] ?? null, 1, self::HIGH);
        $runs = [];
        foreach (is_array($data['runs'] ?? null) ? $data['runs'] : [] as $run) {
            $row = $whole($run[0] ?? null, 0, $height - 1);
            $column = $whole($run[1] ?? null, 0, $width - 1);
            $runs[] = [$row, $column, $whole($run[2] ?? null, 1, $width - $column)];
        }
        if (count($runs) < 8 || count($runs) > self::MOST_RUNS) {
            throw SigningRefusal::NoSignatureSeen->because();
        }

        return new self($width, $height, $runs);
    }

    /** @return array{width: int, height: int, runs: list<array{int, int, int}>} its stored form */
    public function toArray(): array
    {
        return ['width' => $this->width, 'height' => $this->height, 'runs' => $this->runs];
    }

    /** As SVG, fitted into a place. */
    public function in(Rect $place): string
    {
        $scale = min(($place->width - 4) / $this->width, ($place->height - 2) / $this->height);
        $path = '';
        foreach ($this->runs as [$row, $column, $length]) {
            // A hair taller than its row, so that no light shows between two.
            $path .= "M{$column} {$row}h{$length}v1.1h-{$length}z";
        }

        return sprintf(
            '<path transform="translate(%.2f %.2f) scale(%.4f)" d="%s" fill="#16245c"/>',
            $place->x + 2,
            $place->y + ($place->height - $this->height * $scale) / 2,
            $scale,
            $path,
        );
    }

    private static function opened(string $bytes): \GdImage
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw SigningRefusal::PictureTooLarge->because();
        }
        $about = preg_match('/^(?:\x89PNG|\xFF\xD8|GIF8|RIFF.{4}WEBP)/s', $bytes) === 1 ? @getimagesizefromstring($bytes) : false;
        if ($about === false) {
            throw SigningRefusal::NoPicture->because();
        }
        if ($about[0] * $about[1] > self::MOST_DOTS) {
            throw SigningRefusal::PictureTooLarge->because();
        }
        $picture = @imagecreatefromstring($bytes) ?: throw SigningRefusal::NoPicture->because();
        $scale = min(1, self::LOOK / max($about[0], $about[1]));
        [$width, $height] = [max(1, (int) round($about[0] * $scale)), max(1, (int) round($about[1] * $scale))];
        $small = imagecreatetruecolor($width, $height);
        imagefill($small, 0, 0, (int) imagecolorallocate($small, 255, 255, 255));
        imagecopyresampled($small, $picture, 0, 0, 0, 0, $width, $height, $about[0], $about[1]);
        $turns = [3 => 180, 6 => 270, 8 => 90][self::orientation($bytes)] ?? 0;

        return $turns === 0 ? $small : (imagerotate($small, $turns, 0) ?: $small);
    }

    /** How the camera was held (Exif 2.32, tag 0x0112). */
    private static function orientation(string $bytes): int
    {
        if (! str_starts_with($bytes, "\xFF\xD8")) {
            return 1;
        }
        $stream = fopen('php://memory', 'w+b');
        if ($stream === false) {
            return 1;
        }
        fwrite($stream, $bytes);
        rewind($stream);
        $said = @exif_read_data($stream);

        return is_array($said) && is_numeric($said['Orientation'] ?? null) ? (int) $said['Orientation'] : 1;
    }

    /** @return array{array<int, int>, int, int} the dots that are ink, by their number, and the measure of the picture */
    private static function ink(\GdImage $picture): array
    {
        [$width, $height] = [imagesx($picture), imagesy($picture)];
        $gray = $paper = [];
        $across = intdiv($width - 1, self::SQUARE) + 1;
        for ($y = 0; $y < $height; $y++) {
            $row = intdiv($y, self::SQUARE) * $across;
            for ($x = 0; $x < $width; $x++) {
                $color = (int) imagecolorat($picture, $x, $y);
                $gray[] = $light = (77 * (($color >> 16) & 255) + 151 * (($color >> 8) & 255) + 28 * ($color & 255)) >> 8;
                $square = $row + intdiv($x, self::SQUARE);
                $light > ($paper[$square] ?? -1) && ($paper[$square] = $light);
            }
        }
        $ink = [];
        foreach ($gray as $at => $light) {
            $white = $paper[intdiv(intdiv($at, $width), self::SQUARE) * $across + intdiv($at % $width, self::SQUARE)];
            $white - $light > 36 && $light < 0.78 * $white && ($ink[$at] = 1);
        }
        // Grain of the paper: dots that stand alone.
        $around = [-$width - 1, -$width, -$width + 1, -1, 1, $width - 1, $width, $width + 1];

        return [
            array_filter(
                $ink,
                static fn (int $at) => count(array_filter($around, static fn (int $to) => isset($ink[$at + $to]))) > 1,
                ARRAY_FILTER_USE_KEY,
            ),
            $width,
            $height,
        ];
    }

    /**
     * @param array<int, int> $ink
     * @return array{int, int, int, int} first and last column, first and last row that more than a speck of it stands in
     */
    private static function edges(array $ink, int $width, int $height): array
    {
        $columns = array_fill(0, $width, 0);
        $rows = array_fill(0, $height, 0);
        foreach (array_keys($ink) as $at) {
            $columns[$at % $width]++;
            $rows[intdiv($at, $width)]++;
        }
        $written = static fn (array $counts) => array_keys(array_filter($counts, static fn (int $count) => $count > 0));
        [$across, $down] = [$written($columns), $written($rows)];

        return $across === [] || $down === []
            ? throw SigningRefusal::NoSignatureSeen->because()
            : [min($across), max($across), min($down), max($down)];
    }

    /**
     * @param array<int, int> $dots by their number
     * @return list<array{int, int, int}>
     */
    private static function runs(array $dots, int $columns): array
    {
        ksort($dots);
        $runs = [];
        foreach (array_keys($dots) as $dot) {
            [$row, $column] = [intdiv($dot, $columns), $dot % $columns];
            $last = count($runs) - 1;
            if ($last >= 0 && $runs[$last][0] === $row && $runs[$last][1] + $runs[$last][2] === $column) {
                $runs[$last][2]++;
            } else {
                $runs[] = [$row, $column, 1];
            }
        }

        return $runs;
    }
}
