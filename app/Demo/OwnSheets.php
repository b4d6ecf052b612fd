<?php

declare(strict_types=1);

namespace App\Demo;

use App\Forms\Actions\KeepOwnForm;
use App\Models\OwnForm;
use App\Models\User;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

/** Our own forms: one active, one just started from a PDF. */
final class OwnSheets
{
    private const INTAKE = [
        'Office intake sheet',
        [
            'The client' => ['Buyer names|', 'Phone|', 'Email address|', '?Represented by us before|?First purchase|?Buying with a loan'],
            'What they are looking for' => ['City|', 'Purchase price up to $|', 'Wanted by date|', '?House|?Condo|?Land', 'Remarks|'],
            'For the office' => ['Agent name|', '?Disclosure given|?Buyer agreement signed', 'Signature of agent|', 'Date|'],
        ],
    ];

    private const KEYS = [
        'Key and lockbox receipt',
        [
            'The property' => ['Property address|', 'Listing number|', 'Seller names|'],
            'What was handed over' => [
                'Number of keys|',
                'Number of remotes|',
                '?Lockbox|?Gate card|?Mailbox key',
                'Deposit $|',
                'To be returned by date|',
            ],
            'Received' => ['Signature of seller|', 'Date|', 'Signature of agent|', 'Date|'],
        ],
    ];

    public function __construct(private readonly KeepOwnForm $keep, private readonly Press $press)
    {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $intake = $this->begin($people['wendell'], self::INTAKE);
        $this->keep->change(
            $intake,
            ['do' => 'about', 'number' => 'QR-12', 'revision' => '2026-10', 'title' => self::INTAKE[0], 'stage' => 'agency'],
            'demo-about',
            $people['wendell'],
        );
        foreach ($intake->refresh()->draft()->items as $item) {
            if ($item->isMark() && $item->seat === '') {
                $this->keep->change(
                    $intake,
                    ['do' => 'put', 'item' => [...$item->toArray(), 'seat' => 'agent.1']],
                    "demo-{$item->id}",
                    $people['wendell'],
                );
            }
        }
        $this->keep->putInForce($intake->refresh());
        $this->begin($people['wendell'], self::KEYS);
    }

    /** @param  array{string, array<string, list<string>>}  $sheet */
    private function begin(User $by, array $sheet): OwnForm
    {
        $scratch = new Scratch();

        return $this->keep->begin($by, $scratch->put('sheet.pdf', $this->press->print([$this->page(...$sheet)])), "{$sheet[0]}.pdf");
    }

    /** @param  array<string, list<string>>  $parts */
    private function page(string $title, array $parts): Drawing
    {
        $page = (new Drawing(612, 792))
            ->text(60, 74, 17, $title, weight: 'bold')
            ->text(60, 90, 8.5, 'Quillmark Realty, for its own offices', fill: '#555555')
            ->line(60, 98, 552, 98, 1.2, '#222222');
        $y = 126.0;
        foreach ($parts as $heading => $lines) {
            $page->text(60, $y, 11.5, $heading, weight: 'bold');
            foreach ($lines as $line) {
                $y += 26;
                if (str_starts_with($line, '?')) {
                    foreach (explode('|', $line) as $index => $word) {
                        $x = 60.0 + $index * 165;
                        $page
                            ->line($x, $y - 9, $x + 9, $y - 9, 0.7, '#222222')
                            ->line($x, $y, $x + 9, $y, 0.7, '#222222')
                            ->line($x, $y - 9, $x, $y, 0.7, '#222222')
                            ->line($x + 9, $y - 9, $x + 9, $y, 0.7, '#222222')
                            ->text($x + 14, $y - 1, 10, ltrim($word, '?'));
                    }
                } else {
                    $label = rtrim($line, '|');
                    $page->text(60, $y, 10, $label)->line(190, $y + 2, $label === 'Date' ? 300 : 500, $y + 2, 0.6, '#333333');
                }
            }
            $y += 34;
        }

        return $page->text(60, 768, 7, 'Quillmark Realty · own sheet', fill: '#555555');
    }
}
