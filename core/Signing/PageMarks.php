<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\PageRead;
use Unanimus\Pages\Rect;

/**
 * What the lines, boxes and fields of a page are for: which are to be signed, initialled and dated, and by whom, from the
 * words beside them.
 */
final class PageMarks
{
    /** A signature narrower than this is none. */
    public const NARROWEST = 70.0;

    /** A cell as high as this, without a date beside it, is for a signature, not for a name. */
    private const ROOMY = 26.0;

    /** What is wider than this is for text. */
    public const WIDEST = 430.0;

    /**
     * The places of one page, from the top.
     *
     * @param list<Seat> $seats who may sign; empty: anyone
     * @param PrintedNames|null $names of the deal's people, who may be printed at a line
     * @return list<ProposedMark>
     */
    public static function on(PageRead $page, array $seats, ?PrintedNames $names = null): array
    {
        [$lines, $read, $squares] = SigningPlaces::on($page->words, $page->rules, $page->fields);
        $names ??= PrintedNames::of([]);
        $kinds = ListedInitials::among($lines, $read, self::acts($lines, $page->height, $names, LinesInText::end($read, $page->height)));
        $kinds = LateActs::among($lines, $read, $kinds);
        $whose = new SeatGuess($lines, $read, $seats, $names);
        $found = [];
        foreach ($lines as $index => $line) {
            [$kind, $sure] = $kinds[$index] ?? [null, 0.0];
            $with = $kind === null ? Companions::of($line, $lines, $kinds) : null;
            if ($kind !== null) {
                [$seat, $word, $known, $role] = $whose->of($index, $kind, $kinds);
                $found[$index] = new ProposedMark($page->number, self::room($line, $kind), $kind, $seat, $word, $sure * $known, $role);
            } elseif ($with !== null) {
                [$kind, $at] = $with;
                $at = self::ofSameRole($line, $at, $lines, $kinds, $whose);
                [$seat, $word, $known, $role] = $whose->of($at, $kinds[$at][0], $kinds);
                $found[$index] = new ProposedMark(
                    $page->number,
                    self::room($line, $kind),
                    $kind,
                    $seat,
                    $word,
                    $kinds[$at][1] * $known * 0.98,
                    $role,
                );
            }
        }

        return [...array_values($found), ...self::besides($page->number, $lines, $squares, $kinds, $whose, $found)];
    }

    /**
     * The signature that a line goes with: where the line says whose it is, "Buyer 1 name (print)", the nearest of
     * that role and number.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private static function ofSameRole(SigningLine $line, int $nearest, array $lines, array $kinds, SeatGuess $whose): int
    {
        $own = SignerWords::in($line->before) ?? SignerWords::in($line->at->caption);
        $isTheirs = static function (int $at) use ($own, $kinds, $whose): bool {
            [$seat, , , $role] = $whose->of($at, $kinds[$at][0], $kinds);

            return $role === $own?->role && ($own?->number === null || $seat === null || $seat->number === $own->number);
        };
        if ($own?->role === null || $isTheirs($nearest)) {
            return $nearest;
        }
        $best = null;
        foreach ($kinds as $at => [$kind]) {
            $far = abs($lines[$at]->foot() - $line->foot());
            if ($kind === MarkKind::Signature && $isTheirs($at) && ($best === null || $far < $best[1])) {
                $best = [$at, $far];
            }
        }

        return $best[0] ?? $nearest;
    }

    /**
     * What else is asked of whoever signs, where it is clear who that is: nobody is asked whose phone number a line is for.
     *
     * @param list<SigningLine> $lines
     * @param list<SigningLine> $squares
     * @param array<int, array{MarkKind, float}> $kinds
     * @param array<int, ProposedMark> $found by the line's place in the list
     * @return list<ProposedMark>
     */
    private static function besides(int $page, array $lines, array $squares, array $kinds, SeatGuess $whose, array $found): array
    {
        $besides = [];
        $add = static function (SigningLine $line, MarkKind $kind, int $at, string $hint, EntryFormat $format) use (
            $page,
            $kinds,
            $whose,
            &$besides,
        ): void {
            [$seat, $word, $known, $role] = $whose->of($at, $kinds[$at][0], $kinds);
            $sure = $kinds[$at][1] * $known * 0.9;
            $place = $kind === MarkKind::Tick ? $line->at->place : self::room($line, $kind);
            $seat === null || ($besides[] = new ProposedMark($page, $place, $kind, $seat, $word, $sure, $role, $hint, $format));
        };
        foreach (array_diff_key($lines, $found) as $line) {
            $entry = BlockEntries::of($line, $lines, $kinds);
            $entry === null || $add($line, $entry[0], $entry[3], $entry[1], $entry[2]);
        }
        foreach ($squares as $square) {
            $at = BlockEntries::ofSquare($square->at->place, $square->after, $lines, $kinds);
            $at === null || $add($square, MarkKind::Tick, $at, $square->after, EntryFormat::Line);
        }

        return $besides;
    }

