<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * Lines that go with a signature: its date and time, the printed name, the capacity.
 *
 * @internal to its area
 */
final class Companions
{
    /** How far under a signature the lines stand that go with it, and how far beside it. */
    private const BELOW = 46.0;

    private const BESIDE = 360.0;

    /**
     * The kind of a line that goes with a signature, and which signature that is.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array{MarkKind, int}|null
     */
    public static function of(SigningLine $line, array $lines, array $kinds): ?array
    {
        $twin = LineNeighbors::isSecondDate($line, $lines) ? self::ofTwin($line, $lines, $kinds) : null;
        if ($twin !== null) {
            return $twin;
        }
        $kind = null;
        $column = $line->at->by === 'cell' ? $line->over : '';
        // "Signature | ____ | ____" over "Date | ____ | ____", under a column for each person.
        $row = $line->at->by === 'cell' && $line->before === '' && SignerWords::isAll($column) ? LineNeighbors::rowOf($line, $lines) : '';
        foreach ([$line->at->caption, $line->under, $line->before, self::tail($line->before), $column, $row] as $said) {
            $kind ??= MarkLabels::companion($said);
        }
        $kind ??= self::isNameUnder($line, $lines) ? MarkKind::Name : null;
        $kind ??= self::isSignedOn($line, $lines, $kinds) ? MarkKind::Date : null;
        $kind ??= self::asElsewhere($line, $lines, $kinds);
        if ($kind === null || $line->at->place->width < 18 || LineNeighbors::isHeader($line, $lines)) {
            return null;
        }
        $best = null;
        $isUnder = self::isUnderOne($line, $lines, $kinds);
        $isHead = $kind === MarkKind::Name && ! $isUnder && self::isOverOne($line, $lines, $kinds);
        $leads = self::leads($line, $lines, $kinds);
        foreach ($kinds as $at => [$of]) {
            $sign = $lines[$at];
            $far = self::distance($line, $sign, $isUnder, $isHead, $leads);
            if ($of === MarkKind::Initials && ($kind !== MarkKind::Date || ! $line->isBeside($sign))) {
                continue;
            }
            if ($far !== null && ($best === null || $far < $best[1])) {
                $best = [$at, $far];
            }
        }

        return $best === null ? null : [$kind, $best[0]];
    }

    /**
     * "____ on ____": the day of the signature right before it.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private static function isSignedOn(SigningLine $line, array $lines, array $kinds): bool
    {
        foreach (preg_match('/^\W*on\W*$/i', $line->before) === 1 ? $kinds : [] as $at => [$kind]) {
            $gap = $line->at->place->x - $lines[$at]->right();
            if ($kind === MarkKind::Signature && $lines[$at]->isBeside($line) && $gap > 0 && $gap < 60) {
                return true;
            }
        }

        return false;
    }

    /**
     * "Signature: ____ ____" over "Date signed: ____ ____": the second date is of the second signature.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array{MarkKind, int}|null
     */
    private static function ofTwin(SigningLine $line, array $lines, array $kinds): ?array
    {
        $left = LineNeighbors::leftTwin($line, $lines);
        $of = $left === null ? null : self::of($left, $lines, $kinds);
        if ($of === null) {
            return null;
        }
        foreach ($kinds as $at => [$kind]) {
            $isNext = $kind === MarkKind::Signature && $at > $of[1] && $lines[$at]->isBeside($lines[$of[1]]);
            if ($isNext) {
                return [$of[0], $at];
            }
        }

        return null;
    }

