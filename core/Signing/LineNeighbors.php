<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * What the places in the row of a line say of it.
 *
 * @internal to its area
 */
final class LineNeighbors
{
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

        $called = static fn (SigningLine $other): bool => preg_match('/\p{L}/u', $other->before.$other->at->caption) === 1;

        return array_filter($row, $called) === [];
    }

    /**
     * "Broker: ____ By: ____": the first is the firm's name, the second is signed.
     *
     * @param list<SigningLine> $lines
     */
    public static function isFirm(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $gap = $other->at->place->x - $line->right();
            if ($other->isBeside($line) && $gap > 0 && $gap < 60 && preg_match('/^\W*by\W*$/i', $other->before) === 1) {
                return true;
            }
        }

        return false;
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
     * Whether a cell with words names the column of empty cells under it.
     *
     * @param list<SigningLine> $lines
     */
    public static function isHeader(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $alike = abs($other->at->place->x - $line->at->place->x) < 4 && abs($other->right() - $line->right()) < 4;
            if ($other->isCell() && $alike && $other->foot() > $line->foot() && $other->over === $line->at->caption) {
                return true;
            }
        }

        return false;
    }
}
