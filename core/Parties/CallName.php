<?php

declare(strict_types=1);

namespace Unanimus\Parties;

/** What somebody is called by their name: a person by the first of it, a trust or a company by all of it. */
final class CallName
{
    private const TITLES = '/^(?:(?:mr|mrs|ms|mx|miss|dr|prof|rev|hon|judge|sr|sra|sres)\.?\s+)+/iu';

    /** What follows a name after a comma and is none. */
    private const AFTER = '/^(?:jr|sr|i{1,3}|iv|esq|m\.?d|ph\.?d|trustee|executor|executrix|administrator|attorney|agent|broker|president|'.
        'manager|member|owner|guardian|personal)\b/iu';

    private const ENTITY = '/^the\s|\b(?:trust|estate|l\.?l\.?c|l\.?l?\.?p|inc|corp(?:oration)?|company|co|partnership|association|'.
        'foundation|church|bank|properties|holdings|homes|realty|group)\b\.?/iu';

    /** As one speaks to them: "Sunniva" for "Dr. Sunniva Eide", all of "The Greywater Family Trust"; an address is left as it is. */
    public static function of(string $name): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $name));
        if (str_contains($name, '@') || self::isEntity($name)) {
            return $name;
        }
        $bare = trim((string) preg_replace(self::TITLES, '', $name));
        // "Greywater, Odalys": the family name comes first.
        $isTurned = preg_match('/^[^\s,]+,\s*(\p{L}[^,]*)$/u', $bare, $m) === 1 && preg_match(self::AFTER, $m[1]) !== 1;
        $given = $isTurned ? $m[1] : rtrim(explode(',', $bare)[0]);

        return explode(' ', $given)[0] ?: $name;
    }

    /** In one word, where there is no room for more: "Greywater" for "The Greywater Family Trust". */
    public static function short(string $name): string
    {
        $called = self::of($name);

        return str_contains($called, '@') ? $called : explode(' ', (string) preg_replace('/^the\s+/iu', '', $called))[0];
    }

    /** Whether it is the name of a trust, an estate, a company. */
    public static function isEntity(string $name): bool
    {
        return preg_match(self::ENTITY, $name) === 1;
    }
}
