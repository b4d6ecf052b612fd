<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Parties\PartyRole;

/**
 * What the places in the row of a line say of it.
 *
 * @internal to its area
 */
final class LineNeighbors
{
    /** How far under the name of a firm or an owner its "By: ____" may stand. */
    public const BY_UNDER = 62.0;

    /**
     * A cell under nothing but a role, in a row without a label: whoever that is signs there. Where rows are called something, as
     * in a table of who pays what, they are for ticks and amounts.
     *
     * @param list<SigningLine> $lines
     */
    public static function isRoleColumn(SigningLine $line, array $lines): bool
    {
        if (! SignerWords::isAll($line->over) || $line->at->place->height < 13 || $line->at->place->height > 80) {
            return false;
        }
        $row = array_filter($lines, static fn (SigningLine $other) => $other->isBeside($line));

        // What goes with a signature is no name of the row.
        $called = static fn (SigningLine $other): bool => preg_match('/\p{L}/u', $other->before.$other->at->caption) === 1 &&
            MarkLabels::companion($other->at->caption) === null;

        return array_filter($row, $called) === [];
    }

    /**
     * "Broker: ____ By: ____": the first is the firm's name, the second is signed; "____ (Company)".
     *
     * @param list<SigningLine> $lines
     */
    public static function isFirm(SigningLine $line, array $lines): bool
    {
        if (preg_match('/^\((?:company|firm|brokerage)\b/i', $line->after) === 1) {
            return true;
        }
        foreach ($lines as $other) {
            $gap = $other->at->place->x - $line->right();
            if ($other->isBeside($line) && $gap > 0 && $gap < 110 && self::isBy($other->before)) {
                return true;
            }
        }

        return false;
    }

    /**
     * "Buyer's broker ____  Agent ____": who helps, by name, a firm and its agent on one row.
     *
     * @param list<SigningLine> $lines
     */
    public static function isOfHelpers(SigningLine $line, array $lines): bool
    {
        $role = static fn (SigningLine $one): ?PartyRole => SignerWords::isAll($one->before) ? SignerWords::in($one->before)?->role : null;
        $other = match ($role($line)) {
            PartyRole::Agent => PartyRole::Broker,
            PartyRole::Broker => PartyRole::Agent,
            default => null,
        };
        $row = array_filter($lines, static fn (SigningLine $one) => $one->isBeside($line));

        return $other !== null && array_filter($row, static fn (SigningLine $one) => $role($one) === $other) !== [];
    }

    /**
     * "[ ] Buyer's initials  [ ] Seller's initials": nothing is said before the first of a row, and of the last after it, so it is
     * said after each.
     *
     * @param list<SigningLine> $lines
     */
    public static function saysAfter(SigningLine $line, array $lines): bool
    {
        $row = array_filter($lines, static fn (SigningLine $other) => $other->isBeside($line));
        usort($row, static fn (SigningLine $a, SigningLine $b) => $a->at->place->x <=> $b->at->place->x);
        $last = $row === [] ? '' : $row[count($row) - 1]->after;

        // "Initial here: ____ Buyer ____ Seller".
        $isOpen = $row !== [] && ($row[0]->before === '' ||
            (MarkLabels::isInitials($row[0]->before) && SignerWords::in($row[0]->before) === null));

        return count($row) > 1 && $isOpen && (MarkLabels::isInitials($last) || SignerWords::isAll($last));
    }

    /**
     * "[__] [__] Buyer(s)": short lines in brackets beside each other, in a row that names a role and says nothing else.
     *
     * @param list<SigningLine> $lines
     */
    public static function isBracketedPair(SigningLine $line, array $lines): bool
    {
        $isOne = static fn (SigningLine $one): bool => $one->at->place->width < 70 && ! $one->isCell() &&
            preg_match('/[\[(]\W*$/', $one->before) === 1 && preg_match('/^\W*[\])]/', $one->after) === 1;
        $row = array_filter($lines, static fn (SigningLine $other) => $other->isBeside($line));
        $near = array_filter($row, static fn (SigningLine $other) => $other !== $line &&
            max($other->at->place->x - $line->right(), $line->at->place->x - $other->right()) < 40);
        $says = implode(' ', array_map(static fn (SigningLine $one) => "{$one->before} {$one->after}", $row));
        preg_match_all('/[\p{L}’\']+(?:\(s\))?(?: [\p{L}’\']+(?:\(s\))?)*/u', $says, $m);
        $roles = array_unique($m[0]);

        return $near !== [] && array_filter($row, $isOne) === $row && $roles !== [] &&
            array_filter($roles, SignerWords::isAll(...)) === $roles;
    }

