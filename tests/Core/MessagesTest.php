<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Messages\LetterAudience;
use Unanimus\Messages\LetterEvent;
use Unanimus\Messages\MergeFields;
use Unanimus\Messages\MessagePlan;
use Unanimus\Messages\MessageRefusal;
use Unanimus\Messages\Recipient;
use Unanimus\Messages\Threading;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Facts;

/** Why a message does not go out; null: it does. */
function whyNot(callable $send): ?string
{
    try {
        $send();
    } catch (StepRefused $refused) {
        return $refused->reason->value;
    }

    return null;
}

it('fills fields in, tells those without a value, and never lets a code go out', function () {
    $facts = Facts::from(['price' => '412500', 'closing' => '2026-12-10', 'listing_commission' => '2.75',
        'property.address' => '77 Millrace Court']);
    $filled = MergeFields::fill('{to.first}: {price} for {property.address} on {closing}, {listing_commission}.', $facts,
        ['to.first' => 'Ana']);
    expect($filled->words())->toBe('Ana: $412,500 for 77 Millrace Court on December 10, 2026, 2.75%.')
        ->and($filled->empty())->toBe([])
        ->and($filled->unknown())->toBe([]);
    $open = MergeFields::fill('{possession} and {possession}, {nonsense} {lender}', $facts, []);
    expect($open->empty())->toHaveCount(2)->and($open->unknown())->toBe(['{nonsense}'])
        ->and(whyNot(fn () => $open->words()))->toBe(MessageRefusal::UnknownField->value)
        ->and(whyNot(fn () => MergeFields::fill('{lender}', $facts, [])->words()))->toBe(MessageRefusal::EmptyField->value);
    expect(MergeFields::fill('no fields { here', $facts, [])->words())->toBe('no fields { here')
        ->and(MergeFields::fill('', $facts, [])->pieces)->toBe([])
        ->and(MergeFields::unknown('{price} {x} {y} {x}'))->toBe(['{x}', '{y}']);
    // A value that looks like a field stays as it is.
    expect(MergeFields::fill('{to.name}', $facts, ['to.name' => '{price}'])->words())->toBe('{price}');
});

it('words one letter for all or one for each, to each person once', function () {
    $ana = new Recipient('Ana Lund', 'ana@example.com', 'buyer.1');
    $ben = new Recipient('Ben Ode', 'ben@example.com', 'buyer.2');
    $plan = static fn (array $to, bool $apart, bool $link = false, string $subject = 'For {to.first}',
        string $body = 'Hello {to.name}') => MessagePlan::of(
            $to,
            $apart,
            $subject,
            $body,
            Facts::from([]),
            ['sender.name' => 'T'],
            $link,
        );
    $one = $plan([$ana, $ben, $ana], false)->letters;
    expect($one)->toHaveCount(1)
        ->and($one[0]->subject)->toBe('For Ana and Ben')
        ->and($one[0]->body)->toBe('Hello Ana Lund and Ben Ode')
        ->and($one[0]->to)->toHaveCount(2);
    $each = $plan([$ana, $ben], true, true)->letters;
    expect($each)->toHaveCount(2)->and($each[1]->subject)->toBe('For Ben')->and($each[1]->to)->toBe([$ben]);
    expect(whyNot(fn () => $plan([], true)))->toBe(MessageRefusal::NobodyChosen->value)
        ->and(whyNot(fn () => $plan([new Recipient('X', '')], true)))->toBe(MessageRefusal::NoAddress->value)
        ->and(whyNot(fn () => $plan([new Recipient('X', 'x@y@z')], true)))->toBe(MessageRefusal::NoAddress->value)
        ->and(whyNot(fn () => $plan([$ana], true, false, ' ')))->toBe(MessageRefusal::NoSubject->value)
        ->and(whyNot(fn () => $plan([$ana], true, false, 'S', " \n")))->toBe(MessageRefusal::NoWords->value)
        ->and(whyNot(fn () => $plan([$ana, $ben], false, true)))->toBe(MessageRefusal::OneEach->value)
        ->and(whyNot(fn () => $plan([$ana], false, true)))->toBeNull();
    // A subject is one line, whatever stands in its fields.
    expect($plan([new Recipient("Ana\r\nBcc: x@y.z", 'a@b.cd')], true, false, 'For {to.name}')->letters[0]->subject)
        ->toBe('For Ana Bcc: x@y.z');
});

it('gives a message to the side that its writer serves, or all of whose people it goes to', function () {
    $buyer = new Recipient('A', 'a@b.cd', 'buyer.1');
    $seller = new Recipient('B', 'b@b.cd', 'seller.1');
    $other = new Recipient('C', 'c@b.cd');
    $side = static fn (?Side $own, array $to, DealKind $kind = DealKind::Sale) => MessagePlan::side($kind, $own, $to);
    expect($side(Side::Seller, [$buyer]))->toBe(Side::Seller)
        ->and($side(null, [$buyer]))->toBe(Side::Buyer)
        ->and($side(null, [$buyer, $seller]))->toBeNull()
        ->and($side(null, [$buyer, $other]))->toBeNull()
        ->and($side(null, [new Recipient('E', 'e@b.cd', 'escrow.1')]))->toBeNull()
        ->and($side(null, []))->toBeNull();
});

