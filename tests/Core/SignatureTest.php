<?php

declare(strict_types=1);

use Unanimus\Pages\Rect;
use Unanimus\Parties\Representation;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SignerStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\Turn;

/** @return array{float, float, float} x, y, size of a typed signature's text */
function setText(string $svg): array
{
    preg_match('/x="([\d.]+)" y="([\d.]+)".*font-size="([\d.]+)"/', $svg, $m);

    return [(float) $m[1], (float) $m[2], (float) $m[3]];
}

it('sets a typed signature as large as its place allows, on the line and inside the edges', function () {
    [$x, $y, $size] = setText(AdoptedSignature::typed('Ada', 'A', 'flowing')->signatureIn(new Rect(10, 20, 200, 20)));
    expect([$x, $y, $size])->toBe([12.0, 34.8, 17.2]);
    $style = fn (string $hand) => setText(AdoptedSignature::typed('Ada', 'A', $hand)->signatureIn(new Rect(0, 0, 400, 100)))[2];
    expect(array_map($style, ['flowing', 'upright', 'brisk', 'plain']))->toBe([86.0, 72.0, 80.0, 80.0]);
});

it('makes a long name smaller in proportion to its place, and never wider than that', function () {
    $name = 'Maximiliane Featherstonehaugh-Cholmondeley';
    $size = fn (float $width) => setText(AdoptedSignature::typed($name, 'M', 'brisk')->signatureIn(new Rect(0, 0, $width, 60)))[2];
    expect($size(204) / $size(104))->toEqualWithDelta(2.0, 0.01);
    $box = imagettfbbox(100, 0, dirname(__DIR__, 2).'/library/fonts/dancing-script-latin-400-normal.ttf', $name);
    $breadth = ($box[2] - min(0, $box[0])) * 0.75 / 100 * 1.04;
    expect($size(204))->toEqualWithDelta(200 / $breadth, 0.01);
    // Letters with accents set as wide as without; what the style has not is measured with the plain face.
    $of = fn (string $name) => setText(AdoptedSignature::typed($name, 'N', 'brisk')->signatureIn(new Rect(0, 0, 40, 60)))[2];
    expect($of('Nguyễn Đặng Łóø'))
        ->toBe($of('Nguyen Dang Loo'))
        ->and($of('ß æ Æ ı ơ ư đ ł Ø'))
        ->toBe($of('ss ae AE i o u d l O'))
        ->and($of('Ada 王'))
        ->toBeLessThan($of('Ada '));
});

it('fits a drawing into its place without bending it', function () {
    $strokes = [[[100, 20], [200, 60], [300, 20], [400, 60]], [[150, 40], [350, 40], [250, 50], [260, 55]]];
    $drawn = AdoptedSignature::drawn('Ada', 'A', $strokes);
    preg_match_all('/([ML])([\d.]+) ([\d.]+)/', $drawn->signatureIn(new Rect(10, 100, 64, 42)), $m, PREG_SET_ORDER);
    $path = array_map(fn (array $one) => [$one[1], (float) $one[2], (float) $one[3]], $m);
    // 300 units wide into 60 points: a fifth.
    expect($path)->toBe([
        ['M', 12.0, 101.0],
        ['L', 32.0, 109.0],
        ['L', 52.0, 101.0],
        ['L', 72.0, 109.0],
        ['M', 22.0, 105.0],
        ['L', 62.0, 105.0],
        ['L', 42.0, 107.0],
        ['L', 44.0, 108.0],
    ]);
    // A tall one is held by its height, a tiny one is not blown up beyond its field.
    $points = fn (array $stroke, Rect $place) => array_map(
        fn (array $one) => [(float) $one[1], (float) $one[2]],
        preg_match_all(
            '/[ML]([\d.]+) ([\d.]+)/',
            AdoptedSignature::drawn('A', 'A', [$stroke])->signatureIn($place),
            $n,
            PREG_SET_ORDER,
        ) ? $n : [],
    );
    $tall = $points([[0, 0], [10, 20], [0, 40], [10, 60], [0, 80], [10, 100], [0, 120], [60, 160]], new Rect(0, 0, 200, 34));
    expect(end($tall))->toBe([14.0, 33.0]);
    $tiny = $points([[5, 5], [6, 5], [7, 5], [8, 5], [9, 5], [10, 5], [11, 5], [15, 10]], new Rect(0, 0, 200, 42));
    expect(end($tiny))->toBe([22.0, 11.0]);
});

