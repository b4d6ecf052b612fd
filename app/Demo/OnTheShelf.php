<?php

declare(strict_types=1);

namespace App\Demo;

use App\Models\User;
use App\Shelf\Actions\KeepShelf;
use Illuminate\Support\Facades\Auth;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

/** What everybody at Quillmark hands out again and again. */
final class OnTheShelf
{
    private const SHEETS = [
        'Before you wire money' => [
            'For clients',
            'Call us at the number you know before you send money anywhere.',
            'We never send account numbers by email.',
        ],
        'Utilities: whom to call when you move' => ['For clients', 'Water, power, gas, internet, mail: two weeks before closing.'],
        'What to bring to closing' => ['For clients', 'A driver license or passport. Your questions. Nothing else.'],
    ];

    public function __construct(private readonly Story $story, private readonly KeepShelf $shelf, private readonly Press $press)
    {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $this->story->at(-1, '17:30');
        Auth::setUser($people['wendell']);
        $scratch = new Scratch();
        foreach (self::SHEETS as $title => $lines) {
            $page = (new Drawing(612, 792))->text(60, 90, 18, $title, weight: 'bold');
            foreach (array_slice($lines, 1) as $index => $line) {
                $page = $page->text(60, 130 + 18 * $index, 11, $line);
            }
            $this->shelf->put($people['wendell'], $title, $lines[0], null, [$scratch->put('sheet.pdf', $this->press->print([$page])),
                "{$title}.pdf"], '');
        }
        $this->shelf->put($people['wendell'], 'Ostrander County tax rolls', 'Look it up', null, null,
            'https://taxes.ostrander.example/rolls');
        $this->shelf->put($people['wendell'], 'License board of Merrow', 'Look it up', null, null, 'https://licenses.merrow.example');
        $this->story->now();
        Auth::logout();
    }
}