    /**
     * "Date signed: ____ ____": as long as the date right before it, and said nothing of.
     *
     * @param list<SigningLine> $lines
     */
    public static function isSecondDate(SigningLine $line, array $lines): bool
    {
        $left = self::leftTwin($line, $lines);

        return $left !== null && MarkLabels::isDate($left->before);
    }

    /**
     * The line right before one that nothing is said of, and as long.
     *
     * @param list<SigningLine> $lines
     */
    public static function leftTwin(SigningLine $line, array $lines): ?SigningLine
    {
        foreach ($line->before.$line->under.$line->at->caption === '' ? $lines : [] as $other) {
            $gap = $line->at->place->x - $other->right();
            if ($other->isBeside($line) && $gap > 0 && $gap < 40 && abs($other->at->place->width - $line->at->place->width) < 3) {
                return $other;
            }
        }

        return null;
    }

    /** "Tenants" over lines of one length beside each other that say nothing: one after the other's. */
    public static function isRowOfOne(SigningLine $left, SigningLine $line): bool
    {
        $says = static fn (SigningLine $one): string => $one->before.$one->under.$one->after.$one->at->caption;

        return $says($left).$says($line) === '' && ! $line->isCell() && $line->at->place->width >= 100 &&
            abs($line->at->place->width - $left->at->place->width) < 3;
    }

    /**
     * "Seller: ____" right over "By: ____": the first is the name of whom somebody signs for.
     *
     * @param list<SigningLine> $lines
     */
    public static function isOverBy(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $down = $other->foot() - $line->foot();
            $isInColumn = $other->at->place->x < $line->right() && $other->right() > $line->at->place->x;
            if ($down > 8 && $down < self::BY_UNDER && $isInColumn && self::isBy($other->before)) {
                return true;
            }
        }

