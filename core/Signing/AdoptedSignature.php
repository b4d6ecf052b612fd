<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Pages\Typeface;
use Unanimus\Steps\StepRefused;

/**
 * The signature and initials a signer has chosen as theirs: set in one of the shipped hands, drawn, or from a picture of theirs.
 *
 * @phpstan-type Stored array{name: string, initials: string, hand: string|null, strokes: list<list<array{int, int}>>, picture?: mixed}
 */
final readonly class AdoptedSignature
{
    /** The shipped hands, by the name they are chosen under: family, how large it sets against its box, and its file. */
    public const HANDS = [
        'flowing' => ['Great Vibes', 0.86, 'great-vibes'],
        'upright' => ['Charm', 0.72, 'charm'],
        'brisk' => ['Dancing Script', 0.8, 'dancing-script'],
        'plain' => ['Patrick Hand', 0.8, 'patrick-hand'],
    ];

    /** The drawing field's size, in its own units. */
    public const FIELD = [600, 180];

    private const MOST_POINTS = 6000;

    /** @param  list<list<array{int, int}>>  $strokes */
    private function __construct(
        public string $name,
        public string $initials,
        public ?string $hand,
        public array $strokes,
        public ?SignaturePicture $picture = null,
    ) {
    }

    /**
     * A signature typed in one of the hands.
     *
     * @throws StepRefused when the name or initials are missing or the hand is not one of ours
     */
    public static function typed(string $name, string $initials, string $hand): self
    {
        if (! isset(self::HANDS[$hand])) {
            throw SigningRefusal::NoSuchStyle->because();
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
                if (
                    ! is_array($point) ||
                    ! is_numeric($point[0] ?? null) ||
                    ! is_numeric($point[1] ?? null) ||
                    ++$points > self::MOST_POINTS
                ) {
                    throw SigningRefusal::DrawingUnreadable->because();
                }
                $line[] = [max(0, min(self::FIELD[0], (int) $point[0])), max(0, min(self::FIELD[1], (int) $point[1]))];
            }
            $line === [] || ($clean[] = $line);
        }
        if ($points < 8) {
            throw SigningRefusal::NothingDrawn->because();
        }

        return new self(self::named($name, 120), self::named($initials, 8), null, $clean);
    }

    /**
     * A signature from a picture of one's own; initials are set in the plain hand.
     *
     * @param mixed $picture as from {@see SignaturePicture::toArray}
     *
     * @throws StepRefused when it is none
     */
    public static function pictured(string $name, string $initials, mixed $picture): self
    {
        return new self(self::named($name, 120), self::named($initials, 8), null, [], SignaturePicture::given($picture));
    }

    /** What tells this choice from any other: stands in the event of choosing, and is held against what is drawn at sealing. */
    public function digest(): string
    {
        return hash('sha256', json_encode($this->toArray(), JSON_THROW_ON_ERROR));
    }

    /** @param  Stored  $data  as from {@see toArray} */
    public static function fromArray(array $data): self
    {
        $picture = isset($data['picture']) ? SignaturePicture::given($data['picture']) : null;

        return new self($data['name'], $data['initials'], $data['hand'], $data['strokes'], $picture);
    }

    /** @return Stored */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'initials' => $this->initials,
            'hand' => $this->hand,
            'strokes' => $this->strokes,
            ...$this->picture === null ? [] : ['picture' => $this->picture->toArray()],
        ];
    }

    /** The signature as SVG, fitted into a place. */
    public function signatureIn(Rect $place): string
    {
        return match (true) {
            $this->picture !== null => $this->picture->in($place),
            $this->hand === null => $this->drawing($place),
            default => self::set($this->name, $this->hand, $place),
        };
    }

    /** The initials as SVG, fitted into a place. */
    public function initialsIn(Rect $place): string
    {
        return self::set($this->initials, $this->hand ?? 'plain', $place);
    }

    private static function set(string $text, string $hand, Rect $place): string
    {
        [$family, $scale] = self::HANDS[$hand];
        $size = min($place->height * $scale, ($place->width - 4) / max(0.1, self::breadth($text, $hand)));

        return sprintf(
            '<text x="%.2f" y="%.2f" font-family="%s, Noto Sans, Noto Sans Arabic, Noto Sans CJK SC" font-size="%.2f" '.
                'fill="#16245c">%s</text>',
            $place->x + 2,
            $place->y + $place->height * 0.74,
            $family,
            $size,
            htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE),
        );
    }

    /**
     * How wide a text sets in a hand at the size of one point. Letters with accents are as wide as without; what the hand has not comes
     * from the plain face.
     */
    private static function breadth(string $text, string $hand): float
    {
        $letters = strtr((string) preg_replace('/\p{Mn}+/u', '', \Normalizer::normalize($text, \Normalizer::FORM_D) ?: $text), [
            'đ' => 'd',
            'Đ' => 'D',
            'ł' => 'l',
            'Ł' => 'L',
            'ø' => 'o',
            'Ø' => 'O',
            'ß' => 'ss',
            'æ' => 'ae',
            'Æ' => 'AE',
            'ı' => 'i',
            'ơ' => 'o',
            'ư' => 'u',
        ]);
        $own = (string) preg_replace('/[^\x20-\x7E]/u', '', $letters);
        $box = imagettfbbox(100, 0, dirname(__DIR__, 2).'/library/fonts/'.self::HANDS[$hand][2].'-latin-400-normal.ttf', $own) ?: [
            0,
            0,
            0,
        ];

        // The measure counts dots at 96 to the inch, three for four points; flourishes reach a little further than their letter.
        return ((($box[2] - min(0, $box[0])) * 0.75) / 100) * 1.04 +
            Typeface::width((string) preg_replace('/[\x20-\x7E]/u', '', $letters), 1);
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
            throw $text === '' ? SigningRefusal::NoName->because() : SigningRefusal::TooLong->because(most: $most);
        }

        return $text;
    }
}