    /**
     * Which lines are to be signed or initialled, with how sure that is.
     *
     * @param list<SigningLine> $lines
     * @return array<int, array{MarkKind, float}> by the line's place in the list
     */
    private static function acts(array $lines, float $height, PrintedNames $names, float $end): array
    {
        $kinds = [];
        foreach ($lines as $index => $line) {
            $left = $kinds[$index - 1] ?? null;
            $before = $lines[$index - 1] ?? null;
            if ($line->at->place->width > self::WIDEST) {
                continue;
            }
            if ($left !== null && $left[0] === MarkKind::Initials && $before !== null && MarkRows::goesOn($before, $line)) {
                $kinds[$index] = [MarkKind::Initials, $left[1] * 0.97];
            } elseif ($left !== null && $left[0] === MarkKind::Signature && $before !== null && MarkRows::isSecond($before, $line)) {
                $kinds[$index] = [MarkKind::Signature, $left[1] * 0.95];
            } else {
                $kind = self::act($line, $lines, $height, $names, $end) ?? self::next($line, $lines, $kinds);
                $kind === null || ($kinds[$index] = $kind);
            }
        }
        // "____ / ____ Buyer initials": what is said after the last of a row is said of all.
        for ($index = count($lines) - 2; $index >= 0; $index--) {
            [$line, $right, $kind] = [$lines[$index], $lines[$index + 1], $kinds[$index + 1] ?? null];
            $isSilent = preg_match('/^\W*$|\p{L}[.:;]$/u', $line->before) === 1;
            $isOpen = ! isset($kinds[$index]) && $isSilent && (! $line->isCell() || $line->over === '');
            // "Lessee ____ / ____ (initial)".
            $isOpen = $isOpen || (($kinds[$index][1] ?? 0.0) <= 0.6 && SignerWords::isAll($line->before) &&
                (preg_match('/^\W*\/\W*$/', $right->before) === 1 ? $line->at->place->width <= 150 :
                    $line->at->place->width < self::NARROWEST && MarkLabels::isInitials($right->after)));
            if ($isOpen && $kind !== null && $kind[0] === MarkKind::Initials && MarkRows::goesOn($line, $right)) {
                $kinds[$index] = [MarkKind::Initials, $kind[1] * 0.95];
            }
        }
        // "____ 2) ____": what is said of one line of a list is said of the one before it.
        foreach ($kinds as $index => [$kind, $sure]) {
            $head = array_search(LineNeighbors::headOfList($lines[$index], $lines), $lines, true);
            if ($kind === MarkKind::Signature && is_int($head) && ! isset($kinds[$head]) && $lines[$head]->under === '') {
                $kinds[$head] = [MarkKind::Signature, $sure * 0.9];
            }
        }
        $kinds = MarkRows::aside($lines, self::upwards($lines, $kinds));
        ksort($kinds);

        return $kinds;
    }

    /**
     * "Buyer ____" right over "Buyer ____" that is signed, or over "(Print name) ____": as long, and signed as well.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array<int, array{MarkKind, float}>
     */
    private static function upwards(array $lines, array $kinds): array
    {
        for ($index = count($lines) - 2; $index >= 0; $index--) {
            $line = $lines[$index];
            $isName = BlockEntries::isCompany($line->before) || LineNeighbors::isOverBy($line, $lines);
            $isShort = $line->isCell() || $line->at->place->width < 120;
            if (isset($kinds[$index]) || $isName || $isShort || ! SignerWords::isAll($line->before)) {
                continue;
            }
            foreach (array_slice($lines, $index + 1, 4, true) as $at => $other) {
                $down = $other->foot() - $line->foot();
                $isUnder = $down > 8 && $down < 46 && abs($other->right() - $line->right()) < 12;
                $isSigned = ($kinds[$at][0] ?? null) === MarkKind::Signature && SignerWords::isAll($other->before);
                $isPrint = preg_match('/\bprint/i', $other->before) === 1 && MarkLabels::companion($other->before) === MarkKind::Name;
                if ($isUnder && ($isSigned || $isPrint)) {
                    $kinds[$index] = [MarkKind::Signature, 0.75];
                    break;
                }
            }
        }

        return $kinds;
    }

