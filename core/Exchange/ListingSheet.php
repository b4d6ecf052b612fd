<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\Typeface;

/**
 * A listing as it stood at one hour, printed: everything the exchange said of it, its remarks, what its photographs show.
 */
final class ListingSheet
{
    private const LEFT = 54.0;

    private const RIGHT = 558.0;

    private const BOTTOM = 724.0;

    /** @var list<Drawing> */
    private array $pages = [];

    private float $y = 0.0;

    private function __construct(private readonly Listing $listing, private readonly string $source)
    {
        $this->newPage();
    }

    /**
     * @param list<string> $photographs what they show, in their order
     * @param string $source whose listing it is and when it was read, as printed at the foot of each page
     * @return list<Drawing> Letter pages
     */
    public static function pages(Listing $listing, array $photographs, string $source): array
    {
        $sheet = new self($listing, $source);
        $sheet->head('Everything the listing says');
        foreach ($listing->fields as $label => $text) {
            $sheet->row($label, $text);
        }
        if ($listing->remarks !== '') {
            $sheet->head('Remarks');
            $sheet->lines($listing->remarks);
        }
        $sheet->head(count($photographs) === 1 ? '1 photograph' : count($photographs).' photographs');
        foreach ($photographs as $index => $shows) {
            $sheet->row((string) ($index + 1), $shows);
        }

        return $sheet->pages;
    }

    private function newPage(): void
    {
        $page = (new Drawing(612, 792))
            ->text(self::LEFT, 66, 16, $this->listing->address(), weight: 'bold')
            ->text(self::LEFT, 84, 10, "Listing {$this->listing->number}", fill: '#56635c')
            ->line(self::LEFT, 92, self::RIGHT, 92)
            ->text(self::LEFT, 752, 8, "{$this->source} · page ".(count($this->pages) + 1), fill: '#56635c');
        $this->pages[] = $page;
        $this->y = 112;
    }

    private function page(float $needs): Drawing
    {
        $this->y + $needs > self::BOTTOM && $this->newPage();

        return $this->pages[count($this->pages) - 1];
    }

    private function head(string $title): void
    {
        $this->y += 8;
        $this->page(40)->text(self::LEFT, $this->y, 11, $title, weight: 'bold');
        $this->y += 18;
    }

    private function row(string $label, string $text): void
    {
        foreach (Typeface::wrap($text, 10, self::RIGHT - 220) as $index => $line) {
            $page = $this->page(15);
            $index > 0 || $page->text(self::LEFT, $this->y, 9, $label, fill: '#56635c');
            $page->text(220, $this->y, 10, $line);
            $this->y += 15;
        }
    }

    private function lines(string $text): void
    {
        foreach (Typeface::wrap($text, 10, self::RIGHT - self::LEFT) as $line) {
            $this->page(14)->text(self::LEFT, $this->y, 10, $line);
            $this->y += 14;
        }
    }
}
