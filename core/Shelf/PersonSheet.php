<?php

declare(strict_types=1);

namespace Unanimus\Shelf;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\PlainText;
use Unanimus\Pages\Typeface;
use Unanimus\Steps\StepRefused;

/** A person's own sheet, for clients: what is known of them, and a few words of their own. */
final readonly class PersonSheet
{
    public const MOST_WORDS = 1500;

    /** What it shows, with what it is called there. */
    private const FACTS = [
        'name' => 'Name',
        'firm' => 'Company',
        'office' => 'Office',
        'phone' => 'Phone',
        'email' => 'Email',
        'license' => 'License',
        'broker' => 'Broker',
    ];

    /** Where the page's text ends, in points from its top. */
    private const BOTTOM = 740;

    /** @param  array<string, string>  $facts  by the names above; what is empty is left out */
    private function __construct(public array $facts, public string $words)
    {
    }

    /**
     * A sheet.
     *
     * @param array<string, string> $facts what is known of the person: name, firm, office, phone, email, license, broker
     * @param string $words their own, in paragraphs
     */
    public static function of(array $facts, string $words): self
    {
        $kept = array_map(static fn (string $fact) => trim($fact), array_intersect_key(array_replace(
            array_fill_keys(array_keys(self::FACTS), ''),
            $facts,
        ), self::FACTS));

        return new self($kept, mb_substr(trim(str_replace("\r\n", "\n", PlainText::of($words))), 0, self::MOST_WORDS));
    }

    /**
     * What has changed since it stood otherwise.
     *
     * @param array<string, string> $before the facts it stood on
     * @return list<string> in words, as they stand beside its versions; empty for nothing
     */
    public function changed(array $before): array
    {
        $changed = [];
        foreach (self::FACTS as $fact => $label) {
            $was = trim((string) ($before[$fact] ?? ''));
            if ($was !== $this->facts[$fact]) {
                $changed[] = $this->facts[$fact] === '' ? "{$label} left out" : "{$label}: {$this->facts[$fact]}";
            }
        }

        return $changed;
    }

    /** The page. @throws StepRefused when the words are more than it takes */
    public function page(): Drawing
    {
        $page = (new Drawing(612, 792))->text(60, 96, 24, $this->facts['name'], weight: 'bold');
        $y = 122;
        foreach (array_slice(self::FACTS, 1) as $fact => $label) {
            if ($this->facts[$fact] !== '') {
                $page = $page->text(60, $y, 10, $label)->text(140, $y, 10, $this->facts[$fact]);
                $y += 16;
            }
        }
        $y += 18;
        foreach (explode("\n", $this->words) as $paragraph) {
            foreach (Typeface::wrap($paragraph, 11, 492) as $line) {
                $y > self::BOTTOM && throw ShelfRefusal::SheetFull->because();
                $page = $page->text(60, $y, 11, $line);
                $y += 16;
            }
        }

        return $page;
    }
}
