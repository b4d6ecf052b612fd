<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Dates\LocalDate;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Kind;

/**
 * What stands in the blanks of a paper that came back from outside, where its pages say which form of the library they are.
 * Only print is read, neither handwriting nor ticks.
 */
final readonly class ReadBack
{
    /**
     * @param array<string, string> $values as kept, by blank
     * @param array<int, int> $pages by page of the form, the page of the paper
     */
    public function __construct(public string $form, public string $revision, public array $values, public array $pages)
    {
    }

    /** @param  array<string, mixed>|null  $data  as written by {@see toArray} */
    public static function fromArray(?array $data): ?self
    {
        return $data === null || ! isset($data['form'], $data['revision'])
            ? null
            : new self(
                (string) $data['form'],
                (string) $data['revision'],
                array_map(strval(...), (array) ($data['values'] ?? [])),
                array_map(intval(...), (array) ($data['pages'] ?? [])),
            );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['form' => $this->form, 'revision' => $this->revision, 'values' => (object) $this->values, 'pages' => (object) $this->pages];
    }

    /**
     * Reads the pages of a paper; null when they say of no form of the library that it is theirs.
     *
     * @param array<int, list<Word>> $words by page
     * @param array<int, string> $texts the same as text
     */
    public static function ofWords(array $words, array $texts, Library $library, LocalDate $today): ?self
    {
        [$form, $pages] = self::form($texts, $library);

        return $form === null ? null : new self($form->number, $form->revision, self::values($form, $pages, $words, $today), $pages);
    }

    /**
     * @param array<int, string> $texts
     * @return array{Form|null, array<int, int>}
     */
    private static function form(array $texts, Library $library): array
    {
        $form = null;
        $pages = [];
        foreach ($texts as $page => $text) {
            if (preg_match('/\b([A-Z]{1,3}-\d{1,4})\s*·\s*rev\.\s*([0-9A-Za-z.-]{1,12})/u', $text, $m) !== 1) {
                continue;
            }
            try {
                $form ??= $library->form($m[1], $m[2]);
            } catch (FormUnknown) {
                continue;
            }
            $number = PageCheck::number($text)[1] ?? 1;
            if ($m[1] === $form->number && $m[2] === $form->revision && $number <= count($form->pages)) {
                $pages[$number] ??= $page;
            }
        }

        return [$form, $pages];
    }

    /**
     * @param array<int, int> $pages
     * @param array<int, list<Word>> $words
     * @return array<string, string>
     */
    private static function values(Form $form, array $pages, array $words, LocalDate $today): array
    {
        $values = [];
        foreach ($form->blanks as $blank) {
            if ($blank->kind === Kind::Tick || ! isset($pages[$blank->page])) {
                continue;
            }
            $text = self::within($blank->place, $words[$pages[$blank->page]] ?? []);
            // Where a text goes on on another page, or is written from right to left, the print is not what was entered.
            if ($text === '' || preg_match('/…|\(\d+\)$|\p{Arabic}|\p{Hebrew}/u', $text) === 1) {
                continue;
            }
            try {
                $values[$blank->name] = $blank->parse($text, $today);
            } catch (EntryUnreadable) {
                $values[$blank->name] = $text;
            }
        }

        return $values;
    }

    /** @param  list<Word>  $words */
    private static function within(Rect $place, array $words): string
    {
        $in = array_filter($words, static function (Word $word) use ($place): bool {
            [$x, $y] = [$word->x + $word->width / 2, $word->y + $word->height / 2];

            return $x > $place->x - 1 && $x < $place->x + $place->width + 1 && $y > $place->y - 2 && $y < $place->y + $place->height + 1;
        });
        usort($in, static fn (Word $a, Word $b) => [round($a->y / 4), $a->x] <=> [round($b->y / 4), $b->x]);

        return implode(' ', array_map(static fn (Word $word) => $word->text, $in));
    }
}
