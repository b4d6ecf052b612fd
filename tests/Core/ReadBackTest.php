<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Forms\CrossCheck;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Finding;
use Unanimus\Forms\Library;
use Unanimus\Forms\PageCheck;
use Unanimus\Forms\PaperReading;
use Unanimus\Forms\ReadBack;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Terms\Facts;

$page = static fn (string $foot, string $body = 'Words of the page') => "{$body} ".str_repeat('and more of them ', 20).$foot;

it('says which pages are missing or there twice', function (array $feet, array $found) use ($page) {
    expect(PageCheck::of(array_map($page, $feet)))->toBe($found);
})->with([
    'all there' => [['page 1 of 3', 'page 2 of 3', 'Page 3 of 3'], []],
    'one missing' => [['page 1 of 3', 'page 3 of 3'], ['Page 2 of 3 is missing.']],
    'several' => [['page 2 of 9', 'page 6 of 9'], ['Pages 1, 3 to 5 and 7 to 9 of 9 are missing.']],
    'twice' => [['page 1 of 2', 'page 2 of 2', 'page 2 of 2'], ['Page 2 of 2 is in it more than once.']],
    'two papers in one' => [
        ['M-201 · rev. 2026-08 · set page 1 of 2', 'M-201 · rev. 2026-08 · set page 2 of 2', 'OC-11 · rev. 2026-01 · set page 2 of 2'],
        ['OC-11: Page 1 of 2 is missing.'],
    ],
    'nothing said' => [['', 'the end'], []],
    'no sense' => [['page 9 of 3', 'page 0 of 2', 'page 1 of 1'], []],
    'with a stroke' => [['page 1/2'], ['Page 2 of 2 is missing.']],
]);

it('takes no number from the middle of a text for its own', function () use ($page) {
    expect(PageCheck::of([$page('The end', str_repeat('x ', 80).'as said on page 2 of 5 above')]))->toBe([]);
});

it('reads a filled form back, page by page, in whatever order they come', function () {
    $library = new Library(dirname(__DIR__, 2).'/library');
    $form = $library->form('M-201');
    $facts = Facts::from([
        'price' => '412500.00',
        'closing' => '2026-12-18',
        'buyers.names' => 'Sunniva Eide and José Nguyễn-Ortiz',
        'property.address' => '14 Lanternfish Lane, Tidewick, MW 20417',
        'earnest_money' => '8000.00',
        'offer_date' => '2026-11-01',
    ]);
    $scratch = new Scratch();
    $pdf = $scratch->put('filled.pdf', FilledPages::pdf($form, Filling::of($form, [], $facts), press()));
    (new NativeTool())->run(['qpdf', '--empty', '--pages', $pdf, '3,1,2,5-8', '--', $scratch->path('back.pdf')]);
    $looked = PaperReading::of($scratch->path('back.pdf'), $library, LocalDate::of('2026-11-23'));
    $read = $looked->form;
    expect($looked->lacks)
        ->toBe(['M-201: Page 4 of 8 is missing.'])
        ->and($read?->form)
        ->toBe('M-201')
        ->and($read->pages[1])
        ->toBe(2)
        ->and($read->pages[3])
        ->toBe(1);
    $prices = array_filter($form->blanks, fn ($blank) => $blank->binding === 'price' && isset($read->pages[$blank->page]));
    foreach ($prices as $blank) {
        expect($read->values[$blank->name])->toBe('412500.00');
    }
    expect(CrossCheck::ofFixed($read, $form, $facts))->toBe([]);
    $changed = CrossCheck::ofFixed($read, $form, $facts->with(Facts::from(['price' => '405000.00', 'closing' => '2027-01-08'])->all()));
    expect(count($changed))
        ->toBeGreaterThanOrEqual(2)
        ->and(implode(' ', array_map(fn (Finding $one) => $one->text, $changed)))
        ->toContain('412,500')
        ->toContain('405,000')
        ->and($changed[0]->page)
        ->toBe($read->pages[$form->blank($changed[0]->blank)->page]);
    expect(ReadBack::fromArray(json_decode((string) json_encode($read->toArray()), true)))->toEqual($read);
});

it('reads nothing where nothing says what it is', function () {
    $scratch = new Scratch();
    $library = new Library(dirname(__DIR__, 2).'/library');
    expect(
        PaperReading::of(
            $scratch->put('x.pdf', press()->print([(new Unanimus\Pages\Drawing(612, 792))->text(72, 90, 12, 'A letter about M-201')])),
            $library,
            LocalDate::of('2026-11-23'),
        ),
    )
        ->toEqual(new PaperReading())
        ->and(PaperReading::of($scratch->put('y.pdf', 'no pdf'), $library, LocalDate::of('2026-11-23')))
        ->toEqual(new PaperReading())
        ->and(
            PaperReading::of(
                $scratch->put(
                    'z.pdf',
                    press()->print([(new Unanimus\Pages\Drawing(612, 792))->text(72, 780, 7, 'X-99 · rev. 1 · a set we do not have')]),
                ),
                $library,
                LocalDate::of('2026-11-23'),
            ),
        )
        ->toEqual(new PaperReading())
        ->and(ReadBack::fromArray(null))
        ->toBeNull();
});