        return false;
    }

    /**
     * "LESSOR" under a stroke, and "Signature: ____" under that: the stroke begins a block.
     *
     * @param list<SigningLine> $lines
     */
    public static function isOverSignature(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $down = $other->foot() - $line->foot();
            $isInColumn = $other->at->place->x < $line->right() && $other->right() > $line->at->place->x;
            if ($down > 8 && $down < self::BY_UNDER && $isInColumn && preg_match('/^\W*signature\W*$/i', $other->before) === 1) {
                return true;
            }
        }

        return false;
    }

    /** "By:", "By (authorized signer):", or "Signature:" that says nobody's name. */
    public static function isBy(string $before): bool
    {
        return preg_match('/^\W*(?:by|signature)\W*(?:\([^()]{3,40}\)\W*)?$/iu', $before) === 1;
    }

    /** @param  list<SigningLine>  $lines  Whether the same name is asked for in print right beside the line. */
    public static function isPrintedBeside(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $gap = $other->at->place->x - $line->right();
            if ($other->isBeside($line) && $gap > 0 && $gap < 60 && preg_match('/^\W*(?:please )?print\b/i', $other->before) === 1) {
                return true;
            }
        }

        return false;
    }

    /**
     * "Lessor: ____  Name: ____  Date: ____": whether a name is asked for next after the line, in its row.
     *
     * @param list<SigningLine> $lines
     */
    public static function isNamedBeside(SigningLine $line, array $lines): bool
    {
        $next = null;
        foreach ($lines as $other) {
            $isAfter = $other->isBeside($line) && $other->at->place->x > $line->right();
            $isAfter && ($next === null || $other->at->place->x < $next->at->place->x) && ($next = $other);
        }

        return $next !== null && MarkLabels::companion($next->before) === MarkKind::Name;
    }

    /**
     * "____ Seller", "____ (Landlord)", and "Licensee: ____ Brokerage: ____": no entry of a name, wherever on the page it stands.
     *
     * @param list<SigningLine> $lines
     */
    public static function isSaidAfter(SigningLine $line, array $lines): bool
    {
        if (! SignerWords::isAll($line->before) || $line->at->place->width < 80) {
            return false;
        }

        return $line->isSaidAfter || preg_match('/^\(.*\)$/u', $line->before) === 1 ||
            (SignerWords::in($line->before)?->role === PartyRole::Agent && self::hasFirmBeside($line, $lines));
    }

    /** @param  list<SigningLine>  $lines */
    private static function hasFirmBeside(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            if ($other->isBeside($line) && $other->at->place->x > $line->right() && BlockEntries::isCompany($other->before)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether a cell with words names the column of empty cells under it.
     *
     * @param list<SigningLine> $lines
     */
    public static function isHeader(SigningLine $line, array $lines): bool
    {
        if ($line->at->caption === '' || self::namedRow($line, $lines) !== '') {
            return false;
        }
        foreach ($lines as $other) {
            $alike = abs($other->at->place->x - $line->at->place->x) < 4 && abs($other->right() - $line->right()) < 4;
            if ($other->isCell() && $alike && $other->foot() > $line->foot() && $other->over === $line->at->caption) {
                return true;
            }
        }

        return false;
    }

    /**
     * The first of lines of one length under each other that have nothing before them but their number, "1) ____ 2) ____".
     *
     * @param list<SigningLine> $lines
     */
    public static function headOfList(SigningLine $line, array $lines): SigningLine
    {
        // What has a heading of its own goes on with no other.
        if (SignerWords::in($line->over)?->role !== null) {
            return $line;
        }
        foreach ($lines as $other) {
            $up = $line->foot() - $other->foot();
            $alike = abs($other->at->place->x - $line->at->place->x) < 24 && abs($other->right() - $line->right()) < 8;
            if ($alike && $up > 8 && $up < 64 && self::isNumbered($other) && self::isNumbered($line) && ! self::isFirst($line)) {
                return self::headOfList($other, $lines);
            }
        }

        return $line;
    }

    /** Whether nothing stands before a line, or no more than its number in a list. */
    public static function isNumbered(SigningLine $line): bool
    {
        return $line->at->shape === 'line' && $line->at->caption === '' &&
            // On a scan a number may be read as a letter.
            preg_match('/^\W*(?:\d{0,2}|[a-z|]{1,2}[.)])\W*$/i', $line->before) === 1;
    }

    /** Whether a list begins with it. */
    public static function isFirst(SigningLine $line): bool
    {
        return preg_match('/^\W*1\W*$/', $line->before) === 1;
    }

    /**
     * What the row of a table is called that a cell stands in, or the nearest words before it in that row.
     *
     * @param list<SigningLine> $lines
     */
    public static function rowOf(SigningLine $cell, array $lines): string
    {
        $called = null;
        foreach ($lines as $other) {
            $left = $other->isCell() && $other->before !== '' && $other->isBeside($cell) && $other->at->place->x <= $cell->at->place->x;
            $left && ($called === null || $other->at->place->x > $called->at->place->x) && ($called = $other);
        }

        return $called->before ?? self::namedRow($cell, $lines);
    }

    /**
     * Who a row is called by whose first cell, and the first of another row, hold nothing but a role: "Seller 1", "Seller 2".
     *
     * @param list<SigningLine> $lines
     */
    private static function namedRow(SigningLine $cell, array $lines): string
    {
        $isNamed = static fn (SigningLine $one): bool => $one->at->by === 'box' && SignerWords::isAll($one->at->caption);
        foreach ($lines as $first) {
            if (! $isNamed($first) || ! $first->isBeside($cell) || $first->right() > $cell->at->place->x + 4) {
                continue;
            }
            foreach ($lines as $other) {
                if ($other !== $first && $isNamed($other) && abs($other->at->place->x - $first->at->place->x) < 4) {
                    return $first->at->caption;
                }
            }
        }

        return '';
    }

    /**
     * Whether words are what stands before another line.
     *
     * @param list<SigningLine> $lines
     */
    public static function isLabelOfOther(string $words, SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            if ($words !== '' && $other !== $line && str_ends_with($other->before, $words)) {
                return true;
            }
        }

        return false;
    }

    /**
     * What is said after a line; what stands right before the next one is the next one's.
     *
     * @param list<SigningLine> $lines
     */
    public static function ownAfter(SigningLine $line, array $lines): string
    {
        foreach ($lines as $other) {
            if ($other->isBeside($line) && $other->before !== '' && $other->at->place->x >= $line->right() - 1) {
                $isLabel = str_ends_with($line->after, $other->before);

                return $isLabel ? trim(substr($line->after, 0, -strlen($other->before))) : $line->after;
            }
        }

        return $line->after;
    }
}
