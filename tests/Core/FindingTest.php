<?php

declare(strict_types=1);

use Unanimus\Finding\FormFinder;
use Unanimus\Finding\Query;

const FORMS = [
    'M-101' => 'Listing agreement Merrow Standard Forms listing',
    'M-201' => 'Purchase agreement, house Merrow Standard Forms offer',
    'M-205' => 'Purchase agreement, new construction Merrow Standard Forms offer',
    'M-215' => 'Financing addendum, government-insured loan Merrow Standard Forms offer',
    'M-222' => 'Association addendum Merrow Standard Forms offer',
    'M-230' => 'Lead-based paint disclosure Merrow Standard Forms listing',
    'M-231' => 'Seller’s property disclosure Merrow Standard Forms listing',
    'Q-21' => 'Purchase agreement, house Quillmark Realty offer',
];

it('finds forms by what the trade writes short', function (string $typed, array $expected) {
    expect(FormFinder::find(FORMS, $typed))->toBe($expected);
})->with([
    ['psa', ['M-201', 'M-205', 'Q-21']],
    ['PA', ['M-201', 'M-205', 'Q-21', 'M-230']],
    ['hoa', ['M-222']],
    ['spd', ['M-231']],
    ['fha', ['M-215']],
    ['lbp', ['M-230']],
    ['psa new', ['M-205']],
    ['lbpd', ['M-230']],
    ['zzz', []],
]);

it('puts what the office prefers before its twin, and a better match before both', function () {
    expect(FormFinder::find(FORMS, 'purchase house', [], ['Q-21']))
        ->toBe(['Q-21', 'M-201'])
        ->and(FormFinder::find(FORMS, 'purchase house', ['M-201' => 90], ['Q-21']))
        ->toBe(['Q-21', 'M-201'])
        ->and(FormFinder::find(FORMS, 'purchase house', ['M-201' => 90]))
        ->toBe(['M-201', 'Q-21'])
        ->and(FormFinder::find(FORMS, '201', [], ['Q-21']))
        ->toBe(['M-201']);
});

it('takes a field alone where it asks something, and a name where it has one', function (string $typed, array $fields, array $faults) {
    $query = Query::parse($typed);
    expect(array_map(fn (array $one) => ($one['not'] ? '-' : '').$one['field'].'='.$one['value'], $query->fields))
        ->toBe($fields)
        ->and($query->faults)
        ->toBe($faults)
        ->and($query->words)
        ->toBe([]);
})->with([
    ['late: next: owes:', ['late=', 'next=', 'owes='], []],
    ['-late:', ['-late='], []],
    ['owes:ottilie late:Inspection', ['owes=ottilie', 'late=inspection'], []],
    ['next:"loan approval"', ['next=loan approval'], []],
    ['status:', [], ['Enter a value after “status:”.']],
    ['late:5', [], ['“late:5” is not known. It may be deadline, closing, papers.']],
    ['closes:never', [], ['“closes:never” is not known. It may be today, week, next-week, month, late, none.']],
]);