    /**
     * A short line after a role, close under a longer one without words: the name of who signs on the longer one.
     *
     * @param list<SigningLine> $lines
     */
    public static function isNameUnder(SigningLine $line, array $lines): bool
    {
        if (! SignerWords::isAll($line->before) || $line->under !== '') {
            return false;
        }
        foreach ($lines as $other) {
            $down = $line->foot() - $other->foot();
            if (
                $down > 8 &&
                $down < 20 &&
                $other->before.$other->under === '' &&
                // A stroke across the page divides.
                $other->at->place->width <= PageMarks::WIDEST &&
                $other->at->place->width > 1.3 * $line->at->place->width &&
                $line->at->place->x > $other->at->place->x - 4 &&
                $line->right() < $other->right() + 4
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * A line without words beside a signature is for what the same line beside another signature is for.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private static function asElsewhere(SigningLine $line, array $lines, array $kinds): ?MarkKind
    {
        if ($line->before.$line->under.$line->at->caption !== '') {
            return null;
        }
        foreach ($lines as $at => $other) {
            $alike = $other !== $line && abs($other->at->place->x - $line->at->place->x) < 6 && abs($other->right() - $line->right()) < 8;
            if ($alike && ! isset($kinds[$at])) {
                $kind = MarkLabels::companion($other->under) ?? MarkLabels::companion($other->before);
                if ($kind !== null) {
                    return $kind;
                }
            }
        }

        return null;
    }

    /**
     * Whether what goes with a signature stands before it: the row of a line begins with no signature.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private static function leads(SigningLine $line, array $lines, array $kinds): bool
    {
        $first = null;
        foreach ($lines as $at => $other) {
            $isLabeled = isset($kinds[$at]) || $other === $line || MarkLabels::companion($other->before.$other->under) !== null;
            if ($other->isBeside($line) && $isLabeled && ($first === null || $other->at->place->x < $lines[$first]->at->place->x)) {
                $first = $at;
            }
        }

        return $first !== null && ! isset($kinds[$first]);
    }

    /** How far a line is from the signature it may go with; null when it stands where none of its lines would. */
    private static function distance(SigningLine $line, SigningLine $sign, bool $isUnderOne, bool $isHead, bool $leads): ?float
    {
        $down = $line->foot() - $sign->foot();
        if (abs($down) < 7) {
            $gap = $line->at->place->x >= $sign->right() - 6
                ? ($line->at->place->x - $sign->right()) / 4
                // A date that stands before its signature goes with it where nothing else does.
                : ($leads ? 10.0 : 60.0) + ($sign->at->place->x - $line->right()) / 4;

            return $gap < self::BESIDE / 4 ? max(0.0, $gap) : null;
        }
        if ($down > 3 * self::BELOW || $down < -self::BELOW) {
            return null;
        }
        $aside = max(0.0, $sign->at->place->x - $line->right(), $line->at->place->x - $sign->right());

        // What goes with a signature stands under it; over it only where nothing else is nearer.
        $over = $isHead ? -30.0 : ($isUnderOne ? 150.0 : 90.0);

        // What did not fit into the row of its signature begins the next.
        $far = $line->isWrapped ? 400 : ($line->isCell() ? 140 : 80);

        return $aside > $far ? null : $aside + ($down < 0 ? $over - $down : 0.6 * $down + ($down > self::BELOW ? 60 : 0));
    }

    /**
     * "Name: ____" over "Signature: ____", block after block: whether the like of a line stands over the first of its column.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private static function isOverOne(SigningLine $line, array $lines, array $kinds): bool
    {
        $feet = self::feetInColumn($line, $lines, $kinds);
        $first = $feet === [] ? null : min($feet);
        foreach ($first === null || $line->before === '' ? [] : $lines as $other) {
            $up = $first - $other->foot();
            $isName = MarkLabels::companion($other->before) === MarkKind::Name && self::isInColumn($line, $other);
            if ($isName && $up > 8 && $up < self::BELOW) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether the like of a line stands under the last signature of its column, where nothing can belong to a next one.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private static function isUnderOne(SigningLine $line, array $lines, array $kinds): bool
    {
        $feet = self::feetInColumn($line, $lines, $kinds);
        $last = $feet === [] ? null : max($feet);
        foreach ($last === null || $line->before === '' ? [] : $lines as $other) {
            $isLike = $other->before === $line->before || ($other !== $line &&
                MarkLabels::companion($other->before) === MarkKind::Name && MarkLabels::companion($line->before) === MarkKind::Name);
            if ($isLike && self::isInColumn($line, $other) && $other->foot() > $last + 8) {
                return true;
            }
        }

        return false;
    }

    /**
     * Where the signatures stand that are in a line's column.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     * @return list<float>
     */
    private static function feetInColumn(SigningLine $line, array $lines, array $kinds): array
    {
        $feet = [];
        foreach ($kinds as $at => [$kind]) {
            $kind === MarkKind::Signature && self::isInColumn($line, $lines[$at]) && ($feet[] = $lines[$at]->foot());
        }

        return $feet;
    }

    private static function isInColumn(SigningLine $line, SigningLine $other): bool
    {
        return $other->at->place->x < $line->right() && $other->right() > $line->at->place->x;
    }

    /** The last words of a text: what stands right before the line. */
    public static function tail(string $text): string
    {
        // "(Buyer) Date:": what stands in brackets was said of what is before it.
        $last = preg_match('/^.*\)\W*(\p{L}.*)$/u', $text, $m) === 1 ? $m[1] : $text;

        return implode(' ', array_slice(explode(' ', $last), -2));
    }
}
