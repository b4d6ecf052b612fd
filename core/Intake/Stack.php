<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Forms\Form;
use Unanimus\Forms\Library;

/**
 * Sees from the words of its pages that a PDF is a stack of several papers, as quickly as an upload must be answered.
 */
final class Stack
{
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
        if (count($texts) < 2) {
            return [];
        }
        $titles = array_column(array_map(static fn (Form $form) => [$form->number, $form->title], $library->all()), 1, 0);
        $pages = [];
        foreach ($texts as $index => $text) {
            $pages[$index + 1] = StackPage::ofText($text, array_keys($titles));
        }
        $parts = array_map(
            static fn (ProposedPart $part) => new StackPart(
                $part->form,
                $titles[$part->form] ?? self::head($texts[$part->first - 1], $part->first),
                $part->first,
                $part->last - $part->first + 1,
            ),
            StackProposal::of($pages, $titles),
        );

        return count($parts) > 1 ? $parts : [];
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