it('reads addresses as people type them', function () {
    $read = Recipient::typed("Ana Lund <ana@example.com>, ben@example.com;\n \"Cy, Jr\" ");
    expect($read[0]->toArray())->toBe(['name' => 'Ana Lund', 'address' => 'ana@example.com', 'seat' => null])
        ->and($read[1]->name)->toBe('ben@example.com')
        ->and($read[1]->firstName())->toBe('ben@example.com')
        ->and($read[2]->hasAddress())->toBeFalse()
        ->and(Recipient::typed('  '))->toBe([])
        ->and(Recipient::fromArray($read[0]->toArray()))->toEqual($read[0])
        ->and($read[0]->firstName())->toBe('Ana');
});

it('threads answers as mail programs do', function () {
    expect(Threading::subject('Inspection'))->toBe('Re: Inspection')
        ->and(Threading::subject('RE: Re: AW: Fwd: Inspection'))->toBe('Re: Inspection')
        ->and(Threading::subject('re[2]: Inspection'))->toBe('Re: Inspection')
        ->and(Threading::subject(' Re: '))->toBe('Re: your message')
        ->and(Threading::subject('Return of the deposit'))->toBe('Re: Return of the deposit');
    expect(Threading::named('<b@x>', '<a@x> <b@x>'))->toBe(['b@x', 'a@x'])
        ->and(Threading::named('', "<a@x>\r\n\t<c@x>"))->toBe(['c@x', 'a@x'])
        ->and(Threading::named('nothing', ''))->toBe([]);
    $many = array_map(static fn (int $n) => "{$n}@x", range(1, 40));
    $named = Threading::references($many, 'last@x');
    expect($named)->toHaveCount(20)->and($named[0])->toBe('1@x')->and(end($named))->toBe('last@x');
    expect(Threading::references(['', 'a@x'], 'a@x'))->toBe(['a@x']);
});

it('sets a time that lies ahead, and not too far', function () {
    $now = new DateTimeImmutable('2026-11-28 12:00:00');
    $at = static fn (string $when) => whyNot(fn () => MessagePlan::mustBeAhead(new DateTimeImmutable($when), $now));
    expect($at('2026-11-28 12:00:01'))->toBeNull()
        ->and($at('2026-11-28 12:00:00'))->toBe(MessageRefusal::TimePassed->value)
        ->and($at('2027-02-26 11:59:59'))->toBeNull()
        ->and($at('2027-02-26 12:00:00'))->toBe(MessageRefusal::TimePassed->value);
});

it('knows what makes a letter go out by itself, and to whom', function () {
    expect(LetterEvent::Status->happened('Under contract', [], 'Under contract'))->toBe('The status changed to under contract')
        ->and(LetterEvent::Status->happened('Closed', [], 'Under contract'))->toBeNull()
        ->and(LetterEvent::Accepted->happened('Accepted', ['requirement' => 'Lead paint disclosure'], 'lead'))->toContain('Lead paint')
        ->and(LetterEvent::Accepted->happened('Accepted', ['requirement' => 'Survey'], 'lead'))->toBeNull()
        ->and(LetterEvent::Accepted->happened('Accepted', ['requirement' => 'Survey'], ''))->toContain('Survey')
        ->and(LetterEvent::RoundComplete->happened('Sealed set filed', ['round' => 'Offer'], ''))->toContain('Offer')
        ->and(LetterEvent::Coming->happened('Closed', [], 'closing'))->toBeNull()
        ->and(LetterEvent::Coming->when('closing', 1))->toBe('1 day before closing')
        ->and(LetterEvent::Coming->when('closing', 0))->toBe('the day of closing')
        ->and(LetterEvent::near('closing', LocalDate::of('2026-12-10')))->toBe('Closing is on December 10, 2026');
    expect(LetterAudience::OurClients->includes('buyer', ['buyer']))->toBeTrue()
        ->and(LetterAudience::OurClients->includes('seller', ['buyer']))->toBeFalse()
        ->and(LetterAudience::Escrow->includes('escrow', []))->toBeTrue()
        ->and(LetterAudience::Buyers->includes('seller', ['seller']))->toBeFalse();
});

it('leaves more room on a client’s line where more days are between', function (string $to, int $room) {
    expect(Unanimus\Messages\ClientView::room(Unanimus\Dates\LocalDate::of('2026-11-01'), Unanimus\Dates\LocalDate::of($to)))->toBe($room);
})->with([
    ['2026-11-01', 0], ['2026-11-04', 0], ['2026-11-05', 1], ['2026-11-11', 1], ['2026-11-12', 2], ['2026-11-22', 2], ['2026-11-23', 3],
]);

it('shows a letter in a list as far as it is known, and knows the fields about its reader', function () {
    $facts = Unanimus\Terms\Facts::from(['price' => '412500']);
    $filled = Unanimus\Messages\MergeFields::fill('Dear {to.first}: {price} by {closing}, {nonsense}', $facts, ['to.first' => 'José']);
    expect($filled->shown())->toBe('Dear José: $412,500 by …, …')
        ->and(Unanimus\Messages\MergeFields::ofRecipient())->toBe(['Recipient’s first name', 'Recipient’s name']);
});
