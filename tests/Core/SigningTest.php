<?php

declare(strict_types=1);

use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\Act;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\AskedPaper;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\MarkDrawing;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SignerStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\Turn;
use Unanimus\Steps\StepRefused;

$turns = [Turn::signing('buyer.1', 1, ['a', 'b']), Turn::signing('buyer.2', 1, ['c']), Turn::signing('agent.1', 2, ['d'])];
$did = static fn (EventKind $kind, ?string $seat = null, array $data = []) => new RoundEvent($kind, $seat, $data);

/** Everything one signer does, from opening to finishing. @return list<RoundEvent> */
function wholeWay(string $seat, string ...$marks): array
{
    $events = [
        new RoundEvent(EventKind::Opened, $seat),
        new RoundEvent(EventKind::Consented, $seat),
        new RoundEvent(EventKind::Adopted, $seat),
    ];
    foreach ($marks as $mark) {
        $events[] = new RoundEvent(EventKind::Marked, $seat, ['mark' => $mark]);
    }

    return [...$events, new RoundEvent(EventKind::Finished, $seat)];
}

it('asks the first turn together and the next when all of it is done', function () use ($turns, $did) {
    $state = RoundState::fold($turns, [$did(EventKind::Sent)]);
    expect($state->asked())
        ->toBe(['buyer.1', 'buyer.2'])
        ->and($state->signers['agent.1'])
        ->toBe(SignerStatus::Waiting);
    foreach (wholeWay('buyer.2', 'c') as $event) {
        $state = $state->after($event);
    }
    expect($state->asked())->toBe(['buyer.1']);
    foreach (wholeWay('buyer.1', 'a', 'b') as $event) {
        $state = $state->after($event);
    }
    expect($state->asked())
        ->toBe(['agent.1'])
        ->and($state->signers['agent.1'])
        ->toBe(SignerStatus::Invited);
    foreach (wholeWay('agent.1', 'd') as $event) {
        $state = $state->after($event);
    }
    expect($state->status)->toBe(RoundStatus::Complete)->and($state->asked())->toBe([]);
});

it('ends for everyone when one declines', function () use ($turns, $did) {
    $state = RoundState::fold($turns, [
        $did(EventKind::Sent),
        $did(EventKind::Opened, 'buyer.1'),
        $did(EventKind::Declined, 'buyer.1', ['reason' => 'The price is wrong.']),
    ]);
    expect($state->status)->toBe(RoundStatus::Declined)->and($state->reason)->toBe('The price is wrong.');
    expect(fn () => $state->after($did(EventKind::Opened, 'buyer.2')))->toBeRefused(SigningRefusal::Declined);
});

