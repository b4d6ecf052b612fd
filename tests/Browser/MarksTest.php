<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;
use Tests\Support\Hand;
use Tests\Support\MadePdf;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

/** Four pages that nobody here has seen: initials in the foot of each, signatures of two buyers and their agent on the last. */
function builderAddendum(): string
{
    $scratch = new Scratch();
    $foot = MadePdf::text(72, 40, 'Buyer’s initials: ______ ______', 10);
    $last =
        MadePdf::text(72, 300, 'Buyer: ______________________________  Date: ______________', 10).
        MadePdf::text(72, 270, 'Buyer: ______________________________  Date: ______________', 10).
        MadePdf::text(72, 240, 'Licensee: ______________________________  Date: ______________', 10);
    $text = MadePdf::text(72, 700, 'The parties agree to what was written on the pages before this one.', 10);
    $one = $scratch->put('one.pdf', MadePdf::page($text.$foot));
    $end = $scratch->put('end.pdf', MadePdf::page($text.$last.$foot));
    (new NativeTool(20))->run(['qpdf', '--empty', '--pages', $one, $one, $one, $end, '--', $scratch->path('all.pdf')]);

    return (string) file_get_contents($scratch->path('all.pdf'));
}

it('sends an outside paper of four pages, with two buyers and their agent, in at most 12 actions', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Builder addendum.pdf' => builderAddendum()]);
    $this->seeText('Builder addendum', '.board', 30);
    $hand->take('[aria-label="Select Builder addendum"]')->key('s');
    $this->waitFor('#compose-desk');
    $this->seeText('14 places were found', '#pencil');
    $hand->key("\u{E007}");
    $this->eventually(fn () => str_contains($this->find('#marks-told')->getText(), 'saved') ?: null, 'the places were not kept');
    expect($this->all('.pencil'))->toBe([]);
    $hand->click('Send', '#compose');
    $this->seeText('Out for signature');
    $of = "FROM marks m JOIN rounds r ON r.id = m.round_id WHERE r.title = 'Builder addendum' AND r.status = 'out'";
    expect((int) one("SELECT count(*) {$of}"))
        ->toBe(14)
        ->and((int) one("SELECT count(DISTINCT m.seat) {$of}"))
        ->toBe(3)
        ->and($hand->actions)
        ->toBeLessThanOrEqual(5);
});

it('reads a scan that was dropped on the board, says so, and fills the page in as it comes', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Scanned addendum.pdf' => MadePdf::scan(builderAddendum(), new Scratch())]);
    $this->seeText('Scanned addendum', '.board', 30);
    $hand->take('[aria-label="Select Scanned addendum"]')->key('s');
    $this->waitFor('#compose-desk');
    $this->eventually(
        fn () => preg_match('/^(\d+) places were found/', $this->find('#pencil')->getText(), $m) === 1 && (int) $m[1] >= 12 ?: null,
        'the scan was not read',
        240,
    );
    expect($this->find('#reading')->isDisplayed())->toBeFalse();
    $hand->key("\u{E007}");
    $this->eventually(fn () => str_contains($this->find('#marks-told')->getText(), 'saved') ?: null, 'the places were not kept');
    $hand->click('Send', '#compose');
    $this->seeText('Out for signature');
    expect($hand->actions)->toBeLessThanOrEqual(5);
});

it('places a mark by pointing, changes it with keys, takes it back, and keeps all that when the page is left', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Letter of the builder.pdf' => MadePdf::page(MadePdf::text(72, 700, 'Dear both, all is as we said.', 10))]);
    $this->seeText('Letter of the builder', '.board', 30);
    $hand->take('[aria-label="Select Letter of the builder"]')->key('s');
    $this->waitFor('#compose-desk');
    $this->seeText('No one signs', '#faults');
    expect($this->axe())->toBe([]);
    $hand->key('2')->point('#p0 svg', -60, 0);
    $this->waitFor('.spot');
    $this->seeText('Before you can send', 'body');
    $this->eventually(fn () => str_contains($this->find('#signers')->getText(), 'José') ?: null, 'the second buyer was not asked');
    $mark = fn (): string => (string) one(
        "SELECT m.kind || ' ' || m.seat FROM marks m JOIN rounds r ON r.id = m.round_id WHERE r.title = 'Letter of the builder'",
    );
    $this->eventually(fn () => $mark() === 'signature buyer.2' ?: null, 'the place was not stored');
    $hand->key('i')->key('1');
    $this->eventually(fn () => $mark() === 'initials buyer.1' ?: null, 'the place was not changed');
    $hand->chord("\u{E009}", 'z');
    $this->eventually(fn () => $mark() === 'initials buyer.2' ?: null, 'the last change was not taken back');
    $hand->chord("\u{E009}", 'y');
    $this->eventually(fn () => $mark() === 'initials buyer.1' ?: null, 'it was not done again');
    $this->browser->navigate()->refresh();
    $this->waitFor('.spot');
    // What was done before can be taken back after coming back, step by step, and done again.
    $hand->chord("\u{E009}", 'z')->chord("\u{E009}", 'z');
    $this->eventually(fn () => $mark() === 'signature buyer.2' ?: null, 'nothing is known of the steps before');
    $hand->chord("\u{E009}", 'z');
    $this->eventually(fn () => $mark() === '' ?: null, 'the first step was not taken back');
    $hand->chord("\u{E009}", 'y');
    $this->eventually(fn () => $mark() === 'signature buyer.2' ?: null, 'the first step was not done again');
    $this->browser->executeScript('document.querySelector(".spot").focus()');
    $hand->key("\u{E017}");
    $this->eventually(fn () => $this->all('.spot') === [] ?: null, 'the place was not taken away');
    $this->eventually(fn () => $mark() === '' ?: null, 'it is still stored');
});

it('holds places that could not be stored on the device, and stores them when the line is back', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Note of the mason.pdf' => MadePdf::page(MadePdf::text(72, 700, 'The wall is sound.', 10))]);
    $this->seeText('Note of the mason', '.board', 30);
    $hand->take('[aria-label="Select Note of the mason"]')->key('s');
    $this->waitFor('#compose-desk');
    $this->offline(true);
    $hand->point('#p0 svg', -60, 0);
    $this->seeText('1 entry not saved');
    $this->offline(false);
    $this->eventually(
        fn () => (int) one(
            "SELECT count(*) FROM marks m JOIN rounds r ON r.id = m.round_id WHERE r.title = 'Note of the mason'",
        ) === 1 ?: null,
        'the place was not stored',
        30,
    );
});