it('keeps the points of a drawing in its field, and takes eight points or more up to its limit', function () {
    $drawn = AdoptedSignature::drawn('Ada', 'A', [[[-5, -9], [601, 181], [600.9, 180.9], [0, 0], [1, 1], [2, 2], [3, 3], ['4', '4']], []]);
    expect($drawn->strokes)->toBe([[[0, 0], [600, 180], [600, 180], [0, 0], [1, 1], [2, 2], [3, 3], [4, 4]]]);
    $line = fn (int $points) => [array_map(fn (int $i) => [$i % 600, $i % 180], range(1, $points))];
    expect(AdoptedSignature::drawn('A', 'A', $line(8))->strokes[0])->toHaveCount(8)
        ->and(fn () => AdoptedSignature::drawn('A', 'A', $line(7)))
        ->toBeRefused(SigningRefusal::NothingDrawn)
        ->and(AdoptedSignature::drawn('A', 'A', $line(6000))->strokes[0])
        ->toHaveCount(6000)
        ->and(fn () => AdoptedSignature::drawn('A', 'A', $line(6001)))
        ->toBeRefused(SigningRefusal::DrawingUnreadable)
        ->and(fn () => AdoptedSignature::drawn('A', 'A', [[[1, 'x']]]))
        ->toBeRefused(SigningRefusal::DrawingUnreadable)
        ->and(fn () => AdoptedSignature::drawn('A', 'A', [[[1]]]))
        ->toBeRefused(SigningRefusal::DrawingUnreadable);
});

it('takes names and initials up to their length, tidied', function () {
    $typed = AdoptedSignature::typed("  Ada \n\u{200E} Byron ", ' A B ', 'plain');
    expect([$typed->name, $typed->initials])
        ->toBe(['Ada Byron', 'A B'])
        ->and(AdoptedSignature::typed(str_repeat('é', 120), str_repeat('é', 8), 'plain')->name)
        ->toHaveLength(120)
        ->and(fn () => AdoptedSignature::typed(str_repeat('é', 121), 'A', 'plain'))
        ->toBeRefused(SigningRefusal::TooLong)
        ->and(fn () => AdoptedSignature::typed('A', str_repeat('é', 9), 'plain'))
        ->toBeRefused(SigningRefusal::TooLong)
        ->and(fn () => AdoptedSignature::typed('A', ' ', 'plain'))
        ->toBeRefused(SigningRefusal::NoName);
});

it('tells one choice from any other by its digest, and sets the initials of a drawing in the plain hand', function () {
    $line = [array_map(fn (int $i) => [$i, $i], range(1, 9))];
    $all = [
        AdoptedSignature::typed('Ada', 'A', 'plain'),
        AdoptedSignature::typed('Ada', 'A', 'brisk'),
        AdoptedSignature::typed('Ada', 'AB', 'plain'),
        AdoptedSignature::typed('Adam', 'A', 'plain'),
        AdoptedSignature::drawn('Ada', 'A', $line),
        AdoptedSignature::drawn('Ada', 'A', [[...$line[0], [10, 10]]]),
    ];
    $digests = array_map(fn (AdoptedSignature $one) => $one->digest(), $all);
    expect(array_unique($digests))
        ->toHaveCount(6)
        ->and(AdoptedSignature::fromArray($all[4]->toArray())->digest())
        ->toBe($digests[4])
        ->and(array_keys($all[4]->toArray()))
        ->toBe(['name', 'initials', 'hand', 'strokes'])
        ->and($all[4]->initialsIn(new Rect(0, 0, 30, 20)))
        ->toBe($all[0]->initialsIn(new Rect(0, 0, 30, 20)))
        ->and($all[4]->initialsIn(new Rect(0, 0, 30, 20)))
        ->not->toBe($all[1]->initialsIn(new Rect(0, 0, 30, 20)));
});

/** @param  list<array{EventKind, string|null, array<string, string>}>  $events */
function roundAfter(array ...$events): RoundState
{
    $turns = [Turn::signing('buyer.1', 1, ['a', 'b']), Turn::signing('buyer.2', 1, ['c']), Turn::signing('agent.1', 2, [])];
    $all = [[EventKind::Sent], ...$events];

    return RoundState::fold($turns, array_map(fn (array $one) => new RoundEvent($one[0], $one[1] ?? null, $one[2] ?? []), $all));
}

it('never goes back from signing to opened, and agrees once', function () {
    $agreed = roundAfter([EventKind::Opened, 'buyer.1'], [EventKind::Consented, 'buyer.1']);
    expect($agreed->signers['buyer.1'])->toBe(SignerStatus::Consented);
    expect($agreed->after(new RoundEvent(EventKind::Opened, 'buyer.1'))->signers['buyer.1'])
        ->toBe(SignerStatus::Consented)
        ->and($agreed->after(new RoundEvent(EventKind::Consented, 'buyer.1')))
        ->toEqual($agreed)
        ->and(roundAfter([EventKind::Opened, 'buyer.1'])->signers)
        ->toBe(['buyer.1' => SignerStatus::Opened, 'buyer.2' => SignerStatus::Invited, 'agent.1' => SignerStatus::Waiting]);
});

