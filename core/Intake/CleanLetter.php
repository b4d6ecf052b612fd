<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerAction;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/**
 * A letter's own page as it may be shown: words, headings, lists, tables, links, and pictures that came with it. Nothing of it
 * runs, is fetched, or looks like the page around it.
 */
final class CleanLetter
{
    private const LONGEST = 400_000;

    private const DROPPED = [
        'script', 'style', 'head', 'title', 'iframe', 'object', 'embed', 'noscript', 'template', 'svg', 'math', 'canvas', 'textarea',
        'select', 'input', 'button', 'option', 'img', 'picture', 'source', 'video', 'audio', 'track', 'area', 'map', 'link', 'meta',
    ];

    /** Bytes of a picture that is shown, and how many are. */
    private const LARGEST_PICTURE = 3_000_000;

    private const MOST_PICTURES = 20;

    /**
     * The page of a letter, cleaned; empty when nothing is left to read.
     *
     * @param list<MailPart> $parts what came along: pictures that the page shows by their Content-ID stand in it
     */
    public static function of(string $html, array $parts = []): string
    {
        [$html, $pictures] = self::withMarks($html, $parts);
        $config = (new HtmlSanitizerConfig())
            // Of an element nobody knows the words stay.
            ->defaultAction(HtmlSanitizerAction::Block)
            ->allowSafeElements()
            ->allowLinkSchemes(['https', 'http', 'mailto', 'tel'])
            ->forceAttribute('a', 'rel', 'noopener noreferrer nofollow')
            ->forceAttribute('a', 'target', '_blank')
            ->withMaxInputLength(self::LONGEST);
        // A picture tells its sender that it was looked at, when and from where.
        foreach (self::DROPPED as $element) {
            $config = $config->dropElement($element);
        }
        foreach (['form', 'fieldset', 'label', 'dialog', 'details', 'summary', 'font', 'center', 'marquee', 'blink'] as $element) {
            $config = $config->blockElement($element);
        }
        foreach (['style', 'class', 'id', 'name', 'background', 'bgcolor', 'color', 'width', 'height', 'align', 'title'] as $attribute) {
            $config = $config->dropAttribute($attribute, '*');
        }
        $clean = trim((new HtmlSanitizer($config))->sanitize($html));

        return HtmlText::of($clean) === '' ? '' : strtr(self::withWhereTo($clean), $pictures);
    }

    /**
     * A page with a mark of its own in place of each picture that came along, which no letter can write.
     *
     * @param list<MailPart> $parts
     * @return array{string, array<string, string>} the page, and the picture of each mark as HTML
     */
    private static function withMarks(string $html, array $parts): array
    {
        $html = str_replace(["\u{E000}", "\u{E001}"], '', $html);
        $pictures = $marks = [];
        $shown = array_filter(
            $parts,
            static fn (MailPart $part) => $part->shownAs !== '' && strlen($part->bytes) <= self::LARGEST_PICTURE,
        );
        foreach (array_slice(array_values($shown), 0, self::MOST_PICTURES) as $index => $part) {
            $size = @getimagesizefromstring($part->bytes);
            $type = $size === false ? '' : $size['mime'];
            if (in_array($type, ['image/png', 'image/jpeg', 'image/gif', 'image/webp'], true)) {
                $marks[$part->shownAs] = $mark = "\u{E000}{$index}\u{E001}";
                $name = htmlspecialchars($part->name, ENT_QUOTES | ENT_HTML5);
                $pictures[$mark] = "<img src=\"data:{$type};base64,".base64_encode($part->bytes)."\" alt=\"{$name}\">";
            }
        }
        $html = (string) preg_replace_callback(
            '~<img\b[^>]*\bsrc\s*=\s*["\']?cid:([^"\'\s>]+)[^>]*>~i',
            static fn (array $m) => $marks[html_entity_decode($m[1])] ?? '',
            $html,
        );

        return [$html, $pictures];
    }

    /** A link that says one address and leads to another tells where it leads. */
    private static function withWhereTo(string $html): string
    {
        $link = '~(<a\b[^>]*\bhref="https?://([^"/]+)[^"]*"[^>]*>)(.*?)</a>~is';

        return (string) preg_replace_callback($link, static function (array $m): string {
            $host = strtolower(html_entity_decode($m[2], ENT_QUOTES | ENT_HTML5));
            $said = strtolower(html_entity_decode(strip_tags($m[3]), ENT_QUOTES | ENT_HTML5));
            $tells = str_contains($said, $host) || preg_match('~\b[\w-]+(\.[\w-]+)+\b~', $said) !== 1;

            return $tells ? $m[0] : "{$m[0]} (leads to ".htmlspecialchars($host, ENT_QUOTES | ENT_HTML5).')';
        }, $html);
    }
}
