<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerAction;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/**
 * A letter's own page as it may be shown: words, headings, lists, tables and links. Nothing of it runs, is fetched, or looks
 * like the page around it.
 */
final class CleanLetter
{
    private const LONGEST = 400_000;

    private const DROPPED = [
        'script', 'style', 'head', 'title', 'iframe', 'object', 'embed', 'noscript', 'template', 'svg', 'math', 'canvas', 'textarea',
        'select', 'input', 'button', 'option', 'img', 'picture', 'source', 'video', 'audio', 'track', 'area', 'map', 'link', 'meta',
    ];

    /** The page of a letter, cleaned; empty when nothing is left to read. */
    public static function of(string $html): string
    {
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

        return HtmlText::of($clean) === '' ? '' : self::withWhereTo($clean);
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
