<?php

declare(strict_types=1);

use Unanimus\Notices\NoticeChoice;
use Unanimus\Notices\NoticeKind;
use Unanimus\Notices\NoticeRefusal;
use Unanimus\Notices\NoticeSettings;

/** A moment of Wednesday, December 2, 2026 in Tidewick. */
function wednesday(string $time): DateTimeImmutable
{
    return new DateTimeImmutable("2026-12-02 {$time}", new DateTimeZone('America/New_York'));
}

it('keeps emails back while it is quiet, also over midnight, and sends them when it ends', function () {
    $night = NoticeSettings::of([])->with([], '8', ['3'], '21', '7');
    expect($night->mailsAt(wednesday('20:59'))->format('D G:i'))->toBe('Wed 20:59')
        ->and($night->mailsAt(wednesday('21:00'))->format('D G:i'))->toBe('Thu 7:00')
        ->and($night->mailsAt(wednesday('23:30'))->format('D G:i'))->toBe('Thu 7:00')
        ->and($night->mailsAt(wednesday('2:10'))->format('D G:i'))->toBe('Wed 7:00')
        ->and($night->mailsAt(wednesday('6:59'))->format('D G:i'))->toBe('Wed 7:00')
        ->and($night->mailsAt(wednesday('7:00'))->format('D G:i'))->toBe('Wed 7:00');
    $noon = NoticeSettings::of([])->with([], '8', ['3'], '12', '14');
    expect($noon->mailsAt(wednesday('12:30'))->format('D G:i'))->toBe('Wed 14:00')
        ->and($noon->mailsAt(wednesday('14:00'))->format('D G:i'))->toBe('Wed 14:00')
        ->and(NoticeSettings::of([])->mailsAt(wednesday('3:00')))->toEqual(wednesday('3:00'))
        ->and(NoticeSettings::of(['quiet from' => 5, 'quiet until' => 5])->quietFrom)->toBeNull();
});

it('sends a digest once on each of its days, from its hour on', function () {
    $settings = NoticeSettings::of([])->with([], '9', ['3', '5'], '', '');
    expect($settings->digestIsDue(wednesday('8:59'), null))->toBeFalse()
        ->and($settings->digestIsDue(wednesday('9:00'), null))->toBeTrue()
        ->and($settings->digestIsDue(wednesday('15:00'), wednesday('9:00')))->toBeFalse()
        ->and($settings->digestIsDue(wednesday('15:00'), wednesday('8:00')))->toBeTrue()
        ->and($settings->digestIsDue(wednesday('15:00')->modify('+1 day'), null))->toBeFalse()
        ->and($settings->digestIsDue(wednesday('15:00')->modify('+2 days'), wednesday('9:00')))->toBeTrue();
});

it('tells each thing as it was chosen, and of a muted file only what is stuck', function () {
    $settings = NoticeSettings::of([])->with(['signed' => 'at_once', 'question' => 'off', 'complete' => 'nonsense'], '8', ['1'], '', '');
    expect($settings->choice(NoticeKind::Signed, null))->toBe(NoticeChoice::AtOnce)
        ->and($settings->choice(NoticeKind::Question, 'K'))->toBe(NoticeChoice::Off)
        ->and($settings->choice(NoticeKind::Complete, null))->toBe(NoticeKind::Complete->usual());
    $muted = $settings->muting('K', true)->muting('K', true);
    expect($muted->muted)->toBe(['K'])
        ->and($muted->choice(NoticeKind::Signed, 'K'))->toBe(NoticeChoice::InApp)
        ->and($muted->choice(NoticeKind::Signed, 'L'))->toBe(NoticeChoice::AtOnce)
        ->and($muted->choice(NoticeKind::Stuck, 'K'))->toBe(NoticeChoice::AtOnce)
        ->and($muted->choice(NoticeKind::Question, 'K'))->toBe(NoticeChoice::Off)
        ->and(NoticeSettings::of($muted->toArray())->toArray())->toBe($muted->toArray())
        ->and($muted->muting('K', false)->muted)->toBe([]);
});

it('refuses quiet time with one end, and a digest on no day', function () {
    expect(fn () => NoticeSettings::of([])->with([], '8', ['1'], '21', ''))->toBeRefused(NoticeRefusal::OneEnd)
        ->and(fn () => NoticeSettings::of([])->with(['signed' => 'digest'], '8', [], '', ''))->toBeRefused(NoticeRefusal::NoDay)
        ->and(NoticeSettings::of([])->with(['authorized' => 'off'], '8', [], '', '')->days)->toBe([]);
});

it('reads what is stored and cannot be as usual', function () {
    $settings = NoticeSettings::of(['hour' => 99, 'days' => 'x', 'choices' => ['signed' => 5], 'muted' => [1, 'K'], 'quiet from' => -1]);
    expect($settings->hour)->toBe(8)->and($settings->days)->toBe([1, 2, 3, 4, 5])->and($settings->muted)->toBe(['K'])
        ->and($settings->choices['signed'])->toBe(NoticeChoice::InApp)->and($settings->quietFrom)->toBeNull();
});

it('knows what emails and entries are about, and tells what is stuck first', function () {
    expect(NoticeKind::ofLetter('question'))->toBe(NoticeKind::Question)
        ->and(NoticeKind::ofLetter('invitation'))->toBeNull()
        ->and(NoticeKind::ofEntry('Finished signing'))->toBe(NoticeKind::Signed)
        ->and(NoticeKind::ofEntry('Term changed'))->toBeNull()
        ->and(NoticeKind::Stuck->urgency())->toBe(0)
        ->and(NoticeKind::SentBack->urgency())->toBeLessThan(NoticeKind::Accepted->urgency());
    foreach (NoticeKind::cases() as $kind) {
        expect($kind->label())->not->toBe('');
    }
});