it('refuses what comes too early, too late or from someone else', function (array $before, RoundEvent $event, SigningRefusal $reason) use (
    $turns,
) {
    expect(fn () => RoundState::fold($turns, [...$before, $event]))->toBeRefused($reason);
})->with([
    'not sent yet' => [[], new RoundEvent(EventKind::Opened, 'buyer.1'), SigningRefusal::NotSent],
    'not in the round' => [[new RoundEvent(EventKind::Sent)], new RoundEvent(EventKind::Opened, 'seller.1'), SigningRefusal::NotAsked],
    'a later turn' => [[new RoundEvent(EventKind::Sent)], new RoundEvent(EventKind::Opened, 'agent.1'), SigningRefusal::NotYet],
    'a mark before consent' => [
        [new RoundEvent(EventKind::Sent)],
        new RoundEvent(EventKind::Marked, 'buyer.1', ['mark' => 'a']),
        SigningRefusal::NotConsented,
    ],
    'a mark before a signature' => [
        [new RoundEvent(EventKind::Sent), new RoundEvent(EventKind::Consented, 'buyer.1')],
        new RoundEvent(EventKind::Marked, 'buyer.1', ['mark' => 'a']),
        SigningRefusal::NotAdopted,
    ],
    'another\'s mark' => [
        [new RoundEvent(EventKind::Sent), new RoundEvent(EventKind::Consented, 'buyer.1'), new RoundEvent(EventKind::Adopted, 'buyer.1')],
        new RoundEvent(EventKind::Marked, 'buyer.1', ['mark' => 'c']),
        SigningRefusal::NotTheirs,
    ],
    'finishing with marks open' => [
        [new RoundEvent(EventKind::Sent), new RoundEvent(EventKind::Consented, 'buyer.1')],
        new RoundEvent(EventKind::Finished, 'buyer.1'),
        SigningRefusal::PlacesLeft,
    ],
    'signing after finishing' => [
        [new RoundEvent(EventKind::Sent), ...wholeWay('buyer.2', 'c')],
        new RoundEvent(EventKind::Marked, 'buyer.2', ['mark' => 'c']),
        SigningRefusal::Finished,
    ],
    'sent twice' => [[new RoundEvent(EventKind::Sent)], new RoundEvent(EventKind::Sent), SigningRefusal::SentTwice],
    'recalled after recall' => [
        [new RoundEvent(EventKind::Sent), new RoundEvent(EventKind::Recalled)],
        new RoundEvent(EventKind::Recalled),
        SigningRefusal::RoundEnded,
    ],
    'signing after recall' => [
        [new RoundEvent(EventKind::Sent), new RoundEvent(EventKind::Recalled)],
        new RoundEvent(EventKind::Opened, 'buyer.1'),
        SigningRefusal::Recalled,
    ],
    'signing after the last day' => [
        [new RoundEvent(EventKind::Sent), new RoundEvent(EventKind::Lapsed)],
        new RoundEvent(EventKind::Opened, 'buyer.1'),
        SigningRefusal::Lapsed,
    ],
    'a signer recalling' => [[new RoundEvent(EventKind::Sent)], new RoundEvent(EventKind::Recalled, 'buyer.1'), SigningRefusal::OnlySender],
    'a sender signing' => [[new RoundEvent(EventKind::Sent)], new RoundEvent(EventKind::Finished), SigningRefusal::OnlySigner],
]);

it('counts the same mark once', function () use ($turns, $did) {
    $state = RoundState::fold($turns, [
        $did(EventKind::Sent),
        $did(EventKind::Consented, 'buyer.1'),
        $did(EventKind::Adopted, 'buyer.1'),
        $did(EventKind::Marked, 'buyer.1', ['mark' => 'a']),
        $did(EventKind::Marked, 'buyer.1', ['mark' => 'a']),
    ]);
    expect($state->made->of('buyer.1'))
        ->toBe(['a'])
        ->and($state->owes('buyer.1'))
        ->toBe(['b']);
});

it('comes to one end whatever order two signers finish in', function () {
    mt_srand(9);
    for ($i = 0; $i < 300; $i++) {
        $people = [];
        $turns = [];
        foreach (range(1, mt_rand(2, 5)) as $n) {
            $marks = array_map(static fn (int $m) => "{$n}-{$m}", range(1, mt_rand(1, 4)));
            $turns[] = Turn::signing("buyer.{$n}", mt_rand(1, 2), $marks);
            $people["buyer.{$n}"] = wholeWay("buyer.{$n}", ...$marks);
        }
        $state = RoundState::fold($turns, [new RoundEvent(EventKind::Sent)]);
        for ($guard = 0; $state->status === RoundStatus::Out && $guard < 500; $guard++) {
            $seat = $state->asked()[mt_rand(0, count($state->asked()) - 1)];
            $state = $state->after(array_shift($people[$seat]));
        }
        expect($state->status)->toBe(RoundStatus::Complete)->and(array_filter($people))->toBe([]);
    }
});

it('draws a typed signature inside its place, with any name', function (string $name) {
    $svg = AdoptedSignature::typed($name, 'AB', 'flowing')->signatureIn(new Rect(10, 20, 200, 24));
    expect(simplexml_load_string('<svg xmlns="http://www.w3.org/2000/svg">'.$svg.'</svg>'))
        ->not->toBeFalse()
        ->and($svg)
        ->not->toContain('<script');
})->with(['José Nguyễn-Ortiz', '山田 太郎', 'أحمد', '<script>alert(1)</script>', 'O’Brien & Söhne']);

