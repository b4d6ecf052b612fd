<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;

/**
 * What else is asked of whoever signs: lines of their block for how they are reached, and squares with words that only they can
 * say, "I have received a copy". Blanks elsewhere are filled by whoever makes the paper.
 *
 * @internal to its area
 */
final class BlockEntries
{
    /** How far under a signature such a line stands, and how far over one a square. */
    private const BELOW = 110.0;

    private const ABOVE = 150.0;

    /** How far over the signature of who signs for it a firm is named. */
    private const OVER = 40.0;

    private const NARROWEST = 50.0;

    /** What a line asks for, with how it is entered. */
    private const ASKED = [
        'email' => 'e\W?mail(?: address)?',
        'phone' => '(?:(?:home|work|cell|mobile|office|day(?:time)?)\W+)?(?:tele)?phone(?:\W+(?:no\.?|number|#))?|cell|mobile|tel\.?|'.
            'telefono|teléfono',
        'line' => '(?:(?:mailing|street|current|forwarding|home|business|office)\W+)?address|city(?:\W+state)?(?:\W+zip(?: code)?)?|'.
            '(?:real estate )?licen[sc]e(?:\W+(?:no\.?|number|#))?|direccion|dirección',
    ];

    /** For whom somebody signs; entered from what is known of them. */
    private const COMPANY = '/^\W*(?:(?:listing|selling|cooperating|buyer\W?s?|seller\W?s?)\s+)?'.
        '(?:(?:brokerage|firm|company)(?: name| firm)?|broker(?=\s*\())\s*(?:\((?:firm|brokerage|company|name)\))?\s*[:.]?\W*$/iu';

    private const SAID_BY = '/^\W*(?:I|we|yo|nosotros)\b/iu';

    private const DOES = '/^\W*(?:\d{1,2}[.)]\s*)?(?:the )?[\p{L}’\'()\/ ]{3,40}?\b'.
        '(?:acknowledges?|waives?|declines?|elects?|accepts?|receives?|agrees?|requests?|'.
        'does|do|has|have|wish(?:es)?|consents?)\b/iu';

    /**
     * What a line of a signature's block asks for, how that is entered, and which signature it belongs to.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array{MarkKind, string, EntryFormat, int}|null
     */
    public static function of(SigningLine $line, array $lines, array $kinds): ?array
    {
        $asked = self::asked($line);
        if ($asked === null || $line->at->place->width < self::NARROWEST) {
            return null;
        }
        $best = null;
        foreach ($kinds as $at => [$kind]) {
            $down = $line->foot() - $lines[$at]->foot();
            $aside = max($lines[$at]->at->place->x - $line->right(), $line->at->place->x - $lines[$at]->right());
            // "By ____ License # ____": on the row of a signature it is that signer's.
            $isBeside = abs($down) <= 7 && $aside >= 0 && $aside < 100;
            $isUnder = $down > 7 && $down < self::BELOW && $aside < 24;
            $isFirm = $asked[0] === MarkKind::Company;
            // A firm stands over whoever signs for it, too, and is no client's.
            $isOver = $isFirm && $down < -7 && $down > -self::OVER && $aside < 24;
            $far = $isOver ? abs($down) : $down;
            if ($kind !== MarkKind::Signature || ($isFirm && self::isClients($lines[$at]))) {
                continue;
            }
            if (($isBeside || $isUnder || $isOver) && ($best === null || $far < $best[1])) {
                $best = [$at, $far];
            }
        }

        return $best === null ? null : [...$asked, $best[0]];
    }

    /**
     * The signature whose signer alone can say what stands after a square; null where anybody may check it.
     *
     * @param list<SigningLine> $lines
     * @param array<int, array{MarkKind, float}> $kinds
     */
    public static function ofSquare(Rect $square, string $words, array $lines, array $kinds): ?int
    {
        $who = preg_match(self::DOES, $words) === 1 ? SignerWords::in($words) : null;
        if ($who?->role === null && preg_match(self::SAID_BY, $words) !== 1) {
            return null;
        }
        $best = null;
        foreach ($kinds as $at => [$kind]) {
            $down = $lines[$at]->foot() - $square->y;
            $isTheirs = $who?->role === null || SignerWords::in($lines[$at]->before.' '.$lines[$at]->under)?->role === $who->role;
            if ($kind === MarkKind::Signature && $isTheirs && $down > 0 && $down < self::ABOVE && ($best === null || $down < $best[1])) {
                $best = [$at, $down];
            }
        }

        return $best[0] ?? null;
    }

    private static function isClients(SigningLine $line): bool
    {
        return SignerWords::in($line->before.' '.$line->under.' '.$line->at->caption)?->role?->isClient() === true;
    }

    /** Whether a sentence says what somebody does: "Buyer acknowledges receipt", "Purchaser has received the pamphlet". */
    public static function isDone(string $words): bool
    {
        return preg_match(self::DOES, $words) === 1;
    }

    /** Whether a label asks for the firm's name, not for somebody's signature for it. */
    public static function isCompany(string $label): bool
    {
        return preg_match(self::COMPANY, $label) === 1;
    }

    /** @return array{MarkKind, string, EntryFormat}|null */
    private static function asked(SigningLine $line): ?array
    {
        foreach ([$line->at->caption, $line->under, $line->before] as $said) {
            if (self::isCompany($said)) {
                return [MarkKind::Company, '', EntryFormat::Line];
            }
            foreach (self::ASKED as $format => $words) {
                if (preg_match('/^\W*(?:[\p{L}’\']+\s+)?('.$words.')\s*(?:\([^)]*\))?\s*[:.]?\W*$/iu', $said, $m) === 1) {
                    return [MarkKind::Text, ucfirst(mb_strtolower($m[1])), EntryFormat::from($format)];
                }
            }
        }

        return null;
    }
}
