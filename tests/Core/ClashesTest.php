<?php

declare(strict_types=1);

use Unanimus\Dates\BusinessCalendar;
use Unanimus\Dates\Clashes;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\LocalDate;

it('tells a closing on a day without business, and what would come only after it', function (string $closing, array $told) {
    $deadlines = [
        new Deadline('loan_approval', 'Loan approval', LocalDate::of('2027-01-04'), null, '35 days after acceptance.'),
        new Deadline('appraisal', 'Appraisal', LocalDate::of('2026-12-21'), null, '25 days after acceptance.'),
    ];
    expect(Clashes::aroundClosing(LocalDate::of($closing), $deadlines, new BusinessCalendar(), 2026))->toBe($told);
})->with([
    ['2027-01-04', []],
    [
        '2026-12-18',
        [
            'Appraisal (Mon, Dec 21) comes after closing (Fri, Dec 18).',
            'Loan approval (Mon, Jan 4, 2027) comes after closing (Fri, Dec 18).',
        ],
    ],
    ['2027-01-09', ['Closing is on a Saturday, when no business is done.']],
    [
        '2026-12-25',
        ['Closing is on Christmas Day, when no business is done.', 'Loan approval (Mon, Jan 4, 2027) comes after closing (Fri, Dec 25).'],
    ],
]);
