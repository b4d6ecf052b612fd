<?php

declare(strict_types=1);

namespace Unanimus\Reports;

use Unanimus\Money\Money;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Typeface;

/** A report as letter pages: a head, a few lines, and tables that go on from page to page under their headings. */
final class ReportPages
{
    private const LEFT = 48.0;

    private const RIGHT = 564.0;

    private const BOTTOM = 730.0;

    private const DIM = '#56635c';

    /** @var list<Drawing> */
    private array $pages = [];

    private float $y = 0;

    private function __construct()
    {
        $this->turn();
    }

    /**
     * @param list<string> $lines
     * @param array<string, list<list<string>>> $tables rows by name; the first names the columns, amounts stand at the right
     * @return list<Drawing>
     */
    public static function draw(string $title, array $lines, array $tables): array
    {
        $self = new self();
        $self->page()->text(self::LEFT, 64, 17, $title, weight: 'bold');
        $self->y = 84;
        foreach ($lines as $line) {
            $self->page()->text(self::LEFT, $self->y, 10, $line);
            $self->y += 15;
        }
        foreach ($tables as $name => $rows) {
            count($rows) < 2 || $self->table((string) $name, $rows);
        }
        foreach ($self->pages as $index => $page) {
            $of = 'Page '.($index + 1).' of '.count($self->pages);
            $page->text(self::RIGHT - Typeface::width($of, 8), 756, 8, $of, fill: self::DIM);
        }

        return $self->pages;
    }

    /** @param  list<list<string>>  $rows */
    private function table(string $name, array $rows): void
    {
        $this->y + 60 <= self::BOTTOM || $this->turn();
        $this->y += 20;
        $this->page()->text(self::LEFT, $this->y, 12, $name, weight: 'bold');
        $this->y += 16;
        $columns = count($rows[0]);
        $wide = (self::RIGHT - self::LEFT - 130) / max(1, $columns - 1);
        $this->row($rows[0], $wide, 7.5, self::DIM);
        foreach (array_slice($rows, 1) as $row) {
            if ($this->y + 14 > self::BOTTOM) {
                $this->turn();
                $this->row($rows[0], $wide, 7.5, self::DIM);
            }
            $this->row($row, $wide, 8.5, '#14261f');
        }
    }

    /** @param  list<string>  $cells */
    private function row(array $cells, float $wide, float $size, string $fill): void
    {
        foreach ($cells as $index => $cell) {
            $shown = preg_match('/^-?\d+\.\d\d$/', $cell) === 1 ? Money::of($cell)->ledger() : $cell;
            if ($index === 0) {
                $this->page()->text(self::LEFT, $this->y, $size, Typeface::wrap($shown, $size, 126)[0] ?? '', fill: $fill);

                continue;
            }
            $right = self::LEFT + 130 + $wide * $index;
            $this->page()->text($right - Typeface::width($shown, $size), $this->y, $size, $shown, fill: $fill);
        }
        $this->page()->line(self::LEFT, $this->y + 4, self::RIGHT, $this->y + 4, 0.3);
        $this->y += 15;
    }

    private function turn(): void
    {
        $this->pages[] = new Drawing(612, 792);
        $this->y = 60;
    }

    private function page(): Drawing
    {
        return $this->pages[count($this->pages) - 1];
    }
}
