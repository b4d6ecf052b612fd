<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/**
 * A United States address taken apart and written one way, so that two spellings of one place are seen to be one.
 *
 * @link https://pe.usps.com/text/pub28/welcome.htm USPS Publication 28: suffixes (appendix C1), unit designators (C2), directionals (section 233)
 */
final readonly class Address
{
    private const SUFFIXES = [
        'alley' => 'ALY', 'ally' => 'ALY', 'avenue' => 'AVE', 'aven' => 'AVE', 'av' => 'AVE', 'bend' => 'BND', 'boulevard' => 'BLVD', 'boul' => 'BLVD', 'branch' => 'BR', 'bridge' => 'BRG', 'bypass' => 'BYP', 'causeway' => 'CSWY', 'center' => 'CTR',
        'centre' => 'CTR', 'circle' => 'CIR', 'circ' => 'CIR', 'common' => 'CMN', 'corner' => 'COR', 'court' => 'CT', 'crt' => 'CT', 'cove' => 'CV', 'creek' => 'CRK', 'crescent' => 'CRES', 'crossing' => 'XING', 'drive' => 'DR', 'driv' => 'DR', 'estate' => 'EST',
        'expressway' => 'EXPY', 'extension' => 'EXT', 'freeway' => 'FWY', 'garden' => 'GDN', 'gardens' => 'GDNS', 'gateway' => 'GTWY', 'glen' => 'GLN', 'green' => 'GRN', 'grove' => 'GRV', 'harbor' => 'HBR', 'heights' => 'HTS', 'highway' => 'HWY', 'hill' => 'HL',
        'hills' => 'HLS', 'hollow' => 'HOLW', 'island' => 'IS', 'junction' => 'JCT', 'lake' => 'LK', 'landing' => 'LNDG', 'lane' => 'LN', 'lodge' => 'LDG', 'manor' => 'MNR', 'meadow' => 'MDW', 'meadows' => 'MDWS', 'mill' => 'ML', 'mount' => 'MT', 'mountain' => 'MTN',
        'orchard' => 'ORCH', 'parkway' => 'PKWY', 'pkwy' => 'PKWY', 'place' => 'PL', 'plain' => 'PLN', 'plaza' => 'PLZ', 'point' => 'PT', 'port' => 'PRT', 'prairie' => 'PR', 'ranch' => 'RNCH', 'ridge' => 'RDG', 'river' => 'RIV', 'road' => 'RD', 'route' => 'RTE',
        'shore' => 'SHR', 'spring' => 'SPG', 'springs' => 'SPGS', 'square' => 'SQ', 'station' => 'STA', 'street' => 'ST', 'str' => 'ST', 'strt' => 'ST', 'summit' => 'SMT', 'terrace' => 'TER', 'terr' => 'TER', 'trace' => 'TRCE', 'track' => 'TRAK', 'trail' => 'TRL',
        'tunnel' => 'TUNL', 'turnpike' => 'TPKE', 'valley' => 'VLY', 'view' => 'VW', 'village' => 'VLG', 'vista' => 'VIS', 'way' => 'WAY', 'wells' => 'WLS',
    ];

    private const DIRECTIONS = ['north' => 'N', 'south' => 'S', 'east' => 'E', 'west' => 'W', 'northeast' => 'NE', 'northwest' => 'NW', 'southeast' => 'SE', 'southwest' => 'SW'];

    private const UNITS = [
        'apartment' => 'APT', 'apt' => 'APT', 'building' => 'BLDG', 'bldg' => 'BLDG', 'department' => 'DEPT', 'floor' => 'FL', 'fl' => 'FL', 'hangar' => 'HNGR', 'lot' => 'LOT', 'penthouse' => 'PH', 'ph' => 'PH', 'pier' => 'PIER',
        'room' => 'RM', 'rm' => 'RM', 'slip' => 'SLIP', 'space' => 'SPC', 'spc' => 'SPC', 'suite' => 'STE', 'ste' => 'STE', 'trailer' => 'TRLR', 'unit' => 'UNIT',
    ];

    private function __construct(
        public string $street, public string $unit, public string $city, public string $state, public string $zip,
    ) {
    }

    /**
     * An address typed in one line: "14 N. Lanternfish Lane, Apt 3B, Tidewick, MW 20417-0012". What is missing stays empty.
     */
    public static function parse(string $typed): self
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $typed), ' ,');
        [$zip, $state] = ['', ''];
        if (preg_match('/^(.*?)[,\s]+(\d{5})(?:[- ]?(\d{4}))?$/u', $text, $m) === 1 && preg_match('/\p{L}/u', $m[1]) === 1) {
            $zip = $m[2].(($m[3] ?? '') === '' ? '' : "-{$m[3]}");
            $text = trim($m[1], ' ,');
        }
        if (preg_match('/^(.*),\s*([A-Za-z]{2})$/u', $text, $m) === 1 || ($zip !== '' && preg_match('/^(.*)\s([A-Z]{2})$/u', $text, $m) === 1)) {
            $state = mb_strtoupper($m[2]);
            $text = trim($m[1], ' ,');
        }
        $parts = array_values(array_filter(array_map(trim(...), explode(',', $text)), static fn (string $part) => $part !== ''));
        $street = array_shift($parts) ?? '';
        $unit = '';
        if (isset($parts[0]) && self::isUnit($parts[0])) {
            $unit = array_shift($parts);
        }
        [$street, $inline] = $unit === '' ? self::split($street) : [$street, ''];

        return new self($street, $unit === '' ? $inline : $unit, implode(', ', $parts), $state, $zip);
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

        return implode(' ', array_map(static fn (string $word) => match (true) {
            in_array(mb_strtoupper($word), self::DIRECTIONS, true) => mb_strtoupper($word),
            preg_match('/^[\p{Ll}]+$/u', $word) === 1, mb_strlen($word) > 2 && $word === mb_strtoupper($word) && preg_match('/^\p{Lu}+$/u', $word) === 1 => mb_convert_case($word, MB_CASE_TITLE),
            default => $word,
        }, $words));
    }

    /** One spelling for one place, without town and state: "14 N LANTERNFISH LN|3B|20417"; empty without a street. */
    public function key(): string
    {
        if ($this->street === '') {
            return '';
        }
        $words = array_values(array_filter(preg_split('/[\s.]+/u', mb_strtolower(str_replace(['’', "'"], '', $this->street))) ?: [], static fn (string $word) => $word !== ''));
        $last = count($words) - 1;
        $tail = $last > 1 && isset(self::DIRECTIONS[$words[$last]]) || ($last > 1 && in_array(mb_strtoupper($words[$last]), self::DIRECTIONS, true)) ? $last - 1 : $last;
        foreach ($words as $at => $word) {
            $isDirection = ($at === 1 && $last > 1 && $tail > 1) || ($at === $last && $at > $tail);
            $words[$at] = match (true) {
                $isDirection && isset(self::DIRECTIONS[$word]) => self::DIRECTIONS[$word],
                $at === $tail && $at > 0 => self::SUFFIXES[$word] ?? mb_strtoupper($word),
                default => mb_strtoupper($word),
            };
        }

        return implode(' ', $words).'|'.$this->unitKey().'|'.substr($this->zip, 0, 5);
    }

    /** The unit without its designator, "3B": "Apt 3B", "Unit 3-B" and "#3B" are one. */
    private function unitKey(): string
    {
        $words = preg_split('/[\s.#]+/u', mb_strtolower($this->unit), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (count($words) > 1 && isset(self::UNITS[$words[0]])) {
            array_shift($words);
        }

        return mb_strtoupper((string) preg_replace('/[^\p{L}\p{N}]+/u', '', implode('', $words)));
    }

    private static function zip(string $zip): string
    {
        return preg_match('/^(\d{5})[- ]?(\d{4})?$/', trim($zip), $m) === 1 ? $m[1].(isset($m[2]) ? "-{$m[2]}" : '') : trim($zip);
    }

    private static function isUnit(string $part): bool
    {
        return preg_match('/^#\s*\w+/u', $part) === 1 || (preg_match('/^(\p{L}+)\.?\s*#?\s*[\w-]*$/u', $part, $m) === 1 && isset(self::UNITS[mb_strtolower($m[1])]));
    }

    /** @return array{string, string} street and unit of "14 Lanternfish Lane #3B" or "… Apt 3B" */
    private static function split(string $street): array
    {
        if (preg_match('/^(\S+\s.+?)\s+(#\s*[\w-]+)$/u', $street, $m) === 1) {
            return [$m[1], $m[2]];
        }
        if (preg_match('/^(\S+\s.+?)\s+(\p{L}+)\.?\s+#?([\w-]+)$/u', $street, $m) === 1 && isset(self::UNITS[mb_strtolower($m[2])])) {
            return [$m[1], ucfirst(mb_strtolower($m[2])).' '.$m[3]];
        }
        // A bare unit behind the suffix: "77 Millrace Court 3B".
        if (preg_match('/^(\S+\s.*?\b(\p{L}+))\s+(\d+[A-Za-z]?|[A-Za-z]?\d+)$/u', $street, $m) === 1 && (isset(self::SUFFIXES[mb_strtolower($m[2])]) || in_array(mb_strtoupper($m[2]), self::SUFFIXES, true)) && ! in_array(mb_strtolower($m[2]), ['highway', 'route', 'hwy', 'rte', 'road'], true)) {
            return [$m[1], $m[3]];
        }

        return [$street, ''];
    }
}
