<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The bookmarks of an assembled PDF, put behind its end: nothing of what is there is written again.
 *
 * @link https://www.iso.org/standard/63534.html ISO 32000-1, 7.5.6 incremental updates; 12.3.3 document outline
 *
 * @internal to its area
 */
final class Outline
{
    /** @param  array<int, int>  $offsets where each object begins, by its number */
    private function __construct(private readonly string $pdf, private readonly array $offsets, private readonly int $start)
    {
    }

    /**
     * The PDF with one bookmark a paper and, folded beneath it, one a section, and no bookmarks or actions of its own.
     *
     * @param string $pdf bytes as qpdf writes them without object streams, its pages in one list
     * @param non-empty-list<Bookmark> $starts pages from 1
     * @param string $title of the whole; the first bookmark's when there is none
     *
     * @throws \UnexpectedValueException when it is not written so
     */
    public static function behind(string $pdf, array $starts, string $title = ''): string
    {
        return self::read($pdf)->with($starts, $title);
    }

    private static function read(string $pdf): self
    {
        if (
            preg_match('/startxref\s+(\d+)\s+%%EOF\s*$/', substr($pdf, -64), $m) !== 1 ||
            preg_match('/\Gxref\n0 (\d+)\n/', $pdf, $head, 0, (int) $m[1]) !== 1
        ) {
            throw new \UnexpectedValueException('This PDF has no plain table of its objects.');
        }
        $offsets = [];
        $table = (int) $m[1] + strlen($head[0]);
        for ($number = 0; $number < (int) $head[1]; $number++) {
            $entry = substr($pdf, $table + 20 * $number, 20);
            ($entry[17] ?? '') === 'n' && ($offsets[$number] = (int) substr($entry, 0, 10));
        }

        return new self($pdf, $offsets, (int) $m[1]);
    }

    /** @param  non-empty-list<Bookmark>  $starts */
    private function with(array $starts, string $title): string
    {
        $end = substr($this->pdf, $this->start);
        $catalog = $this->number('/\/Root (\d+) 0 R/', $end);
        $pages = $this->number('/\/Pages (\d+) 0 R/', $this->object($catalog));
        preg_match('/\/Kids \[([^\]]*)\]/', $this->object($pages), $list);
        preg_match_all('/(\d+) 0 R/', $list[1] ?? '', $kids);
        $id = preg_match('/\/ID \[\s*(<[0-9a-f]*>\s*<[0-9a-f]*>)\s*\]/', $end, $m) === 1 ? " /ID [{$m[1]}]" : '';
        $first = $this->number('/\/Size (\d+)/', $end);
        [$objects, $top] = self::level($starts, $first + 1, $first, $kids[1]);
        $last = count($top);
        $objects[$catalog] =
            "<< /Type /Catalog /Pages {$pages} 0 R /Outlines {$first} 0 R /PageMode /UseOutlines /Lang (en-US) /ViewerPreferences << ".
                '/DisplayDocTitle true >> /PageLabels << /Nums ['.
            self::labels($starts).
            '] >> >>';
        $objects[$first] = "<< /Type /Outlines /First {$top[0]} 0 R /Last {$top[$last - 1]} 0 R /Count {$last} >>";
        $info = max(array_keys($objects)) + 1;
        $objects[$info] = '<< /Title '.self::string($title === '' ? $starts[0]->title : $title).' >>';

        return $this->appended($objects, $info + 1, "/Root {$catalog} 0 R /Info {$info} 0 R{$id}");
    }

    /**
     * Bookmarks beside each other, those of a paper's sections folded beneath it (ISO 32000-1, 12.3.3).
     *
     * @param non-empty-list<Bookmark> $entries
     * @param int $next the first number that is free
     * @param list<string> $kids numbers of the pages
     * @return array{array<int, string>, non-empty-list<int>} the objects, and the numbers of this level's
     */
    private static function level(array $entries, int $next, int $parent, array $kids): array
    {
        $objects = [];
        $numbers = [];
        foreach ($entries as $entry) {
            $numbers[] = $number = $next++;
            $objects[$number] = '';
            if ($entry->below !== []) {
                [$below, $folded] = self::level($entry->below, $next, $number, $kids);
                $objects += $below;
                $next += count($below);
                $objects[$number] = " /First {$folded[0]} 0 R /Last {$folded[count($folded) - 1]} 0 R /Count -".count($folded);
            }
        }
        foreach ($entries as $index => $entry) {
            $page = $kids[$entry->page - 1] ?? throw new \UnexpectedValueException("This PDF has no page {$entry->page}.");
            $objects[$numbers[$index]] =
                '<< /Title '.
                self::string($entry->title).
                " /Parent {$parent} 0 R /Dest [{$page} 0 R /XYZ null null null]".
                $objects[$numbers[$index]].
                ($index > 0 ? ' /Prev '.$numbers[$index - 1].' 0 R' : '').
                (isset($numbers[$index + 1]) ? ' /Next '.$numbers[$index + 1].' 0 R' : '').
                ' >>';
        }

        return [$objects, $numbers];
    }

    /**
     * Pages are called by the paper they belong to, as people say it: "2-3" is the third page of the second paper (ISO 32000-1, 12.4.2).
     *
     * @param non-empty-list<Bookmark> $starts
     */
    private static function labels(array $starts): string
    {
        return implode(
            ' ',
            array_map(
                static fn (int $index, Bookmark $start) => $start->page -
                    1 .
                    ' << /S /D'.
                    (count($starts) > 1 ? ' /P ('.($index + 1).'-)' : '').
                    ' >>',
                array_keys($starts),
                $starts,
            ),
        );
    }

    /** A text string in UTF-16 (ISO 32000-1, 7.9.2.2). */
    private static function string(string $text): string
    {
        return '<FEFF'.strtoupper(bin2hex((string) mb_convert_encoding(PlainText::of($text), 'UTF-16BE', 'UTF-8'))).'>';
    }

    /** @param  array<int, string>  $objects */
    private function appended(array $objects, int $size, string $more): string
    {
        $pdf = $this->pdf;
        $table = '';
        ksort($objects);
        foreach ($objects as $number => $object) {
            $table .= sprintf("%d 1\n%010d 00000 n \n", $number, strlen($pdf));
            $pdf .= "{$number} 0 obj\n{$object}\nendobj\n";
        }

        return $pdf."xref\n{$table}trailer << /Size {$size} {$more} /Prev {$this->start} >>\nstartxref\n".strlen($pdf)."\n%%EOF\n";
    }

    private function object(int $number): string
    {
        $from = $this->offsets[$number] ?? throw new \UnexpectedValueException("This PDF has no object {$number}.");

        return substr($this->pdf, $from, max(0, (int) strpos($this->pdf, 'endobj', $from) - $from));
    }

    private function number(string $pattern, string $in): int
    {
        return preg_match($pattern, $in, $m) === 1
            ? (int) $m[1]
            : throw new \UnexpectedValueException('This PDF is not written as expected.');
    }
}
