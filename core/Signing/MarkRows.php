<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * Marks that stand beside each other in one row, for one person after the other.
 *
 * @internal to its area
 */
final class MarkRows
{
    /**
     * Short lines in a page's foot, each after a role: "Buyer ____ ____  Seller ____".
     *
     * @param list<SigningLine> $lines
     */
    public static function isFooterInitials(SigningLine $line, array $lines, float $height): bool
    {
        $row = array_filter(
            $lines,
            static fn (SigningLine $other) => $other->isBeside($line) && $other->at->place->width < PageMarks::NARROWEST,
        );

        return $line->at->place->y > 0.86 * $height &&
            $line->at->place->width >= 16 &&
            count($row) > 1 &&
            array_filter(
                $row,
                static fn (SigningLine $other) => SignerWords::isAll($other->before) || SignerWords::isAll($other->under),
            ) !== [];
    }

    /** "Buyer(s) signature(s): ____ / ____": the next person's, as long and right after a stroke. */
    public static function isSecond(SigningLine $left, SigningLine $line): bool
    {
        $unlike = abs($line->at->place->width - $left->at->place->width);
        $isAlike = $unlike < 12 || ($unlike < 40 && preg_match('/^\W*\/\W*$/', $line->before) === 1);

        return $line->isBeside($left) && $isAlike && $line->under === '' &&
            $line->at->place->x - $left->right() < 40 && (preg_match('/^\W*(?:\/|&|and)\W*$/iu', $line->before) === 1 ||
                // On a scan a stroke is easily lost.
                ($line->before === '' && preg_match('/\(s\)/i', $left->before) === 1) ||
                ($line->before === '' && SignerWords::act($left->before)) ||
                ($line->before === '' && preg_match('/\bsignatures\b/i', $left->under) === 1) ||
                // "Buyer's signature: ____ ____".
                ($line->before.$line->after === '' && $unlike < 3 && MarkLabels::isSignature($left->before)) ||
                LineNeighbors::isRowOfOne($left, $line));
    }

    /** Whether a short line is the next of a row of initials: right beside, with nothing between but a stroke or a role. */
    public static function goesOn(SigningLine $left, SigningLine $line): bool
    {
        return $line->isBeside($left) &&
            (! $line->isCell() || $line->over === '' || MarkLabels::isInitials($line->over)) &&
            $line->at->place->width <= 150 &&
            $line->at->place->x - $left->right() < 130 &&
            // On a scan brackets are read as letters, "Il".
            (preg_match('/^[\W_]*(?:and|or)?[\W_]*$|^[Il1|\W]{1,3}$/iu', $line->before) === 1 || SignerWords::isAll($line->before) ||
                preg_match('/^\W*[BSTL]\W*$/', $line->before) === 1) &&
            MarkLabels::companion($line->under) === null && MarkLabels::companion($line->before) === null;
    }

    /**
     * "… on the day named. Buyer ____ ____ Seller ____ ____": two short lines, as long, right after a role, and again after another.
     *
     * @param list<SigningLine> $lines
     */
    public static function isPairOfRole(SigningLine $line, array $lines): bool
    {
        $row = array_values(array_filter($lines, static fn (SigningLine $one) => $one->isBeside($line) && ! $one->isCell()));
        $wide = $line->at->place->width;
        $isShort = static fn (SigningLine $one): bool => $wide >= 16 && $wide <= 60 && abs($one->at->place->width - $wide) < 3;
        if (count($row) < 2 || array_filter($row, $isShort) !== $row) {
            return false;
        }
        // "Buyer 1 ____  Buyer 2 ____".
        $number = static fn (SigningLine $one): ?int => SignerWords::isAll($one->before) ? SignerWords::in($one->before)?->number : null;
        $numbers = array_map($number, $row);
        if (array_filter($numbers) === $numbers) {
            return true;
        }
        if (count($row) % 2 !== 0 || count($row) < 4) {
            return false;
        }
        foreach (array_chunk($row, 2) as [$first, $second]) {
            // "Buyer does not agree ____ / ____".
            $isSaid = SignerWords::isAll($first->before) ||
                (trim($second->before, ' /') === '' && SignerWords::in($first->before)?->role !== null);
            if (! $isSaid || preg_match('/^\W*$/', $second->before) !== 1) {
                return false;
            }
        }

        return true;
    }

    /**
     * "Buyer: ____  Seller: ____": where the one is signed, so is the other beside it, as long and after nothing but a role.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array<int, array{MarkKind, float}> with these
     */
    public static function aside(array $lines, array $kinds): array
    {
        foreach ($lines as $index => $line) {
            if (isset($kinds[$index]) || ! SignerWords::isAll($line->before) || $line->at->place->width < 120 || $line->isCell()) {
                continue;
            }
            foreach ($kinds as $at => [$kind, $sure]) {
                // "Witness: ____  Purchaser: ____", however long each is.
                $isLike = abs($lines[$at]->at->place->width - $line->at->place->width) < 3 ||
                    SignerWords::in($lines[$at]->before)?->isOutsider() === true;
                $isTwin = $kind === MarkKind::Signature && $lines[$at]->isBeside($line) &&
                    SignerWords::isAll($lines[$at]->before) && $isLike;
                if ($isTwin) {
                    $kinds[$index] = [MarkKind::Signature, 0.9 * $sure];
                    break;
                }
            }
        }

        return $kinds;
    }

    /**
     * "Signed by buyer ____ on ____", "Notice received by ____ Date ____".
     *
     * @param list<SigningLine> $lines
     */
    public static function isDoneBy(SigningLine $line, array $lines): bool
    {
        $verbs = 'signed|accepted|acknowledged|agreed(?: to)?|received|approved';
        $isDone = preg_match("/\\b(?:{$verbs}) by(?: (?:the )?(.*))?$/iu", $line->before, $m) === 1;
        if (! $isDone || $line->isCell() || (isset($m[1]) && ! SignerWords::isAll($m[1]))) {
            return false;
        }
        foreach ($lines as $other) {
            $gap = $other->at->place->x - $line->right();
            $isDay = preg_match('/^\W*on\W*$/i', $other->before) === 1 || MarkLabels::isDate($other->before);
            if ($other->isBeside($line) && $gap > 0 && $gap < 60 && $isDay) {
                return true;
            }
        }

        return false;
    }
}
