<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Typeface;

/**
 * The commission disbursement authorization as letter pages: to whom, who is paid what, how it was computed, by whom authorized.
 */
final class DisbursementPages
{
    private const LEFT = 54.0;

    private const RIGHT = 558.0;

    private const BOTTOM = 720.0;

    private const DIM = '#56635c';

    /** @var list<Drawing> */
    private array $pages = [];

    private float $y = 0;

    private function __construct(private readonly string $title, private readonly string $company)
    {
        $this->turn();
    }

    /**
     * @param string $letterhead lines beneath the company's name
     * @param int $number of the authorization; one after the first says what it replaces
     * @param array<string, string> $facts what stands in the head, label to text
     * @param string $words what it says to escrow
     * @param string $authorized by whom and when; empty: it is signed by hand, on a line of its own
     * @param (\Closure(Rect): string)|null $signature draws the broker's signature in a place, as SVG
     * @return list<Drawing>
     */
    public static function draw(
        string $company,
        string $letterhead,
        int $number,
        array $facts,
        string $words,
        CommissionSheet $sheet,
        PayOut $pay,
        string $broker,
        string $authorized,
        ?\Closure $signature = null,
    ): array {
        $self = new self('Commission disbursement authorization', $company);
        $self->head($letterhead, $number, $facts);
        $self->words($words);
        $self->payees($pay);
        $self->computed($sheet);
        $self->sign($broker, $authorized, $signature);
        foreach ($self->pages as $index => $page) {
            $page->text(self::LEFT, 748, 8, 'Sample form of a fictional state, not legal advice.', fill: self::DIM);
            $of = 'Page '.($index + 1).' of '.count($self->pages);
            $page->text(self::RIGHT - Typeface::width($of, 8), 748, 8, $of, fill: self::DIM);
        }

        return $self->pages;
    }

    /** @param  array<string, string>  $facts */
    private function head(string $letterhead, int $number, array $facts): void
    {
        foreach (array_filter(array_map(trim(...), explode("\n", $letterhead)), static fn (string $line) => $line !== '') as $text) {
            foreach (Typeface::wrap($text, 9, 490) as $line) {
                $this->page()->text(self::LEFT, $this->y, 9, $line, fill: self::DIM);
                $this->y += 12;
            }
        }
        $this->page()->line(self::LEFT, $this->y - 4, self::RIGHT, $this->y - 4);
        $this->y += 16;
        if ($number > 1) {
            $this->page()->text(self::LEFT, $this->y, 10, "Number {$number}. It replaces number ".($number - 1).', which is withdrawn.',
                weight: 'bold');
            $this->y += 20;
        }
        foreach ($facts as $label => $text) {
            $this->page()->text(self::LEFT, $this->y, 9, $label, fill: self::DIM);
            foreach (Typeface::wrap($text, 10, 380) as $line) {
                $this->page()->text(170, $this->y, 10, $line);
                $this->y += 14;
            }
            $this->y += 3;
        }
        $this->y += 8;
    }

    private function words(string $words): void
    {
        foreach (preg_split('/\R/', $words) ?: [] as $paragraph) {
            foreach (Typeface::wrap($paragraph, 10, 490) as $line) {
                $this->room(14);
                $this->page()->text(self::LEFT, $this->y, 10, $line);
                $this->y += 14;
            }
            $this->y += 4;
        }
        $this->y += 10;
    }

    private function payees(PayOut $pay): void
    {
        $this->heading('Pay');
        foreach ($pay->byEscrow as $payee) {
            $this->row("{$payee->name}, {$payee->role}", $payee->formula, $payee->amount->ledger(), 'bold');
        }
        $this->page()->line(430, $this->y - 8, self::RIGHT, $this->y - 8, 0.8, '#14261f');
        $this->y += 6;
        $this->row('Total, equal to what comes in', '', $pay->total()->ledger(), 'bold');
        if ($pay->byCompany !== []) {
            $this->y += 8;
            $this->heading("Paid by {$this->company} from its part");
            foreach ($pay->byCompany as $payee) {
                $this->row("{$payee->name}, {$payee->role}", $payee->formula, $payee->amount->ledger());
            }
        }
        $this->y += 12;
    }

    private function computed(CommissionSheet $sheet): void
    {
        $this->heading('How it was computed');
        foreach ($sheet->steps as $step) {
            $this->row($step->label, $step->formula, $step->amount->ledger());
        }
    }

    /** @param  (\Closure(Rect): string)|null  $signature */
    private function sign(string $broker, string $authorized, ?\Closure $signature): void
    {
        $this->room(96);
        if ($authorized !== '' && $signature !== null) {
            $this->page()->piece($signature(new Rect(self::LEFT, $this->y, 200, 44)));
            $this->y += 34;
        }
        $this->y += 24;
        if ($authorized !== '') {
            $this->page()->text(self::LEFT, $this->y, 10, "Authorized by {$broker}, broker, {$authorized}.");

            return;
        }
        $this->y += 16;
        $this->page()
            ->line(self::LEFT, $this->y, 330, $this->y, 0.8, '#14261f')
            ->line(380, $this->y, self::RIGHT, $this->y, 0.8, '#14261f')
            ->text(self::LEFT, $this->y + 12, 9, "Broker: {$broker}")
            ->text(380, $this->y + 12, 9, 'Date');
    }

    private function heading(string $text): void
    {
        $this->room(46);
        $this->page()->text(self::LEFT, $this->y, 11, $text, weight: 'bold')->line(self::LEFT, $this->y + 5, self::RIGHT, $this->y + 5);
        $this->y += 22;
    }

    private function row(string $label, string $formula, string $amount, string $weight = 'normal'): void
    {
        [$labels, $formulas] = [Typeface::wrap($label, 10, 196), Typeface::wrap($formula, 9, 200)];
        $lines = max(count($labels), count($formulas), 1);
        $this->room(13 * $lines + 4);
        foreach ($labels as $index => $line) {
            $this->page()->text(self::LEFT, $this->y + 13 * $index, 10, $line, weight: $weight);
        }
        foreach ($formulas as $index => $line) {
            $this->page()->text(264, $this->y + 13 * $index, 9, $line, fill: self::DIM);
        }
        $wide = Typeface::width($amount, 10) * ($weight === 'bold' ? 1.07 : 1.0);
        $this->page()->text(self::RIGHT - $wide, $this->y, 10, $amount, weight: $weight);
        $this->y += 13 * $lines + 4;
    }

    /** Goes on to the next page where so many points are not left on this one. */
    private function room(float $points): void
    {
        $this->y + $points <= self::BOTTOM || $this->turn();
    }

    private function turn(): void
    {
        $page = new Drawing(612, 792);
        if ($this->pages === []) {
            $page->text(self::LEFT, 66, 18, $this->company, weight: 'bold')->text(self::LEFT, 88, 12, $this->title);
            $this->y = 106;
        } else {
            $page->text(self::LEFT, 60, 9, "{$this->title}, {$this->company}", fill: self::DIM);
            $this->y = 84;
        }
        $this->pages[] = $page;
    }

    private function page(): Drawing
    {
        return $this->pages[count($this->pages) - 1];
    }
}
