<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * What the words beside a line ask for: a signature, initials, the date of signing, a printed name, a capacity.
 *
 * @internal to its area
 */
final class MarkLabels
{
    private const SIGNATURE = '/\bsignatures?\b(?! (?:page|block|date|pages|and date(?!\W*$)))|'.
        '\bsign(?:ed)?(?: here)?\s*[:.]?[\s>→►»]*$|\bsigned by\s*:?$|\(sign\)\W*$|'.
        '\bsignatory\b|\bautograph\b|\bfirma\b/iu';

    private const BY = '/(?:^|\s)by\s*:$|^\W*(?:by|x{1,2}|✗|✕|×)\s*[:.]?$|(?:^|\s)\/s\/$|'.
        '(?:^|\w\s)\W*by\s*\([^()]{3,40}\)\s*[:.]?$/iu';

    private const INITIALS = '/\binitials?\b(?! (?:deposit|earnest|payment|term|period|inspection|offer|amount|price|listing|rent))|'.
        '\binitialing (?:here|below|this|in)\b|^\W*initiall?ed by\b|\binit\.|\binit\W*$|\biniciales?\b/iu';

    /** The date of signing is called by no more than that; "closing date" is another. */
    private const DATE = '/^\W*(?:(?:\w+[’\']?s?|\w+ \w+[’\']?s?) )?(?:signature |sign(?:ing|ed)? )?(?:fecha\W{1,3})?(?:dated?|fecha)'.
        '(?: signed| of signature| of signing)?(?:\s*(?:\/|&|and|\b)\s*time)?\s*(?:\([^)]*\))?\s*[:.]?\W*$|'.
        '^\W*(?:when|m{1,2}\W*d{1,2}\W*y{2,4}|month\W+day\W+year|day\W+month\W+year)\W*$/iu';

    private const NOT_OF_SIGNING = '/\b(?:closing|settlement|effective|expiration|expiry|possession|delivery|acceptance|offer|due|birth|'.
        'start|end|move|contract|agreement|listing|inspection|begin\w*|commencement)\b/iu';

    private const TIME = '/^\W*(?:time|hour|hora)(?: signed)?\s*(?:\([^)]*\))?\s*[:.]?\W*$/iu';

    private const NAME = '/\b(?:print(?:ed)?|typed?)\b.{0,20}\bnames?\b|\bnames?\b.{0,6}\(?(?:please )?(?:print|typed?)|'.
        '\((?:please )?print(?:ed)?\)|'.
        '^\W*(?:please )?(?:print(?:ed)?|typed)\s*[:.]?\W*$|^\W*(?:(?:full |legal )?names?|nombre)(?: of \w+)?\s*[:.]?\W*$|'.
        '\bnames?\s*[:.]?$/iu';

    private const CAPACITY = '/^\W*(?:title|its|capacity|position|titulo|authorized capacity)(?: of signer)?\s*[:.]?\W*$/iu';

    /** Whether the words ask for a signature. */
    public static function isSignature(string $words): bool
    {
        return preg_match(self::SIGNATURE, $words) === 1 && ! self::isDate($words);
    }

    /** Whether they end in "By:" or an X, as before a line that somebody signs for another. */
    public static function isBy(string $words): bool
    {
        return preg_match(self::BY, $words) === 1;
    }

    /** Whether nothing but a cross stands there, which on a scan is easily read twice. */
    public static function isCross(string $words): bool
    {
        return preg_match('/^\W*[x✗✕×]{1,2}\W*$/iu', $words) === 1;
    }

    /** Whether they ask for initials. */
    public static function isInitials(string $words): bool
    {
        return preg_match(self::INITIALS, $words) === 1;
    }

    /** Whether they ask for the date of signing, not for another. */
    public static function isDate(string $words): bool
    {
        return preg_match(self::DATE, $words) === 1 && preg_match(self::NOT_OF_SIGNING, $words) !== 1;
    }

    /** What else goes with a signature: the time, the printed name, the capacity; null when they ask for none of these. */
    public static function companion(string $words): ?MarkKind
    {
        return match (true) {
            $words === '' => null,
            self::isDate($words) => MarkKind::Date,
            preg_match(self::TIME, $words) === 1 => MarkKind::Time,
            preg_match(self::CAPACITY, $words) === 1 => MarkKind::Capacity,
            preg_match(self::NAME, $words) === 1 && ! self::isSignature($words) => MarkKind::Name,
            default => null,
        };
    }
}
