<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\QrCode;
use Unanimus\Pages\Typeface;

/**
 * The record of how a sealed set came about, drawn as its last pages: papers, people, and everything that happened.
 */
final class EvidenceRecord
{
    private const LEFT = 54.0;

    private const RIGHT = 558.0;

    private const BOTTOM = 738.0;

    /** @var non-empty-list<Drawing> */
    private array $pages;

    private float $y = 66.0;

    /**
     * The record; people with how each was known, of whom those who were replaced agreed to nothing.
     *
     * @param string $round the round's id as printed
     * @param string $title name of the file
     * @param list<array{title: string, pages: int, sha256: string}> $papers as they were sent
     * @param list<array{name: string, seat: string, known: string, agreed: string, finished: string, places?: string}> $people
     * @param list<array{at: string, who: string, what: string, from: string}> $events in order
     * @param string $zone name of the time zone the times are in
     * @param TimeLine|null $line when each of them did what
     * @param string $proof address where anyone can have the sealed set checked; empty for none
     * @param string $consent what they agreed to, as it was read
     */
    public function __construct(
        private readonly string $round,
        private readonly string $title,
        private readonly array $papers,
        private readonly array $people,
        private readonly array $events,
        private readonly string $zone,
        private readonly ?TimeLine $line = null,
        private readonly string $proof = '',
        private readonly string $consent = '',
    ) {
        $this->pages = [new Drawing(612, 792)];
    }

    /** @return non-empty-list<Drawing> */
    public function pages(): array
    {
        $this->line($this->title, 16, 'bold', 24);
        $this->line("Evidence record of signing round {$this->round}. Times are {$this->zone}.", 9, 'normal', 20);
        $this->heading('Documents as sent');
        foreach ($this->papers as $paper) {
            $this->line("{$paper['title']} · {$paper['pages']} ".($paper['pages'] === 1 ? 'page' : 'pages'), 9.5, 'bold', 12);
            $this->line("SHA-256 {$paper['sha256']}", 7.5, 'normal', 15);
        }
        $this->heading('People');
        foreach ($this->people as $person) {
            $this->line("{$person['name']}, {$person['seat']}", 9.5, 'bold', 12);
            $this->line(
                $person['agreed'] === ''
                    ? $person['known']
                    : "{$person['known']} · agreed to sign electronically {$person['agreed']} · finished {$person['finished']}",
                8,
                'normal',
                ($person['places'] ?? '') === '' ? 15 : 11,
            );
            ($person['places'] ?? '') === '' || $this->line($person['places'], 8, 'normal', 15);
        }
        $this->drawLine();
        if ($this->consent !== '') {
            $this->heading('What they agreed to before signing');
            $this->line($this->consent, 8, 'normal', 11);
        }
        $this->heading('What happened');
        foreach ($this->events as $event) {
            $this->columns([[0, $event['at']], [116, $event['who']], [204, $event['what']], [416, $event['from']]]);
        }
        $this->y += 10;
        $this->line(
            'The file is sealed: any change made to it after the last signature shows when its digital signature is checked.',
            8,
            'normal',
            12,
        );

        $this->drawProof();

        return $this->pages;
    }

    private function drawLine(): void
    {
        if ($this->line !== null) {
            $this->heading('When');
            $this->room($this->line->height());
            $this->line->on($this->page(), self::LEFT, $this->y, self::RIGHT - self::LEFT);
            $this->y += $this->line->height();
        }
    }

    /** Where anyone has it checked, for the eye and for a telephone. */
    private function drawProof(): void
    {
        if ($this->proof === '') {
            return;
        }
        $this->room(72);
        $this->page()
            ->piece(QrCode::path($this->proof, self::LEFT, $this->y, 60))
            ->text(self::LEFT + 72, $this->y + 24, 9.5, 'Is this file whole and unchanged?', weight: 'bold')
            ->text(self::LEFT + 72, $this->y + 38, 8.5, "Anyone can have it checked at {$this->proof}");
        $this->y += 72;
    }

    private function heading(string $text): void
    {
        $this->y += 8;
        $this->room(40);
        $this->page()
            ->text(self::LEFT, $this->y, 11, $text, weight: 'bold', fill: '#2b6a4d')
            ->line(self::LEFT, $this->y + 4, self::RIGHT, $this->y + 4);
        $this->y += 19;
    }

    private function line(string $text, float $size, string $weight, float $lead): void
    {
        foreach (Typeface::wrap($text, $size * 1.04, self::RIGHT - self::LEFT) as $part) {
            $this->room($lead);
            $this->page()->text(self::LEFT, $this->y, $size, $part, weight: $weight);
            $this->y += $lead;
        }
    }

    /**
     * A row of the record: nothing of it is left out, however long.
     *
     * @param list<array{int, string}> $columns
     */
    private function columns(array $columns): void
    {
        $cells = [];
        foreach ($columns as $index => [$offset, $text]) {
            $width = ($columns[$index + 1][0] ?? (int) (self::RIGHT - self::LEFT)) - $offset - 6;
            $cells[$offset] = Typeface::wrap($text, 7.8, $width);
        }
        $rows = max([1, ...array_values(array_map(count(...), $cells))]);
        $this->room(9.2 * $rows + 2.3);
        foreach ($cells as $offset => $lines) {
            foreach ($lines as $index => $line) {
                $this->page()->text(self::LEFT + $offset, $this->y + 9.2 * $index, 7.5, $line);
            }
        }
        $this->y += 9.2 * $rows + 2.3;
    }

    private function room(float $needed): void
    {
        if ($this->y + $needed > self::BOTTOM) {
            $this->pages[] = new Drawing(612, 792);
            $this->y = 60.0;
        }
    }

    private function page(): Drawing
    {
        return $this->pages[count($this->pages) - 1];
    }
}