it('takes a drawn signature as points only', function () {
    $strokes = [array_map(static fn (int $i) => [$i * 10, 50 + $i], range(0, 20))];
    $drawn = AdoptedSignature::drawn('Ada', 'A', $strokes);
    expect($drawn->signatureIn(new Rect(0, 0, 100, 20)))
        ->toMatch('/^<path d="M[\d.ML ]+" fill="none"/')
        ->and(AdoptedSignature::fromArray($drawn->toArray())->strokes)
        ->toBe($strokes);
});

it('refuses signatures that are none', function (callable $adopt, SigningRefusal $reason) {
    expect($adopt)->toBeRefused($reason);
})->with([
    'no name' => [fn () => AdoptedSignature::typed(' ', 'A', 'flowing'), SigningRefusal::NoName],
    'unknown hand' => [fn () => AdoptedSignature::typed('A', 'A', 'fancy'), SigningRefusal::NoSuchStyle],
    'nothing drawn' => [fn () => AdoptedSignature::drawn('A', 'A', []), SigningRefusal::NothingDrawn],
    'a dot' => [fn () => AdoptedSignature::drawn('A', 'A', [[[1, 1]]]), SigningRefusal::NothingDrawn],
    'no points' => [fn () => AdoptedSignature::drawn('A', 'A', [[['x', 'y'], [1, 2]]]), SigningRefusal::DrawingUnreadable],
    'text' => [fn () => AdoptedSignature::drawn('A', 'A', '"><script>'), SigningRefusal::NothingDrawn],
    'too much' => [fn () => AdoptedSignature::drawn('A', 'A', [array_fill(0, 7000, [1, 1])]), SigningRefusal::DrawingUnreadable],
]);

it('gives each seat its shape', function (string $seat, string $shape, string $letter) {
    expect(Seat::of($seat)->shape())
        ->toBe($shape)
        ->and(Seat::of($seat)->letter())
        ->toBe($letter);
})->with([
    ['buyer.1', 'circle', '1'],
    ['seller.2', 'square', '2'],
    ['agent.1', 'diamond', 'A'],
    ['broker.1', 'hexagon', 'B'],
    ['escrow.1', 'triangle', 'E'],
]);

it('refuses texts that are no seat', function (string $text) {
    Seat::of($text);
})
    ->with(['buyer', 'buyer.0', 'king.1', 'buyer.100', '', 'buyer.1; drop'])
    ->throws(InvalidArgumentException::class);

it('prints a typed signature in the hand that was chosen, whole and inside its place, whatever the name', function (
    string $hand,
    string $face,
    string $name,
) {
    $place = new Rect(40, 40, 150, 20);
    $drawing = (new Drawing(612, 792))->line(0, 0, 1, 1);
    MarkDrawing::on($drawing, MarkKind::Signature, $place, AdoptedSignature::typed($name, 'X', $hand), '');
    $scratch = new Scratch();
    $pdf = $scratch->put('signed.pdf', press()->print([$drawing]));
    $boxes = (new NativeTool())->run(['pdftotext', '-bbox', $pdf, '-']);
    preg_match_all('/xMin="([\d.]+)".*?xMax="([\d.]+)"/', $boxes, $m);
    expect((new NativeTool())->run(['pdffonts', $pdf]))
        ->toContain($face)
        ->and(max(array_map(floatval(...), $m[2])))
        ->toBeLessThanOrEqual($place->x + $place->width + 1)
        ->and(min(array_map(floatval(...), $m[1])))
        ->toBeGreaterThanOrEqual($place->x - 1)
        ->and(preg_replace('/\s+/', '', textOf((string) file_get_contents($pdf))))
        ->toContain((string) preg_replace('/\s+/', '', $name));
})
    ->with([['flowing', 'GreatVibes'], ['upright', 'Charm'], ['brisk', 'DancingScript'], ['plain', 'PatrickHand']])
    ->with(['Ottilie Brandvold', 'Đặng Thị Hương', 'WILHELMINA MWAMBA-WOLLSTONECRAFT OF WESTWORTH', 'I']);

