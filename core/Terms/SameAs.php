<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/**
 * A day that is another's: possession at closing moves when closing moves.
 */
final class SameAs
{
    /** As kept in place of a day. */
    public const CLOSING = '=closing';

    private const TYPED = '/^(?:(?:at|on|upon|with|same as)\s+)?(?:the\s+)?(?:day of\s+|date of\s+)?closing(?:\s+(?:day|date))?\.?$/i';

    /** What is kept where "at closing" is typed; null when something else was, or the term takes no such words. */
    public static function read(Term $term, string $typed): ?string
    {
        return $term === Term::Possession && preg_match(self::TYPED, trim($typed)) === 1 ? self::CLOSING : null;
    }

    /**
     * The values with such a day in its place; while the other is not known, neither is it.
     *
     * @param array<string, string> $values by name, as kept
     * @return array<string, string>
     */
    public static function follow(array $values): array
    {
        if (($values[Term::Possession->value] ?? '') !== self::CLOSING) {
            return $values;
        }
        unset($values[Term::Possession->value]);
        $closing = $values[Term::Closing->value] ?? null;

        return $closing === null ? $values : [...$values, Term::Possession->value => $closing];
    }

    /** As read in a sentence. */
    public static function readable(string $kept): string
    {
        return $kept === self::CLOSING ? 'at closing' : $kept;
    }
}