it('refuses to finish with exactly one place unsigned, and before agreeing', function () {
    $way = [[EventKind::Consented, 'buyer.1'], [EventKind::Adopted, 'buyer.1'], [EventKind::Marked, 'buyer.1', ['mark' => 'a']]];
    expect(fn () => roundAfter(...$way, ...[[EventKind::Finished, 'buyer.1']]))
        ->toBeRefused(SigningRefusal::PlaceLeft)
        ->and(fn () => roundAfter([EventKind::Finished, 'buyer.1']))
        ->toBeRefused(SigningRefusal::NotConsented)
        ->and(fn () => roundAfter([EventKind::Adopted, 'buyer.1']))
        ->toBeRefused(SigningRefusal::NotConsented)
        ->and(fn () => roundAfter(...$way, ...[[EventKind::Adopted, 'buyer.1']]))
        ->toBeRefused(SigningRefusal::AdoptedForGood);
    // A place signed twice is signed once, and the other is still owed.
    $twice = roundAfter(...$way, ...[[EventKind::Marked, 'buyer.1', ['mark' => 'a']]]);
    expect($twice->made->of('buyer.1'))->toBe(['a'])->and($twice->owes('buyer.1'))->toBe(['b'])->and($twice->owes('nobody'))->toBe([]);
    expect(fn () => roundAfter([EventKind::Consented, 'buyer.1'], [EventKind::Adopted, 'buyer.1'], [EventKind::Marked, 'buyer.1']))
        ->toBeRefused(SigningRefusal::NotTheirs);
});

it('keeps why a round ended, or that nobody said', function () {
    expect(roundAfter([EventKind::Declined, 'buyer.1'])->reason)
        ->toBe('')
        ->and(roundAfter([EventKind::Recalled])->reason)
        ->toBe('')
        ->and(roundAfter([EventKind::Recalled, null, ['reason' => 'wrong price']])->reason)
        ->toBe('wrong price')
        ->and(roundAfter([EventKind::Lapsed])->status)
        ->toBe(RoundStatus::Lapsed)
        ->and(roundAfter([EventKind::Reminded, null, ['seat' => 'buyer.1']])->status)
        ->toBe(RoundStatus::Out)
        ->and(roundAfter([EventKind::Lapsed])->asked())
        ->toBe([])
        ->and(roundAfter([EventKind::Lapsed])->currentTurn())
        ->toBeNull();
});

it('lets nobody sign with what the one before them chose, and leaves others theirs', function () {
    $both = [
        [EventKind::Consented, 'buyer.1'], [EventKind::Adopted, 'buyer.1'], [EventKind::Marked, 'buyer.1', ['mark' => 'a']],
        [EventKind::Consented, 'buyer.2'], [EventKind::Adopted, 'buyer.2'], [EventKind::Replaced, null, ['seat' => 'buyer.1']],
        [EventKind::Consented, 'buyer.1'],
    ];
    expect(fn () => roundAfter(...$both, ...[[EventKind::Marked, 'buyer.1', ['mark' => 'b']]]))->toBeRefused(SigningRefusal::NotAdopted)
        ->and(roundAfter(...$both)->owes('buyer.1'))->toBe(['a', 'b'])
        ->and(roundAfter(...$both, ...[[EventKind::Marked, 'buyer.2', ['mark' => 'c']]])->owes('buyer.2'))->toBe([]);
});

it('takes several who signed with a pen at once, and asks the next turn', function () {
    $pen = roundAfter([EventKind::SignedOnPaper, null, ['seats' => ['buyer.1', 'buyer.2']]]);
    expect($pen->onPaper)->toBe(['buyer.1' => true, 'buyer.2' => true])->and($pen->asked())->toBe(['agent.1'])
        ->and($pen->signers['agent.1'])->toBe(SignerStatus::Invited)
        ->and(fn () => roundAfter([EventKind::SignedOnPaper, null, ['seats' => ['nobody.1']]]))->toBeRefused(SigningRefusal::NotAsked)
        ->and(roundAfter([EventKind::SignedOnPaper])->onPaper)->toBe([]);
});