it('prints a name in a script no hand has in the plain faces', function () {
    $drawing = (new Drawing(612, 792))->line(0, 0, 1, 1);
    MarkDrawing::on($drawing, MarkKind::Signature, new Rect(40, 40, 150, 20), AdoptedSignature::typed('王秀英', '王', 'brisk'), '');
    expect(textOf(press()->print([$drawing])))->toContain('王秀英');
});

it('wants the papers that are asked for before someone finishes, and once more of whoever comes into the place', function () {
    $letter = AskedPaper::of('letter', ' Pre-approval   letter ');
    $check = AskedPaper::of('check', 'Copy of a check', false, 7);
    expect($letter->title)->toBe('Pre-approval letter')
        ->and(AskedPaper::fromArray($check->toArray()))->toEqual($check)
        ->and(static fn () => AskedPaper::of('x', " \t "))->toThrow(StepRefused::class);
    $turns = [new Turn('buyer.1', 1, [new Act('a')], Part::Signs, [$letter, $check]), Turn::signing('buyer.2', 1, ['b'])];
    $add = static fn (string $seat, string $key) => new RoundEvent(EventKind::Added, $seat, ['ask' => $key, 'name' => "{$key}.pdf"]);
    $why = static function (callable $do): ?SigningRefusal {
        try {
            $do();
        } catch (StepRefused $refused) {
            return $refused->reason;
        }

        return null;
    };
    $state = RoundState::fold($turns, [new RoundEvent(EventKind::Sent)]);
    expect($why(static fn () => $state->after($add('buyer.1', 'letter'))))->toBe(SigningRefusal::NotConsented);
    foreach (
        [
            new RoundEvent(EventKind::Consented, 'buyer.1'),
            new RoundEvent(EventKind::Consented, 'buyer.2'),
            new RoundEvent(EventKind::Adopted, 'buyer.1'),
            new RoundEvent(EventKind::Marked, 'buyer.1', ['mark' => 'a']),
        ] as $event
    ) {
        $state = $state->after($event);
    }
    $finish = new RoundEvent(EventKind::Finished, 'buyer.1');
    expect(array_column($state->missing('buyer.1'), 'key'))->toBe(['letter'])
        ->and($state->missing('buyer.2'))->toBe([])
        ->and($why(static fn () => $state->after($finish)))->toBe(SigningRefusal::PaperLeft)
        ->and($why(static fn () => $state->after($add('buyer.2', 'letter'))))->toBe(SigningRefusal::NotTheirs)
        ->and($why(static fn () => $state->after($add('buyer.1', 'else'))))->toBe(SigningRefusal::NotTheirs);
    $with = $state->after($add('buyer.1', 'letter'));
    expect($with->added)->toBe(['letter' => 'letter.pdf'])
        ->and($with->after($finish)->signers['buyer.1'])->toBe(SignerStatus::Finished)
        ->and($why(static fn () => $with->after($finish)->after($add('buyer.1', 'check'))))->toBe(SigningRefusal::Finished);
    $replaced = $with->after(new RoundEvent(EventKind::Replaced, null, ['seat' => 'buyer.1']));
    expect($replaced->added)->toBe([])->and(array_column($replaced->missing('buyer.1'), 'key'))->toBe(['letter']);
});

it('strikes words line by line and initials them, inside the page', function () {
    $signature = AdoptedSignature::typed('Sunniva Eide', 'SE', 'plain');
    $drawn = static function (Rect $place) use ($signature): string {
        $drawing = new Drawing(612, 792);
        MarkDrawing::on($drawing, MarkKind::Strike, $place, $signature, '');

        return $drawing->inner();
    };
    $one = $drawn(new Rect(100, 200, 90, 12));
    expect(substr_count($one, '<path'))->toBe(1)->and($one)->toContain('M100.00 206.00L190.00 206.00')->toContain('>SE</text>');
    expect(substr_count($drawn(new Rect(100, 200, 90, 45)), '<path'))->toBe(3);
    preg_match('/<text[^>]* y="([\d.-]+)"/', $drawn(new Rect(100, 0, 90, 12)), $m);
    expect((float) $m[1])->toBeGreaterThan(0.0)
        ->and(EventKind::Marked->told(['entered' => true, 'struck' => true]))->toBe('Struck and initialled');
});