    /**
     * A line close under one that is signed, after no more than a role; or without words, and as long: the next person's.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array{MarkKind, float}|null
     */
    private static function next(SigningLine $line, array $lines, array $kinds): ?array
    {
        $isNamed = SignerWords::isAll($line->before) && $line->at->place->width >= 90 && ! Companions::isNameUnder($line, $lines);
        // "Date: ____" of the one over it may stand between.
        $isUnderDate = MarkLabels::isDate($line->over) && LineNeighbors::isLabelOfOther($line->over, $line, $lines);
        $isSilent = $line->before.$line->under.$line->at->caption === '' && ($line->over === '' || $isUnderDate);
        // With a date of its own, whatever the next heading is.
        $isSilent = $isSilent || ($line->before.$line->at->caption === '' && MarkLabels::companion($line->under) === null &&
            self::isDated($line, $lines, false));
        $isFirm = BlockEntries::isCompany($line->before) || LineNeighbors::isFirm($line, $lines) ||
            LineNeighbors::isOverBy($line, $lines) || LineNeighbors::isOfHelpers($line, $lines);
        $head = $line->before === '' ? false : array_search(LineNeighbors::headOfList($line, $lines), $lines, true);
        if (is_int($head) && $lines[$head] !== $line && ($kinds[$head][0] ?? null) === MarkKind::Signature) {
            return [MarkKind::Signature, $kinds[$head][1] * 0.85];
        }
        if ($line->at->by === 'cell' || $isFirm || (! $isNamed && ! $isSilent)) {
            return null;
        }
        foreach ($kinds as $at => [$kind, $sure]) {
            $down = $line->foot() - $lines[$at]->foot();
            if ($isNamed && $kind === MarkKind::Signature && $down > 8 && $down < 70) {
                return [MarkKind::Signature, $sure * 0.8];
            }
            $alike = abs($lines[$at]->at->place->x - $line->at->place->x) < 5 && abs($lines[$at]->right() - $line->right()) < 10;
            if ($kind === MarkKind::Signature && $alike && $down > 8 && $down < ($isUnderDate ? 76 : 46)) {
                return [MarkKind::Signature, $sure * 0.85];
            }
        }

        return null;
    }

