<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\PlainText;

/**
 * What a letter says that came as a page alone.
 *
 * @internal to its area
 */
final class HtmlText
{
    /** Its words, a line for each block; nothing of what it would fetch or do. */
    public static function of(string $html): string
    {
        $html = (string) preg_replace('~<(script|style|head|title)\b.*?</\1\s*>|<!--.*?-->~is', ' ', $html);
        $html = (string) preg_replace('/\s+/u', ' ', $html);
        $html = (string) preg_replace('~<(br|/p|/div|/tr|/h[1-6]|/li|/table|/blockquote)\b[^>]*>~i', "\n", $html);
        $text = html_entity_decode(strip_tags($html), ENT_QUOTES | ENT_HTML5, 'UTF-8');
        $lines = array_map(
            static fn (string $line) => trim((string) preg_replace('/[ \t\x{a0}]+/u', ' ', $line)),
            explode("\n", PlainText::of($text)),
        );

        return trim((string) preg_replace('/\n{3,}/', "\n\n", implode("\n", $lines)));
    }
}
