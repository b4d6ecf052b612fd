<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;

/**
 * Lines after nothing but a role, "Tenant: ____", which are for a name at the head of a paper and for a signature where it was said
 * just before that somebody signs, receives or agrees, and the page has no other place for that role to sign.
 *
 * @internal to its area
 */
final class LateActs
{
    private const SAID = '/^\W*(?:signed|signatures?|acknowledg\w*|executed|accepted|agreed|whereof)\W*$/iu';

    /** How far under such words they stand, and how far the next of them. */
    private const REACH = 110.0;

    private const SURE = 0.6;

    /**
     * @param list<SigningLine> $lines
     * @param list<Word> $words
     * @param array<int, array{MarkKind, float}> $kinds what is signed and initialled for certain, by the line's place in the list
     * @return array<int, array{MarkKind, float}> with these
     */
    public static function among(array $lines, array $words, array $kinds): array
    {
        $signing = [];
        foreach ($kinds as $at => [$kind]) {
            $kind === MarkKind::Signature && ($signing[self::role($lines[$at])] = true);
        }
        $foot = null;
        $late = [];
        foreach ($lines as $index => $line) {
            $role = self::role($line);
            $isTaken = isset($kinds[$index]) || isset($signing[$role]);
            if ($isTaken || ! self::isOfRole($line, $lines) || self::goesWith($line, $lines, $kinds)) {
                continue;
            }
            if (self::isSaidOver($line, $words) || self::isDatedOver($line, $lines) || ($foot !== null && $line->foot() - $foot < 40)) {
                $foot = $line->foot();
                $late[$index] = [MarkKind::Signature, self::SURE];
            }
        }
        foreach ($lines as $index => $line) {
            $next = $lines[$index + 1] ?? null;
            // "____ ____ Tenant has been given two keys": both of them.
            $isFirst = $next !== null && self::isStatement($next) && LineNeighbors::leftTwin($next, $lines) === $line;
            if (self::isStatement($line) || ($isFirst && $line->before === '')) {
                $late[$index] ??= [MarkKind::Initials, self::SURE];
            }
            if ($next !== null && self::isMarginPair($line, $next)) {
                $late[$index] ??= $late[$index + 1] ??= [MarkKind::Initials, self::SURE];
            }
        }
        $kinds += $late;
        ksort($kinds);

        return $kinds;
    }

    /** "____ Purchaser has received a copy of the pamphlet": a short line before what somebody states, for their initials. */
    private static function isStatement(SigningLine $line): bool
    {
        $width = $line->at->place->width;

        return $width >= 16 && $width <= 90 && ! $line->isCell() && $line->before.$line->under.$line->at->caption === '' &&
            str_word_count($line->after) > 3 && SignerWords::states($line->after);
    }

    /** "(____) (____) 4. Inspection. Buyer may inspect": two short lines before a numbered paragraph, for initials of who reads it. */
    private static function isMarginPair(SigningLine $line, SigningLine $next): bool
    {
        $width = $line->at->place->width;
        $gap = $next->at->place->x - $line->right();

        return $width >= 16 && $width <= 70 && abs($next->at->place->width - $width) < 4 && $line->isBeside($next) &&
            $gap > 0 && $gap < 26 && preg_match('/^[(\[]?$/', $line->before) === 1 && ! $line->isCell() &&
            SignerWords::isParagraph($next->after);
    }

    /** @param  list<SigningLine>  $lines  Whether nothing but a role is said of a line, and nothing goes on after it. */
    private static function isOfRole(SigningLine $line, array $lines): bool
    {
        $width = $line->at->place->width;
        if ($width < 90 || $width > 300 || $line->isCell() || $line->under !== '' || ! SignerWords::isAll($line->before)) {
            return false;
        }
        $next = array_filter(
            $lines,
            static fn (SigningLine $other) => $other->isBeside($line) && $other->at->place->x > $line->right() - 1,
        );
        $before = array_map(static fn (SigningLine $other) => $other->before, $next);

        return ($line->after === '' || in_array($line->after, $before, true)) &&
            array_filter($before, static fn (string $said) => preg_match('/^\W*by\W*$/i', $said) === 1) === [];
    }

    /**
     * Whether a line stands close under one that is signed, as that one's printed name does.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private static function goesWith(SigningLine $line, array $lines, array $kinds): bool
    {
        foreach ($kinds as $at => [$kind]) {
            $down = $line->foot() - $lines[$at]->foot();
            $isOver = $lines[$at]->at->place->x < $line->right() && $lines[$at]->right() > $line->at->place->x;
            if ($kind === MarkKind::Signature && $isOver && $down > 0 && $down < 50) {
                return true;
            }
        }

        return false;
    }

    /**
     * "Dated: ____" right over "Owner: ____": nobody dates a name.
     *
     * @param list<SigningLine> $lines
     */
    private static function isDatedOver(SigningLine $line, array $lines): bool
    {
        foreach ($lines as $other) {
            $up = $line->foot() - $other->foot();
            if ($up > 8 && $up < 40 && MarkLabels::isDate($other->before) && abs($other->at->place->x - $line->at->place->x) < 60) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<Word>  $words */
    private static function isSaidOver(SigningLine $line, array $words): bool
    {
        foreach ($words as $word) {
            $up = $line->foot() - $word->bottom();
            if ($up > 8 && $up < self::REACH && preg_match(self::SAID, $word->text) === 1) {
                return true;
            }
        }

        return false;
    }

    private static function role(SigningLine $line): string
    {
        return SignerWords::in($line->before.' '.$line->under)?->role->value ?? '';
    }
}