    /**
     * @param list<SigningLine> $lines
     * @return array{MarkKind, float}|null
     */
    private static function act(SigningLine $line, array $lines, float $height, PrintedNames $names, float $end): ?array
    {
        $width = $line->at->place->width;
        if (Companions::isNameUnder($line, $lines) || LineNeighbors::isHeader($line, $lines)) {
            return null;
        }
        $isCell = $line->isCell();
        $after = MarkLabels::companion($line->before) === null ? $line->after : LineNeighbors::ownAfter($line, $lines);
        $after = substr_count($after, ' ') > 3 ? '' : $after;
        $column = $isCell ? $line->over : '';
        $before = preg_match('/^\W*\d{0,2}\W*$/', $line->before) === 1 ? '' : $line->before;
        // "By their initials and signatures the parties move the closing to ____" asks for none.
        $tail = implode(' ', array_slice(explode(' ', $line->before), -6));
        $said = [$line->at->caption, $line->under, $tail, $after, $column];
        if ($width <= 150 && array_filter($said, MarkLabels::isInitials(...)) !== [] && ! MarkLabels::isDate($line->under)) {
            return [MarkKind::Initials, 0.95];
        }
        if ($width <= 90 && ! $isCell && $line->before.$line->under === '' && MarkLabels::isInitials($line->over)) {
            return [MarkKind::Initials, 0.85];
        }
        $asks = MarkLabels::companion($line->at->caption) ??
            MarkLabels::companion($line->under) ??
            MarkLabels::companion($line->before) ??
            MarkLabels::companion($column);
        if ($width < self::NARROWEST || ($asks !== null && ! MarkLabels::isSignature($line->under))) {
            $isInitials = MarkRows::isFooterInitials($line, $lines, $height) || MarkRows::isPairOfRole($line, $lines) ||
                LineNeighbors::isBracketedPair($line, $lines);

            return $width < self::NARROWEST && $asks === null && $isInitials ? [MarkKind::Initials, 0.75] : null;
        }
        $dated = self::isDated($line, $lines);

        return match (true) {
            self::isInSentence($line) => null,
            array_filter([$line->at->caption, $isCell ? $column : $line->under, $line->before], MarkLabels::isSignature(...)) !== [] => [
                MarkKind::Signature,
                0.95,
            ],
            MarkLabels::isBy($line->before) && ! LinesInText::isInText($line, $lines) && ! LinesInText::goesOnInText($line, $lines) => [
                MarkKind::Signature,
                0.9,
            ],
            $names->isAll($line->under) && ! $isCell => [MarkKind::Signature, 0.92],
            preg_match('/^\([^()]{3,60}\)/u', $line->after, $m) === 1 && (MarkLabels::isSignature($m[0]) ||
                (preg_match('/\bby$/i', $line->before) === 1 && SignerWords::isAll($m[0]))) => [MarkKind::Signature, 0.92],
            $isCell && SignerWords::isAll($column) && MarkLabels::isSignature(LineNeighbors::rowOf($line, $lines)) => [
                MarkKind::Signature,
                0.9,
            ],
            $isCell && ($dated || $line->at->place->height >= self::ROOMY) && LineNeighbors::isRoleColumn($line, $lines) => [
                MarkKind::Signature,
                $dated ? 0.88 : 0.75,
            ],
            BlockEntries::isCompany($line->under) || LineNeighbors::isFirm($line, $lines) => null,
            LinesInText::isOverHeading($line, $lines) => null,
            ! $isCell && SignerWords::isAll($line->under) && LineNeighbors::isOverSignature($line, $lines) => null,
            ! $isCell && (SignerWords::isAll($line->under) || SignerWords::isNamed($line->under)) => [MarkKind::Signature, 0.92],
            SignerWords::isAll($line->before) && LineNeighbors::isOverBy($line, $lines) && ! self::isDated($line, $lines, false) => null,
            SignerWords::isAll($line->before) && ($dated || LineNeighbors::isPrintedBeside($line, $lines)) => [MarkKind::Signature, 0.88],
            ! $isCell && LineNeighbors::isSaidAfter($line, $lines) => [MarkKind::Signature, 0.8],
            SignerWords::isAll($line->at->caption) && $dated => [MarkKind::Signature, 0.85],
            SignerWords::act($line->before) && ! $isCell && ($dated || LinesInText::isOverDate($line, $lines)) => [
                MarkKind::Signature,
                0.85,
            ],
            MarkRows::isDoneBy($line, $lines) => [MarkKind::Signature, 0.85],
            BlockEntries::isCompany($line->before) || LineNeighbors::isOfHelpers($line, $lines) => null,
            SignerWords::isAll($line->before) && LineNeighbors::ownAfter($line, $lines) === '' && $line->at->place->y > $end => [
                MarkKind::Signature,
                0.6,
            ],
            $before.$line->under === '' && ! $isCell && self::isDated($line, $lines, false) &&
                ! LineNeighbors::isSecondDate($line, $lines) => [MarkKind::Signature, 0.8],
            $line->before.$line->under === '' && $width >= 120 && SignerWords::isAll($line->below) &&
                ! LinesInText::isOverOther($line, $lines) => [MarkKind::Signature, 0.85],
            $before.$line->under === '' && ! $isCell && $width >= 100 &&
                (SignerWords::isAll($line->over) || SignerWords::isNamed($line->over)) => [MarkKind::Signature, 0.75],
            $before === '' && ! $isCell && $width >= 120 && SignerWords::isPerson($line->under) &&
                SignerWords::isAll($line->over) => [MarkKind::Signature, 0.75],
            default => null,
        };
    }

    /** Whether words go on after it as a sentence does: a blank in a text, nothing to sign. */
    private static function isInSentence(SigningLine $line): bool
    {
        // "(Trustee of the Holt Family Trust)", and after "By" ", agent for the Buyer", says who signs.
        $goesOn = ! str_starts_with($line->after, '(') && str_word_count($line->after) > 3 && ! SeatGuess::isSignedAs($line);

        return $goesOn && MarkLabels::companion(Companions::tail($line->after)) === null;
    }

    /**
     * Whether a date is asked for beside the line, or close under it.
     *
     * @param list<SigningLine> $lines
     */
    private static function isDated(SigningLine $line, array $lines, bool $orBelow = true): bool
    {
        $reach = LineNeighbors::isNamedBeside($line, $lines) ? 330 : 200;
        foreach ($lines as $other) {
            $column = $other->isCell() ? $other->over : '';
            $asks = [$other->at->caption, $other->before, $other->under, Companions::tail($other->before), $column];
            $aside = max($other->at->place->x - $line->right(), $line->at->place->x - $other->right());
            $down = $other->foot() - $line->foot();
            if (
                $other !== $line &&
                (($other->isBeside($line) && $aside < $reach) || ($orBelow && $down > 0 && $down < 34 && $aside < 0)) &&
                array_filter($asks, MarkLabels::isDate(...)) !== []
            ) {
                return true;
            }
        }

        return false;
    }

    /** Where the mark goes: on the line, as high as there is room, and no higher than a signature wants. */
    private static function room(SigningLine $line, MarkKind $kind): Rect
    {
        $place = $line->at->place;
        $high = match ($kind) {
            MarkKind::Signature => 24.0,
            MarkKind::Initials => 18.0,
            default => 14.0,
        };
        $high = min($high, max($place->height, 12.0));

        return new Rect($place->x, $line->foot() - $high, $place->width, $high);
    }
}
