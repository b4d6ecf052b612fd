<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/** What a document is called that comes in: by its file, or by its heading where the file's name says nothing. */
final class PaperTitle
{
    /** What machines call what they make, and people what they have not named. */
    private const NAMELESS = '/^(?:(?:adobe |cam ?scanner )?scan(?:ned)?(?: doc(?:ument)?)?|img|image|dsc|dcim|photo|pic|picture|'.
        'doc|docs|'.
        'document|file|untitled|unnamed|fax|attachment|download|new|page|print(?:out)?|output|pdf|copy|tmp|temp)?'.
        '[\s\-_.,:#()]*(?:(?:\d[\s\-_.,:()T]*)|(?:[ap]m)|(?:copy|final|new)\b)*$/iu';

    private const ABBREVIATED = '/\b(?:hoa|fha|va|usda|llc|llp|hvac|eifs|irs|hud|id|w-9)\b/iu';

    /** The name of a file as a title: without its ending, underscores as spaces; empty where it has none. */
    public static function fromName(string $name): string
    {
        return trim((string) preg_replace('/[\s_]+/u', ' ', pathinfo(mb_scrub($name), PATHINFO_FILENAME)));
    }

    /** Whether a file's name says nothing of what is in it: "scan0012", "IMG_2031", "document (3)". */
    public static function isNameless(string $name): bool
    {
        $title = self::fromName($name);

        return preg_match(self::NAMELESS, $title) === 1 || preg_match('/^[\da-f]{8}(?:[\da-f\- ]{8,})$/i', $title) === 1;
    }

    /**
     * The title: the file's name, or for one that says nothing the heading of its first page.
     *
     * @param string $heading as it stands on the page; empty: none was found
     */
    public static function of(string $name, string $heading): string
    {
        $heading = trim((string) preg_replace('/\s+/u', ' ', $heading), " \t.:–-");
        if (! self::isNameless($name) || mb_strlen($heading) < 4) {
            return self::fromName($name);
        }

        return self::calm($heading);
    }

    /** A heading as it stands beside others: what is printed in capitals is loud there. Abbreviations of the trade stay. */
    public static function calm(string $heading): string
    {
        if (mb_strtoupper($heading) !== $heading || preg_match('/\p{L}{4,}/u', $heading) !== 1) {
            return $heading;
        }
        $calm = mb_strtoupper(mb_substr($heading, 0, 1)).mb_strtolower(mb_substr($heading, 1));

        return (string) preg_replace_callback(self::ABBREVIATED, static fn (array $m): string => mb_strtoupper($m[0]), $calm);
    }
}
