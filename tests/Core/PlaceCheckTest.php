<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperState;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\PlaceCheck;
use Unanimus\Signing\PlannedMark;
use Unanimus\Signing\PlannedPaper;
use Unanimus\Signing\PlannedSigner;
use Unanimus\Signing\RoundFault;
use Unanimus\Signing\RoundFaultKind;
use Unanimus\Signing\RoundPlan;
use Unanimus\Signing\Seat;

function marked(string $seat, MarkKind $kind, int $page, float $y, float $x = 72, string $key = ''): PlannedMark
{
    return new PlannedMark($key ?: "{$seat}{$kind->value}{$page}", 'p', $page, Seat::of($seat), $kind, new Rect($x, $y, 100, 16));
}

/** @return list<RoundFault> */
function checked(array $marks, int $pages = 4, array $names = ['buyer.1' => 'Sunniva', 'buyer.2' => 'José', 'agent.1' => 'Tomás']): array
{
    return PlaceCheck::faults($marks, ['p' => new PlannedPaper('p', 'Addendum', PaperState::Ready, true)], ['p' => $pages], $names);
}

it('tells of two places on one spot, and of none that only touch', function () {
    $both = [marked('buyer.1', MarkKind::Signature, 1, 300), marked('buyer.2', MarkKind::Signature, 1, 305)];
    $found = checked($both);
    expect(array_map(fn (RoundFault $one) => [$one->kind, $one->mark], $found))
        ->toBe([[RoundFaultKind::OnOneSpot, 'buyer.2signature1']])
        ->and($found[0]->text)
        ->toContain('page 1 of “Addendum” (Sunniva and José)');
    foreach ([[1, 316.0], [2, 300.0]] as [$page, $y]) {
        expect(checked([$both[0], marked('buyer.2', MarkKind::Signature, $page, $y)]))->toBe([]);
    }
});

it('tells of pages without initials only where most others have them', function (array $initialled, int $pages, ?string $told) {
    $marks = array_map(fn (int $page) => marked('buyer.1', MarkKind::Initials, $page, 700), $initialled);
    $signed = [marked('buyer.1', MarkKind::Signature, $pages, 300), marked('buyer.2', MarkKind::Signature, $pages, 400)];
    $found = checked([...$marks, ...$signed], $pages);
    expect($found[0]->text ?? null)->toBe($told);
})->with([
    'the one in the middle' => [[1, 3], 4, 'Sunniva initials the other pages of “Addendum”, not page 2.'],
    'two of six' => [[1, 2, 3], 6, 'Sunniva initials the other pages of “Addendum”, not pages 4, 5.'],
    'all of them' => [[1, 2, 3], 4, null],
    'few of them' => [[1], 6, null],
    'a paper of two pages' => [[1], 2, null],
]);

it('tells of one of two who signs nothing where the other does, of no other role', function () {
    $found = checked([marked('buyer.1', MarkKind::Signature, 1, 300)]);
    expect(array_map(fn (RoundFault $one) => $one->text, $found))
        ->toBe(['José signs nothing on “Addendum”, but Sunniva does.'])
        ->and(checked([marked('agent.1', MarkKind::Signature, 1, 300)]))
        ->toBe([])
        ->and(checked([marked('buyer.1', MarkKind::Initials, 1, 300)]))
        ->toBe([]);
});

it('keeps none of that from going out, but a last day that is past does', function () {
    expect(RoundFaultKind::OnOneSpot->isBlocking())
        ->toBeFalse()
        ->and(RoundFaultKind::WithoutInitials->isBlocking())
        ->toBeFalse()
        ->and(RoundFaultKind::SignsNothing->isBlocking())
        ->toBeFalse()
        ->and(RoundFaultKind::NameDiffers->isBlocking())
        ->toBeFalse();
    $signer = new PlannedSigner('s', 'Sunniva', 's@eide.example', true, 1, 'Sunniva Eide-Holm');
    $paper = new PlannedPaper('p', 'Addendum', PaperState::Ready, true, reading: true);
    $on = fn (string $today) => array_map(
        fn (RoundFault $one) => $one->kind,
        RoundPlan::faults([$signer], [$paper], LocalDate::of('2026-11-27'), null, [], LocalDate::of($today)),
    );
    expect($on('2026-11-27'))
        ->toBe([RoundFaultKind::NameDiffers, RoundFaultKind::StillRead])
        ->and($on('2026-11-28'))
        ->toContain(RoundFaultKind::LastDayPast)
        ->and(RoundFaultKind::LastDayPast->isBlocking())
        ->toBeTrue();
});

it('says which printed words a place covers, and leaves rules and boxes to be written on', function () {
    $words = [
        new Word('Buyer', 100, 118, 30, 10),
        new Word('agrees', 140, 100, 40, 10),
        new Word('________', 100, 104, 120, 4),
        new Word('☐', 200, 102, 8, 8),
        new Word('to', 182, 100, 12, 10),
        new Word('$412,500', 210, 100, 50, 10),
    ];
    expect(PlaceCheck::covered(new Rect(100, 96, 100, 16), $words))->toBe('agrees to')
        // Its label stands beneath it, a word is only grazed.
        ->and(PlaceCheck::covered(new Rect(100, 84, 100, 20), $words))->toBe('')
        ->and(PlaceCheck::covered(new Rect(205, 98, 60, 14), $words))->toBe('$412,500')
        ->and(PlaceCheck::covered(new Rect(0, 0, 600, 700), array_fill(0, 9, $words[1])))->toBe('agrees agrees agrees agrees agrees …');
    $mark = new PlannedMark('m', 'p', 2, Seat::of('buyer.1'), MarkKind::Signature, new Rect(0, 0, 10, 10), 'agrees to');
    $paper = new PlannedPaper('p', 'Addendum', PaperState::Ready, true);
    $fault = PlaceCheck::faults([$mark], ['p' => $paper], ['p' => 2], ['buyer.1' => 'Ana'])[0];
    expect($fault->kind)->toBe(RoundFaultKind::OverText)
        ->and($fault->text)->toBe('The place of Ana on page 2 of “Addendum” covers “agrees to”.')
        ->and($fault->kind->isBlocking())->toBeFalse();
});

