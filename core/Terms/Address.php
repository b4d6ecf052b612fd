<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/**
 * A United States address taken apart and written one way, so that two spellings of one place are seen to be one.
 *
 * @link https://pe.usps.com/text/pub28/welcome.htm USPS Publication 28
 */
final readonly class Address
{
    private function __construct(
        public string $street,
        public string $unit,
        public string $city,
        public string $state,
        public string $zip,
    ) {
    }

    /**
     * An address as it is typed, in one line or several: "14 N. Lanternfish Lane, Apt 3B, Tidewick, MW 20417-0012". What is
     * missing stays empty.
     */
    public static function parse(string $typed): self
    {
        $text = trim((string) preg_replace(['/\s*\R+\s*/u', '/[^\S\n]+/u'], [', ', ' '], trim($typed)), ' ,.');
        $text = trim((string) preg_replace('/[,\s]+(?:USA|U\.S\.A\.?|U\.S\.|United States(?: of America)?)$/iu', '', $text), ' ,');
        $text = trim((string) preg_replace('/(?<=\d{5}|\d{4}),?\s+US$/u', '', $text), ' ,');
        [$zip, $state] = ['', ''];
        if (
            preg_match('/^(.*?)[,\s]+(\d{5})(?:[- ]?(\d{4}))?$/u', $text, $m) === 1 &&
            preg_match('/\p{L}/u', $m[1]) === 1 &&
            ! self::endsInRoad($m[1])
        ) {
            $zip = $m[2].(($m[3] ?? '') === '' ? '' : "-{$m[3]}");
            $text = trim($m[1], ' ,');
        }
        if (
            preg_match('/^(.*),\s*(?!PH\b)([A-Za-z]{2})\.?$/iu', $text, $m) === 1 ||
            ($zip !== '' && preg_match('/^(.*)\s([A-Z]{2})$/u', $text, $m) === 1) ||
            (preg_match('/^(.*,\s*\p{L}.*)\s([A-Z]{2})$/u', $text, $m) === 1 && in_array($m[2], AddressWords::STATES, true))
        ) {
            $state = mb_strtoupper($m[2]);
            $text = trim($m[1], ' ,');
        }
        $parts = array_values(array_filter(array_map(trim(...), explode(',', $text)), static fn (string $part) => $part !== ''));
        $units = [];
        // A unit may come first: "Unit 3B, 14 Oak Lane".
        while (count($parts) > 1 && self::isUnit($parts[0])) {
            $units[] = array_shift($parts);
        }
        $street = array_shift($parts) ?? '';
        while (isset($parts[0]) && self::isUnit($parts[0])) {
            $units[] = array_shift($parts);
        }
        [$street, $inline] = self::split($street);
        $inline === '' || array_unshift($units, $inline);

        return new self($street, implode(' ', $units), implode(', ', $parts), $state, $zip);
    }

    /** From parts as they are kept. */
    public static function of(string $street, string $unit = '', string $city = '', string $state = '', string $zip = ''): self
    {
        [$plain, $inline] = trim($unit) === '' ? self::split(trim($street)) : [trim($street), ''];

        return new self($plain, trim($unit) === '' ? $inline : trim($unit), trim($city), mb_strtoupper(trim($state)), self::zip($zip));
    }

    /** The street as read, with usual spelling and spacing: "14 N Lanternfish Lane". */
    public function street(): string
    {
        $words = preg_split('/\s+/u', str_replace('.', '', $this->street)) ?: [];

        return implode(
            ' ',
            array_map(
                static fn (string $word) => match (true) {
                    in_array(mb_strtoupper($word), AddressWords::DIRECTIONS, true) => mb_strtoupper($word),
                    self::isInOneCase($word) => mb_convert_case($word, MB_CASE_TITLE),
                    default => $word,
                },
                $words,
            ),
        );
    }

    /** Whether someone typed it without care for capitals: all small, or all large and no abbreviation. */
    private static function isInOneCase(string $word): bool
    {
        return preg_match('/^[\p{Ll}]+$/u', $word) === 1 || (mb_strlen($word) > 2 && preg_match('/^\p{Lu}+$/u', $word) === 1);
    }

    /** One spelling for one place, without town and state: "14 N LANTERNFISH LN|3B|20417"; empty without a street. */
    public function key(): string
    {
        return $this->street === '' ? '' : implode(' ', $this->streetKey()).'|'.$this->unitKey().'|'.substr($this->zip, 0, 5);
    }

    /** @return list<string> the words of the street, each in one spelling */
    private function streetKey(): array
    {
        $text = (string) preg_replace(
            ['/(\d)\s*(?:½|\s1\/2\b)/u', '/[’\']/u', '/\b(\p{L})\.(\p{L})\./u'],
            ['$1.5', '', '$1$2 '],
            mb_strtolower($this->street),
        );
        $words = array_values(
            array_filter(
                array_map(static fn (string $word) => trim($word, '.'), preg_split('/[\s,]+/u', $text) ?: []),
                static fn (string $word) => $word !== '',
            ),
        );
        $last = count($words) - 1;
        // Behind the kind of street a direction may stand: "4th Avenue North".
        $tail =
            $last > 1 && AddressWords::direction($words[$last]) !== null && AddressWords::isSuffix($words[$last - 1]) ? $last - 1 : $last;
        $beforeNumber = static fn (int $at): bool => preg_match('/^\d/', $words[$at + 1] ?? '') === 1;
        $keys = [];
        foreach ($words as $at => $word) {
            $leads = ($at === 1 && $tail > 2) || ($at === 1 && $tail === 2 && ! AddressWords::isSuffix($words[2]));
            $keys[] = match (true) {
                ($leads || ($at === $last && $at > $tail)) && AddressWords::direction($word) !== null => (string) AddressWords::direction(
                    $word,
                ),
                $at === $tail && $at > 0 && AddressWords::isSuffix($word) => AddressWords::SUFFIXES[$word] ?? mb_strtoupper($word),
                $at > 0 && $at < $tail && $word === 'st' => 'SAINT',
                isset(AddressWords::ORDINALS[$word]) && $at > 0 => AddressWords::ORDINALS[$word],
                // "Highway 12": the kind of road stands before its number.
                $at > 0 && $beforeNumber($at) && AddressWords::isSuffix($word) => AddressWords::SUFFIXES[$word] ?? mb_strtoupper($word),
                $at > 0 && $beforeNumber($at) && isset(AddressWords::SHORT_ROADS[$word]) => AddressWords::SHORT_ROADS[$word],
                default => mb_strtoupper($word),
            };
        }

        return $keys;
    }

    /** The unit in one spelling, "3B": "Apt 3B", "Unit 3-B" and "#3B" are one; "Bldg 2" and "Lot 5" are others. */
    private function unitKey(): string
    {
        $words = preg_split('/[\s.,]+/u', str_replace('#', ' unit ', mb_strtolower($this->unit)), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $keys = [];
        foreach ($words as $at => $word) {
            $plain = mb_strtoupper((string) preg_replace('/[^\p{L}\p{N}]+/u', '', $word));
            $hasNumber = isset($words[$at + 1]);
            $keys[] = match (true) {
                // "Bldg 2 Unit 4" is not "Bldg 24".
                $hasNumber && isset(AddressWords::UNITS[$word]) => '-'.AddressWords::UNITS[$word],
                ! $hasNumber && isset(AddressWords::ALONE[$word]) => AddressWords::ALONE[$word],
                preg_match('/^(\d+)(?:st|nd|rd|th)$/', $word, $m) === 1 => $m[1],
                default => $plain,
            };
        }
        // "2nd Floor" and "Floor 2" are one.
        if (count($keys) === 2 && $keys[1] === 'FLOOR') {
            $keys = ['FL', $keys[0]];
        }

        return trim((string) preg_replace('/-+/', '-', implode('', $keys)), '-');
    }

    private static function zip(string $zip): string
    {
        return preg_match('/^(\d{5})[- ]?(\d{4})?$/', trim($zip), $m) === 1 ? $m[1].(isset($m[2]) ? "-{$m[2]}" : '') : trim($zip);
    }

    /** Whether five digits behind it would be the number of a road and no ZIP code. */
    private static function endsInRoad(string $text): bool
    {
        return ! str_contains($text, ',') && preg_match('/^\d\S*\s+(.+)$/u', $text, $m) === 1 && self::isNumbered((string) $m[1]);
    }

    private static function isNumbered(string $words): bool
    {
        foreach (preg_split('/[\s.]+/u', mb_strtolower($words), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            if (! in_array($word, AddressWords::NUMBERED, true)) {
                return false;
            }
        }

        return true;
    }

    private static function isUnit(string $part): bool
    {
        $words = preg_split('/\s+/u', mb_strtolower(str_replace('.', '', $part)), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (
            preg_match('/^#\s*[\w-]+$/u', $part) === 1 ||
            (count($words) === 1 && isset(AddressWords::ALONE[$words[0]])) ||
            mb_strtolower($part) === 'carriage house'
        ) {
            return true;
        }
        if (preg_match('/^\d+(?:st|nd|rd|th) (?:floor|fl)$/', implode(' ', $words)) === 1) {
            return true;
        }

        // Pairs of a designator and its number: "Bldg 2", "Bldg 2 Apt 5".
        return count($words) > 1 &&
            count($words) % 2 === 0 &&
            array_reduce(
                array_chunk($words, 2),
                static fn (bool $all, array $pair) => $all &&
                    isset(AddressWords::UNITS[$pair[0]]) &&
                    preg_match('/^#?[\w-]{1,8}$/u', $pair[1]) === 1,
                true,
            );
    }

    /** @return array{string, string} street and unit of "14 Lanternfish Lane #3B", "… Bldg 2 Apt 5", "Unit 3B 14 Oak Lane" */
    private static function split(string $street): array
    {
        $words = preg_split('/\s+/u', $street, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        // A unit in front, with the number of the building behind it.
        if (count($words) > 3 && self::isUnit("{$words[0]} {$words[1]}") && preg_match('/^\d/', $words[2]) === 1) {
            return [implode(' ', array_slice($words, 2)), "{$words[0]} {$words[1]}"];
        }
        $unit = [];
        while (count($words) > 2) {
            $last = $words[count($words) - 1];
            $two = $words[count($words) - 2].' '.$last;
            if (count($words) > 3 && self::isUnit($two) && ! self::isNumberedRoad($words)) {
                array_unshift($unit, ...array_splice($words, -2));
            } elseif (
                preg_match('/^#[\w-]+$/u', $last) === 1 ||
                (isset(AddressWords::ALONE[mb_strtolower(trim($last, '.'))]) &&
                    AddressWords::isSuffix(mb_strtolower(trim($words[count($words) - 2], '.'))))
            ) {
                array_unshift($unit, array_pop($words));
            } else {
                break;
            }
        }
        if ($unit !== []) {
            return [implode(' ', $words), implode(' ', $unit)];
        }

        return self::bare($words) ?? [implode(' ', $words), ''];
    }

    /** @param  list<string>  $words  Whether the last word is the number by which a road is called. */
    private static function isNumberedRoad(array $words): bool
    {
        return preg_match('/^\d+[A-Za-z]?$/', $words[count($words) - 1]) === 1 &&
            self::isNumbered(implode(' ', array_slice($words, 1, -1)));
    }

    /**
     * A bare unit behind the kind of street: "77 Millrace Court 3B".
     *
     * @param list<string> $words
     * @return array{string, string}|null
     */
    private static function bare(array $words): ?array
    {
        $last = $words[count($words) - 1] ?? '';
        $before = mb_strtolower(trim($words[count($words) - 2] ?? '', '.'));
        $isUnit =
            count($words) > 3 &&
            preg_match('/^(?:\d+[A-Za-z]?|[A-Za-z]?\d+)$/', $last) === 1 &&
            AddressWords::isSuffix($before) &&
            ! in_array($before, AddressWords::ROADS, true) &&
            ! self::isNumberedRoad($words);

        return $isUnit ? [implode(' ', array_slice($words, 0, -1)), $last] : null;
    }
}