it('says where a signer stands', function () {
    expect(array_map(fn (SignerStatus $status) => $status->cell(), SignerStatus::cases()))
        ->toBe(['owes', 'owes', 'open', 'open', 'done', 'declined'])
        ->and(array_map(fn (SignerStatus $status) => $status->isAsked(), SignerStatus::cases()))
        ->toBe([false, true, true, true, false, false])
        ->and(array_map(fn (SignerStatus $status) => $status->label(2), SignerStatus::cases()))
        ->toBe(['turn 2', 'email sent', 'opened', 'signing', 'done', 'declined']);
});

it('puts seats in the order of their roles, then of their numbers', function () {
    $seats = [
        'other.1',
        'agent.2',
        'seller.1',
        'buyer.12',
        'agent.1',
        'buyer.2',
        'lender.1',
        'broker.1',
        'coagent.1',
        'buyer.99',
        'seller.2',
    ];
    usort($seats, fn (string $a, string $b) => Seat::of($a)->order() <=> Seat::of($b)->order());
    expect($seats)
        ->toBe(
            [
                'buyer.2',
                'buyer.12',
                'buyer.99',
                'seller.1',
                'seller.2',
                'agent.1',
                'agent.2',
                'coagent.1',
                'broker.1',
                'lender.1',
                'other.1',
            ],
        )
        ->and(Seat::of('agent.1')->label())
        ->toBe('agent')
        ->and(Seat::of('agent.2')->label())
        ->toBe('agent 2')
        ->and(Seat::of('buyer.1')->label())
        ->toBe('buyer 1')
        ->and(array_column(Seat::askedBy(Representation::Both), 'value'))
        ->toBe(['buyer', 'seller', 'tenant', 'landlord', 'agent', 'broker'])
        ->and(array_column(Seat::askedBy(Representation::Landlord), 'value'))
        ->toBe(['landlord', 'agent', 'broker']);
});

it('takes names and initials up to their length, and of a drawing only points that are two numbers', function () {
    $drawing = [[[10, 10], [20, 20], [30, 10], [40, 20], [50, 10], [60, 20], [70, 10], [80, 20]]];
    $ways = [
        fn ($name, $initials) => AdoptedSignature::typed($name, $initials, 'plain'),
        fn ($name, $initials) => AdoptedSignature::drawn($name, $initials, $drawing),
    ];
    foreach ($ways as $made) {
        expect($made(str_repeat('é', 120), str_repeat('é', 8))->name)->toBe(str_repeat('é', 120))
            ->and(fn () => $made(str_repeat('é', 121), 'A'))->toThrow('120')
            ->and(fn () => $made('Ada', str_repeat('é', 9)))->toThrow('8')
            ->and($made(" Ada\u{200B}\n  Holt\t", ' A ')->name)->toBe('Ada Holt');
    }
    $unreadable = SigningRefusal::DrawingUnreadable->because()->getMessage();
    foreach (['x', ['x', 1], [1, 'x'], [1], [], null] as $point) {
        expect(fn () => AdoptedSignature::drawn('Ada', 'A', [[...$drawing[0], $point]]))->toThrow($unreadable);
    }
});

it('keeps what it is made of, and writes names into a drawing as words alone', function () {
    $signature = AdoptedSignature::typed('O\'Neil & "Sons" <b>', 'ON', 'plain');
    expect($signature->toArray())->toBe(['name' => 'O\'Neil & "Sons" <b>', 'initials' => 'ON', 'hand' => 'plain', 'strokes' => []])
        ->and($signature->signatureIn(new Rect(0, 0, 200, 20)))
        ->toContain('>O&apos;Neil &amp; &quot;Sons&quot; &lt;b&gt;</text>')
        ->toContain('Noto Sans Arabic, Noto Sans CJK SC" font-size="');
    // The narrowest letter still sets as high as its place allows.
    expect(setText(AdoptedSignature::typed('.', '.', 'plain')->signatureIn(new Rect(0, 0, 400, 100)))[2])->toBe(80.0)
        ->and(setText(AdoptedSignature::typed('.', '.', 'plain')->signatureIn(new Rect(0, 0, 6, 1000)))[2])->toBeLessThan(21.0);
});

it('draws strokes that are nearly a point no larger than a mark of its field', function () {
    $dot = [[[100, 50], [101, 50], [100, 51], [101, 51], [100, 50], [101, 50], [100, 51], [101, 51]]];
    $svg = AdoptedSignature::drawn('Ada', 'A', $dot)->signatureIn(new Rect(0, 0, 84, 42));
    // Forty units across and twenty high are the least: two points a unit.
    expect($svg)->toStartWith('<path d="M2.00 1.00L4.00 1.00L2.00 3.00')
        ->toEndWith('L4.00 3.00" fill="none" stroke="#16245c" stroke-width="1.3" stroke-linecap="round" stroke-linejoin="round"/>');
});