it('tells of two places on one spot by how much of the smaller lies under the other', function (float $x, float $y, bool $told) {
    $one = marked('buyer.1', MarkKind::Signature, 1, 300);
    $other = new PlannedMark('small', 'p', 1, Seat::of('buyer.2'), MarkKind::Initials, new Rect($x, $y, 20, 10));
    $kinds = fn (array $faults) => array_map(fn (RoundFault $fault) => $fault->kind, $faults);
    expect(in_array(RoundFaultKind::OnOneSpot, $kinds(checked([$one, $other])), true))->toBe($told)
        ->and(in_array(RoundFaultKind::OnOneSpot, $kinds(checked([$other, $one])), true))->toBe($told);
})->with([
    'inside' => [100, 303, true],
    'more than two fifths of it at the left' => [60.5, 303, true],
    'two fifths of it at the left' => [60, 303, false],
    'more than two fifths of it at the right' => [163.5, 303, true],
    'two fifths of it at the right' => [164, 303, false],
    'more than two fifths of it over' => [100, 294.2, true],
    'two fifths of it over' => [100, 294, false],
    'beside it, as if both distances were turned round' => [250, 400, false],
    'over it, but no part beside' => [200, 303, false],
    'level, but no part under' => [100, 500, false],
]);

it('names whoever has two places on one spot once', function () {
    $twice = [marked('buyer.1', MarkKind::Signature, 1, 300), marked('buyer.1', MarkKind::Name, 1, 302)];
    expect(checked($twice, names: ['buyer.1' => 'Sunniva'])[0]->text)
        ->toBe('Two places are on one spot on page 1 of “Addendum” (Sunniva).');
});

it('looks at each paper for itself, and at none whose pages are not known', function () {
    $papers = [
        'p' => new PlannedPaper('p', 'Addendum', PaperState::Ready, true),
        'q' => new PlannedPaper('q', 'Notice', PaperState::Ready, true),
    ];
    $at = new Rect(72, 700, 40, 16);
    $on = fn (string $paper, int $page) => new PlannedMark("{$paper}{$page}", $paper, $page, Seat::of('buyer.1'), MarkKind::Initials, $at);
    $told = fn (array $marks, array $pages) => array_map(
        fn (RoundFault $one) => "{$one->paper}: {$one->text}",
        PlaceCheck::faults($marks, $papers, $pages, ['buyer.1' => 'Sunniva']),
    );
    expect($told([$on('p', 1), $on('q', 1)], []))->toBe([])
        ->and($told([$on('p', 1), $on('p', 2), $on('q', 1), $on('q', 3)], ['p' => 3, 'q' => 3]))->toBe([
            'p: Sunniva initials the other pages of “Addendum”, not page 3.',
            'q: Sunniva initials the other pages of “Notice”, not page 2.',
        ])
        ->and($told([$on('p', 1)], ['p' => 2]))->toBe([])
        ->and($told([$on('p', 2), $on('p', 3)], ['p' => 3]))->toBe(['p: Sunniva initials the other pages of “Addendum”, not page 1.'])
        ->and($told([$on('p', 2), $on('p', 3)], ['p' => 4]))
        ->toBe(['p: Sunniva initials the other pages of “Addendum”, not pages 1, 4.'])
        ->and($told([$on('p', 2)], ['p' => 3]))->toBe([]);
});

it('goes on to the next person after one whose initials are complete', function () {
    $of = fn (string $seat, int ...$on) => array_map(
        fn (int $page) => marked($seat, MarkKind::Initials, $page, $seat === 'buyer.1' ? 700 : 730),
        $on,
    );
    $found = checked([...$of('buyer.1', 1, 2, 3), ...$of('buyer.2', 1, 2)], 3);
    expect(array_map(fn (RoundFault $one) => [$one->text, $one->mark], $found))
        ->toBe([['José initials the other pages of “Addendum”, not page 3.', 'buyer.2initials1']]);
});

it('names at most five of the words a place covers, by how much of them it covers', function () {
    $word = fn (string $text, float $x, float $y = 300) => new Word($text, $x, $y, 20, 10);
    $row = fn (int $count) => array_map(fn (int $at) => $word("word{$at}", 72 + 25 * $at), range(0, $count - 1));
    $place = new Rect(72, 298, 200, 14);
    expect(PlaceCheck::covered($place, $row(5)))->toBe('word0 word1 word2 word3 word4')
        ->and(PlaceCheck::covered($place, $row(6)))->toBe('word0 word1 word2 word3 word4 …')
        ->and(PlaceCheck::covered($place, [$word('______', 80)]))->toBe('')
        ->and(PlaceCheck::covered($place, [$word('in', 62.5)]))->toBe('in')
        ->and(PlaceCheck::covered($place, [$word('in', 61)]))->toBe('')
        ->and(PlaceCheck::covered($place, [$word('in', 262.5)]))->toBe('in')
        ->and(PlaceCheck::covered($place, [$word('in', 263)]))->toBe('')
        ->and(PlaceCheck::covered($place, [$word('in', 100, 293)]))->toBe('in')
        ->and(PlaceCheck::covered($place, [$word('in', 100, 292.5)]))->toBe('')
        ->and(PlaceCheck::covered($place, [$word('in', 100, 307.5)]))->toBe('');
});
