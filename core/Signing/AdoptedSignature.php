<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Files\StepRefused;
use Unanimus\Pages\Rect;

/**
 * The signature and initials a signer has chosen as theirs: set in one of the shipped hands, or drawn.
 */
final readonly class AdoptedSignature
{
    /** The shipped hands, by the name they are chosen under: family, and how large it sets against its box. */
    public const HANDS = [
        'flowing' => ['Great Vibes', 0.86],
        'upright' => ['Charm', 0.72],
        'brisk' => ['Dancing Script', 0.80],
        'plain' => ['Patrick Hand', 0.80],
    ];

    /** The drawing field's size, in its own units. */
    public const FIELD = [600, 180];

    private const MOST_POINTS = 6000;

    /** @param  list<list<array{int, int}>>  $strokes */
    private function __construct(public string $name, public string $initials, public ?string $hand, public array $strokes)
    {
    }

    /**
     * A signature typed in one of the hands.
     *
     * @throws StepRefused when the name or initials are missing or the hand is not one of ours
     */
    public static function typed(string $name, string $initials, string $hand): self
    {
        if (! isset(self::HANDS[$hand])) {
            throw new StepRefused('Choose one of the hands shown.');
        }

        return new self(self::named($name, 120), self::named($initials, 8), $hand, []);
    }

    /**
     * A signature drawn by hand; initials are set in the plain hand.
     *
     * @param mixed $strokes lists of points in the drawing field's units
     *
     * @throws StepRefused when nothing was drawn, or it is no drawing
     */
    public static function drawn(string $name, string $initials, mixed $strokes): self
    {
        $clean = [];
        $points = 0;
        foreach (is_array($strokes) ? $strokes : [] as $stroke) {
            $line = [];
            foreach (is_array($stroke) ? $stroke : [] as $point) {
                if (! is_array($point) || ! is_numeric($point[0] ?? null) || ! is_numeric($point[1] ?? null) || ++$points > self::MOST_POINTS) {
                    throw new StepRefused('The drawing could not be read. Clear it and draw again.');
                }
                $line[] = [max(0, min(self::FIELD[0], (int) $point[0])), max(0, min(self::FIELD[1], (int) $point[1]))];
            }
            $line === [] || $clean[] = $line;
        }
        if ($points < 8) {
            throw new StepRefused('Draw your signature in the field first.');
        }

        return new self(self::named($name, 120), self::named($initials, 8), null, $clean);
    }

    /** @param  array{name: string, initials: string, hand: string|null, strokes: list<list<array{int, int}>>}  $data as from {@see toArray} */
    public static function fromArray(array $data): self
    {
        return new self($data['name'], $data['initials'], $data['hand'], $data['strokes']);
    }

    /** @return array{name: string, initials: string, hand: string|null, strokes: list<list<array{int, int}>>} */
    public function toArray(): array
    {
        return ['name' => $this->name, 'initials' => $this->initials, 'hand' => $this->hand, 'strokes' => $this->strokes];
    }

    /** The signature as SVG, fitted into a place. */
    public function signatureIn(Rect $place): string
    {
        return $this->hand === null ? $this->drawing($place) : self::set($this->name, $this->hand, $place);
    }

    /** The initials as SVG, fitted into a place. */
    public function initialsIn(Rect $place): string
    {
        return self::set($this->initials, $this->hand ?? 'plain', $place);
    }

    private static function set(string $text, string $hand, Rect $place): string
    {
        [$family, $scale] = self::HANDS[$hand];
        $size = min($place->height * $scale, ($place->width - 4) / max(1, mb_strlen($text)) * 2.1);

        return sprintf(
            '<text x="%.2f" y="%.2f" font-family="%s, Noto Sans, Noto Sans Arabic, Noto Sans CJK SC" font-size="%.2f" fill="#16245c">%s</text>',
            $place->x + 2, $place->y + $place->height * 0.74, $family, $size, htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE),
        );
    }

    private function drawing(Rect $place): string
    {
        $all = array_merge(...$this->strokes);
        [$xs, $ys] = [[...array_column($all, 0)], [...array_column($all, 1)]];
        if ($xs === [] || $ys === []) {
            return '';
        }
        $scale = min(($place->width - 4) / max(40, max($xs) - min($xs)), ($place->height - 2) / max(20, max($ys) - min($ys)));
        [$left, $top] = [$place->x + 2 - min($xs) * $scale, $place->y + 1 - min($ys) * $scale];
        $path = '';
        foreach ($this->strokes as $stroke) {
            foreach ($stroke as $index => [$x, $y]) {
                $path .= sprintf('%s%.2f %.2f', $index === 0 ? 'M' : 'L', $left + $x * $scale, $top + $y * $scale);
            }
        }

        return '<path d="'.$path.'" fill="none" stroke="#16245c" stroke-width="1.3" stroke-linecap="round" stroke-linejoin="round"/>';
    }

    private static function named(string $text, int $most): string
    {
        $text = trim((string) preg_replace('/[\p{Cc}\p{Cf}\s]+/u', ' ', $text));
        if ($text === '' || mb_strlen($text) > $most) {
            throw new StepRefused($text === '' ? 'Write your name and your initials first.' : "That is longer than {$most} characters.");
        }

        return $text;
    }
}
