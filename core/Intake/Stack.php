<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Forms\PageCheck;

/**
 * Sees that a PDF is a stack of several papers: where the form at the foot of its pages changes, or their numbers begin again.
 */
final class Stack
{
    private const FORM = '/\b([A-Z]{1,3}-\d{1,4})\s*·\s*rev\./u';

    /** Characters of a page's head that may name it. */
    private const TITLE = 60;

    /**
     * The papers in it; none when it is one paper, as far as its pages say.
     *
     * @param list<string> $texts what stands on each page
     * @return list<StackPart>
     */
    public static function of(array $texts, Library $library): array
    {
        $parts = [];
        [$form, $number] = ['', 0];
        foreach ($texts as $index => $text) {
            $here = preg_match_all(self::FORM, $text, $m) > 0 ? (string) end($m[1]) : '';
            $page = PageCheck::number($text)[1] ?? 0;
            $begins = $parts === [] || ($here !== '' && $here !== $form) || ($page === 1 && ($number > 0 || $here !== $form));
            if ($begins) {
                $parts[] = new StackPart($here, self::title($here, $text, $index + 1, $library), $index + 1, 1);
                [$form, $number] = [$here, $page];

                continue;
            }
            $last = array_pop($parts);
            $parts[] = new StackPart($last->form, $last->title, $last->first, $last->pages + 1);
            $number = max($number, $page);
        }

        return count($parts) > 1 ? $parts : [];
    }

    private static function title(string $form, string $text, int $page, Library $library): string
    {
        try {
            return $form === '' ? self::head($text, $page) : $library->form($form)->title;
        } catch (FormUnknown) {
            return self::head($text, $page);
        }
    }

    private static function head(string $text, int $page): string
    {
        foreach (preg_split('/\R|\s{3,}/u', trim($text)) ?: [] as $line) {
            if (preg_match('/\p{L}{3}/u', $line) === 1) {
                return mb_strimwidth(trim($line), 0, self::TITLE, '…');
            }
        }

        return "Page {$page}";
    }
}
