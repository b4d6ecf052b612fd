<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\Scratch;

/**
 * Tells papers from what mail brings along besides: logos, portraits under a signature, pixels that count readers, calendar
 * entries, cards, signatures of the mail itself.
 *
 * @internal to its area
 */
final class MailPaper
{
    /** Pixels of the shorter side under which a picture that was attached is none of a paper. */
    private const ATTACHED = 300;

    /** The same of one that the letter shows in its text, as telephones do with photographs too. */
    private const SHOWN = 600;

    /** Bytes of such a photograph; logos of that size are smaller. */
    private const PHOTOGRAPH = 60_000;

    /** How much longer than wide a page may be. */
    private const LONGEST = 3.0;

    /** Whether it is a paper, by what it is and not by its name. */
    public static function is(string $bytes, string $type, string $name, bool $shown): bool
    {
        if (str_starts_with($type, 'text/') || in_array($type, ['application/ics', 'application/pkcs7-signature'], true)) {
            return false;
        }
        $scratch = new Scratch();
        $kind = BroughtKind::of($scratch->put('part', $bytes));

        return match (true) {
            $kind === null => false,
            in_array($kind, [BroughtKind::Jpeg, BroughtKind::Png], true) => self::isPage($bytes, $shown),
            // A winmail.dat and other containers may begin with anything; what ends so is none.
            default => preg_match('/\.(dat|p7s|asc|ics|vcf|msg)$/i', $name) !== 1,
        };
    }

    private static function isPage(string $bytes, bool $shown): bool
    {
        [$width, $height] = @getimagesizefromstring($bytes) ?: [0, 0];
        $short = min($width, $height);
        if ($short < 1 || max($width, $height) / $short > self::LONGEST) {
            return false;
        }

        return $shown ? $short >= self::SHOWN && strlen($bytes) >= self::PHOTOGRAPH : $short >= self::ATTACHED;
    }
}
