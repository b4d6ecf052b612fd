<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Text as it can be stored, drawn and sent: well-formed UTF-8 of characters that XML can hold, lines ending alike.
 *
 * @link https://www.w3.org/TR/xml/#charsets XML 1.0, production 2
 * @link https://www.unicode.org/versions/Unicode15.0.0/ch23.pdf Unicode 15, 23.7 noncharacters
 */
final class PlainText
{
    private const NOT_HELD =
        '/[\x{00}-\x{08}\x{0B}\x{0C}\x{0E}-\x{1F}\x{7F}\x{FDD0}-\x{FDEF}]|['.
        '\x{FFFE}\x{FFFF}\x{1FFFE}\x{1FFFF}\x{2FFFE}\x{2FFFF}\x{3FFFE}\x{3FFFF}\x{4FFFE}\x{4FFFF}\x{5FFFE}\x{5FFFF}'.
        '\x{6FFFE}\x{6FFFF}\x{7FFFE}\x{7FFFF}\x{8FFFE}\x{8FFFF}\x{9FFFE}\x{9FFFF}\x{AFFFE}\x{AFFFF}\x{BFFFE}\x{BFFFF}'.
        '\x{CFFFE}\x{CFFFF}\x{DFFFE}\x{DFFFF}\x{EFFFE}\x{EFFFF}\x{FFFFE}\x{FFFFF}\x{10FFFE}\x{10FFFF}]/u';

    /** The text without what cannot be held; whatever else was typed stays as it is. */
    public static function of(string $text): string
    {
        if (preg_match('/^[\x20-\x7E\n\t]*$/', $text) === 1) {
            return $text;
        }
        // Lone halves of surrogate pairs are no UTF-8; scrubbing makes question marks of them, dropping does not.
        $text = (string) iconv('UTF-8', 'UTF-8//IGNORE', $text);

        return (string) preg_replace(self::NOT_HELD, '', str_replace(["\r\n", "\r"], "\n", $text));
    }
}
