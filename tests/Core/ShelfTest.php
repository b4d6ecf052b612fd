<?php

declare(strict_types=1);

use Unanimus\Files\PaperState;
use Unanimus\Shelf\PersonSheet;
use Unanimus\Shelf\ShelfEntry;
use Unanimus\Shelf\ShelfRefusal;

it('keeps a title and a topic in one line, and refuses none', function () {
    expect(ShelfEntry::named("  Wire fraud\n warning ", ''))->toBe(['Wire fraud warning', 'General'])
        ->and(ShelfEntry::named('x', ' Closing  day '))->toBe(['x', 'Closing day'])
        ->and(mb_strlen(ShelfEntry::named(str_repeat('é', 300), str_repeat('ü', 300))[0]))->toBe(120)
        ->and(fn () => ShelfEntry::named(" \n ", 'x'))->toBeRefused(ShelfRefusal::NoTitle);
});

it('takes addresses that a browser opens as a page, and nothing that runs', function () {
    expect(ShelfEntry::link(' https://county.example/taxes?x=1 '))->toBe('https://county.example/taxes?x=1');
    foreach (['javascript:alert(1)', 'data:text/html,x', 'county.example', 'https://', 'https://a b.example', 'https://x.example/"onload=',
        'ftp://x.example', 'https://x.example/'.str_repeat('a', 600)] as $url) {
        expect(fn () => ShelfEntry::link($url))->toBeRefused(ShelfRefusal::NoLink);
    }
});

it('renews what may still change, and nothing that is out, signed, void or with the broker', function () {
    foreach (PaperState::cases() as $state) {
        $may = in_array($state, [PaperState::Draft, PaperState::Ready], true);
        expect(ShelfEntry::renews($state, 1, 2, false))->toBe($may, $state->value)
            ->and(ShelfEntry::renews($state, 1, 2, true))->toBeFalse()
            ->and(ShelfEntry::renews($state, 2, 2, false))->toBeFalse();
    }
});

it('makes a sheet of what is known, leaves out what is not, and tells what has changed', function () {
    $facts = ['name' => 'Priya Anand', 'firm' => 'Quillmark Realty', 'license' => 'MW-20417', 'broker' => 'Ines Okafor-Lund',
        'other' => 'x'];
    $sheet = PersonSheet::of($facts, " Hello.\r\nSecond line. ");
    expect($sheet->words)->toBe("Hello.\nSecond line.")
        ->and(array_keys(array_filter($sheet->facts)))->toBe(['name', 'firm', 'license', 'broker'])
        ->and($sheet->changed($sheet->facts))->toBe([])
        ->and(PersonSheet::of([...$facts, 'broker' => 'Dario Velasquez-Thorne', 'license' => ''], '')->changed($sheet->facts))
        ->toBe(['License left out', 'Broker: Dario Velasquez-Thorne']);
    $svg = $sheet->page()->svg();
    expect($svg)->toContain('MW-20417')->toContain('Second line.')->not->toContain('Phone');
});

it('refuses words that do not fit on the page instead of leaving some out', function () {
    expect(fn () => PersonSheet::of(['name' => 'A'], str_repeat("x\n", 60))->page())->toBeRefused(ShelfRefusal::SheetFull)
        ->and(mb_strlen(PersonSheet::of(['name' => 'A'], str_repeat('x', 3000))->words))->toBe(PersonSheet::MOST_WORDS);
});
