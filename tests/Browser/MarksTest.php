<?php

declare(strict_types=1);

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Tests\Support\BrowserCase;
use Tests\Support\Hand;
use Tests\Support\MadePdf;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

/** Pages that nobody here has seen: initials in the foot of each, signatures of two buyers and their agent on the last. */
function builderAddendum(int $before = 3): string
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
    (new NativeTool(20))->run(['qpdf', '--empty', '--pages', ...array_fill(0, $before, $one), $end, '--', $scratch->path('all.pdf')]);

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
    $this->seeText('not looked at yet', '#ask-send');
    $hand->click('Send', '#compose');
    $this->seeText('Out for signature');
    $of = "FROM marks m JOIN rounds r ON r.id = m.round_id WHERE r.title = 'Builder addendum' AND r.status = 'out'";
    expect((int) one("SELECT count(*) {$of}"))
        ->toBe(14)
        ->and((int) one("SELECT count(DISTINCT m.seat) {$of}"))
        ->toBe(3)
        ->and($hand->actions)
        ->toBeLessThanOrEqual(6);
});

it('opens a long set at once, and tells what is wrong with it as soon as the connection lets it', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Long addendum.pdf' => builderAddendum(34)]);
    $this->seeText('Long addendum', '.board', 60);
    $hand->take('[aria-label="Select Long addendum"]')->key('s');
    $this->waitFor('#compose-desk', 60);
    $tools = new ChromeDevToolsDriver($this->browser);
    $tools->execute('Network.enable', []);
    $tools->execute('Network.setBlockedURLs', ['urls' => ['*/drawn']]);
    $this->visit((string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH));
    $this->seeText('Checking what is still missing', '#faults');
    $tools->execute('Network.setBlockedURLs', ['urls' => []]);
    $this->seeText('Not looked at yet', '#faults', 60);
    expect($this->all('#faults[data-later], #faults[aria-busy]'))->toBe([]);
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
    // Its other pages may still be on their way.
    $this->eventually(fn () => ! $this->find('#reading')->isDisplayed() ?: null, 'the reading did not end', 240);
    $hand->key("\u{E007}");
    $this->eventually(fn () => str_contains($this->find('#marks-told')->getText(), 'saved') ?: null, 'the places were not kept');
    $hand->click('Send', '#compose');
    $this->seeText('not looked at yet', '#ask-send');
    $hand->click('Send', '#compose');
    $this->seeText('Out for signature');
    expect($hand->actions)->toBeLessThanOrEqual(6);
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
    expect($this->all('.spot'))->toHaveCount(1);
});

it('takes several places with Shift, aligns them, gives them to another and takes all of it back with one key each', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Sewer addendum.pdf' => builderAddendum()]);
    $this->seeText('Sewer addendum', '.board', 30);
    $hand->take('[aria-label="Select Sewer addendum"]')->key('s');
    $this->waitFor('#compose-desk');
    $this->seeText('14 places were found', '#pencil');
    [$first, $second] = $this->browser->executeScript('return [...document.querySelectorAll(".spot")].map((one) => one.dataset.mark)');
    $click = fn (string $key, bool $more) => $this->browser->executeScript(
        'const at = document.querySelector(`[data-mark="${arguments[0]}"]`); const box = at.getBoundingClientRect();'.
            'for (const name of ["pointerdown", "pointerup"]) at.dispatchEvent(new PointerEvent(name, { bubbles: true, button: 0, '.
            'pointerId: 1, shiftKey: arguments[1], clientX: box.x + 4, clientY: box.y + 4 }));',
        [$key, $more],
    );
    $this->browser->executeScript('SVGElement.prototype.setPointerCapture = () => {}');
    $click($first, false);
    $click($second, true);
    expect($this->all('.spot.chosen'))->toHaveCount(2);
    $hand->click('Same size', '#several')->key('3');
    $saved = fn () => $this->eventually(
        fn () => str_contains($this->find('#marks-told')->getText(), 'saved') ?: null,
        'the changes were not stored',
    );
    $saved();
    $of = "FROM marks m JOIN rounds r ON r.id = m.round_id WHERE r.title = 'Sewer addendum' AND m.key IN ('{$first}', '{$second}')";
    $seats = fn (): string => (string) one("SELECT string_agg(m.seat, ' ' ORDER BY m.seat) {$of}");
    $this->eventually(fn () => $seats() === 'agent.1 agent.1' ?: null, 'both were not given to the agent');
    expect((int) one("SELECT count(DISTINCT (m.width, m.height)) {$of}"))->toBe(1);
    $hand->chord("\u{E009}", 'z');
    $this->eventually(fn () => str_starts_with($seats(), 'buyer.1') ?: null, 'it was not taken back with one key');
});

it('asks a signer for a text and a check box, keeps what is typed when the page is left, and seals it', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Lender.pdf' => MadePdf::page(MadePdf::text(72, 300, 'Buyer: ______________________________', 10))]);
    $this->seeText('Lender', '.board', 30);
    $hand->take('[aria-label="Select Lender"]')->key('s');
    $this->waitFor('#compose-desk');
    $hand->key("\u{E007}")->key('t');
    $hand->point('#p0 svg', -60, -100);
    $this->waitFor('#terms:not([hidden])');
    $this->find('#terms [name=hint]')->sendKeys('Name of the lender');
    $this->find('#terms [name=required]')->click();
    $this->eventually(
        fn () => one("SELECT terms->>'required' FROM marks WHERE terms->>'hint' = 'Name of the lender'") === 'false' ?: null,
        'what is asked was not stored',
    );
    $hand->click('Send', '#compose');
    $this->seeText('Out for signature');
    $text = (string) $this->find('textarea[id^="text-"]')->getAttribute('value');
    preg_match('~(/sign/\S+)~', $text, $link);
    $this->visit($link[1]);
    $this->find('[name=agree]')->click();
    $this->find('form[action$=consent] .button')->click();
    $this->waitFor('[data-sign=adopt]');
    $this->find('form[action$=adopt] .button.solid')->click();
    $this->waitFor('#go')->click();
    $this->seeText('Name of the lender', '#entry');
    $this->seeText('Leave it empty', '.go-bar');
    $this->find('#entry-text')->sendKeys('Brackwater');
    $this->visit($link[1]);
    $this->waitFor('#go')->click();
    $this->eventually(fn () => $this->find('#entry-text')->getAttribute('value') === 'Brackwater' ?: null, 'what was typed is gone');
    $this->find('#entry-text')->sendKeys("\u{E007}");
    $this->eventually(fn () => $this->all('.mark.made') !== [] ?: null, 'the entry was not stored');
    $this->eventually(fn () => $this->find('#go')->getText() === 'Sign here' ?: null, 'it did not go on to the signature');
    $this->browser->executeScript('document.querySelector(".mark[data-kind=signature]").dispatchEvent(new MouseEvent("click"))');
    $this->eventually(fn () => $this->find('#go')->getText() === 'Finish' ?: null, 'it cannot be finished');
    // A press right after the last mark is taken for a double tap: pressed until it counts.
    $this->eventually(function (): ?true {
        $this->browser->executeScript('document.querySelector("#go")?.click()');

        return str_contains($this->find('body')->getText(), 'Everyone has signed') ?: null;
    }, 'it was not finished');
    expect(one("SELECT data->>'value' FROM round_events WHERE data->>'entered' = 'true' ORDER BY id DESC LIMIT 1"))->toBe('Brackwater');
});

it('takes a dropped file into the round at the desk, and puts it first with the keyboard', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Note of the roofer.pdf' => MadePdf::page(MadePdf::text(72, 300, 'Buyer: ______________________', 10))]);
    $this->seeText('Note of the roofer', '.board', 30);
    $hand->take('[aria-label="Select Note of the roofer"]')->key('s');
    $this->waitFor('#compose-desk');
    $this->find('#compose [name=message]')->sendKeys('The roof first, please.');
    $hand->drop('#compose-desk', ['Note of the plumber.pdf' => MadePdf::page(MadePdf::text(72, 500, 'Buyer: ______________________', 10))]);
    $this->waitFor('[data-position="1"]', 30);
    $this->eventually(fn () => count($this->all('.unlooked')) === 1 ?: null, 'a page in view does not count as looked at', 20);
    $this->browser->executeScript('document.querySelectorAll("[data-position]")[1].focus()');
    $hand->chord("\u{E00A}", "\u{E013}");
    $this->eventually(
        fn () => one(
            "SELECT string_agg(p.title, ', ' ORDER BY p.place) FROM round_papers p JOIN rounds r ON r.id = p.round_id ".
                "WHERE r.title LIKE 'Note of the roofer%'",
        ) === 'Note of the plumber, Note of the roofer' ?: null,
        'the order was not stored',
    );
    expect($this->axe())->toBe([])->and($this->find('#compose [name=message]')->getAttribute('value'))->toBe('The roof first, please.');
    // Refused, it stays; stored, the device forgets it.
    $this->find('#compose [name=copies]')->sendKeys('nobody at all');
    $hand->click('Save draft', '#compose');
    $this->seeText('is not an email address');
    expect($this->find('#compose [name=message]')->getAttribute('value'))->toBe('The roof first, please.');
    $this->find('#compose [name=copies]')->clear();
    $hand->click('Save draft', '#compose');
    $this->seeText('Saved.');
    expect($this->browser->executeScript('return Object.keys(localStorage).filter((key) => key.startsWith("unanimus:words:"))'))->toBe([]);
});

it('keeps what was placed as a stencil, and takes it over on the next such paper with one key', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $paper = static fn (string $more) => MadePdf::page(
        MadePdf::text(72, 700, 'Agreement of the neighbours about the fence between their gardens', 14).
            MadePdf::text(72, 660, 'The fence stands where it stood in spring, and is painted green on the one side and white', 10).
            MadePdf::text(72, 640, "on the other. Whoever breaks a board of it mends it within two weeks. {$more}", 10).
            MadePdf::text(72, 600, 'Their hands:', 10),
    );
    $hand = new Hand($this);
    $hand->drop('.board', ['Fence of the north.pdf' => $paper('')]);
    $this->seeText('Fence of the north', '.board', 30);
    $hand->take('[aria-label="Select Fence of the north"]')->key('s');
    $this->waitFor('#compose-desk');
    $hand->point('#p0 svg', -60, -60)->key('2')->key("\u{E00C}")->point('#p0 svg', -60, 0);
    $this->eventually(fn () => count($this->all('.spot')) === 2 ?: null, 'two places were not put');
    $this->eventually(fn () => str_contains($this->find('#marks-told')->getText(), 'saved') ?: null, 'the places were not kept');
    $this->find('.keep-stencil summary')->click();
    $hand->click('Keep places', '.keep-stencil');
    $this->seeText('Kept as the stencil');
    $this->openFile('tomas', 'Lanternfish');
    $hand->drop('.board', ['Fence of the south.pdf' => $paper('Gates are closed at night.')]);
    $this->seeText('Fence of the south', '.board', 30);
    $hand->take('[aria-label="Select Fence of the south"]')->key('s');
    $this->waitFor('#compose-desk');
    $this->seeText('2 places were found', '#pencil');
    $before = $hand->actions;
    $hand->key("\u{E007}");
    $this->eventually(fn () => $this->all('.pencil') === [] ?: null, 'the places stand in pencil still');
    expect($hand->actions - $before)->toBeLessThanOrEqual(3);
    $this->seeText('By “Fence of the north”', '.thumbs');
});

it('moves people between turns with the keyboard, and stores what is entered about a round as it is left', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'Lanternfish');
    $this->waitFor('.board');
    $hand = new Hand($this);
    $hand->drop('.board', ['Note of the glazier.pdf' => MadePdf::page(
        MadePdf::text(72, 560, 'The mason mends the wall along the lane before the first of May', 10).
            MadePdf::text(72, 300, 'Buyer: ______________________', 10).
            MadePdf::text(72, 260, 'Buyer: ______________________', 10),
    )]);
    $this->waitFor('[aria-label="Select Note of the glazier"]', 30);
    $hand->take('[aria-label="Select Note of the glazier"]')->key('s');
    $this->waitFor('#compose-desk');
    $turns = static fn () => one(
        "SELECT string_agg(s.seat || ' ' || s.turn, ', ' ORDER BY s.seat) FROM signers s JOIN rounds r ON r.id = s.round_id ".
            "WHERE r.title LIKE 'Note of the glazier%'",
    );
    $this->eventually(fn () => $turns() === 'buyer.1 1, buyer.2 1' ?: null, 'the buyers are not asked together');
    $this->browser->executeScript('document.querySelectorAll("#signers .signer-row")[1].focus()');
    $hand->chord("\u{E00A}", "\u{E015}");
    $this->eventually(fn () => $turns() === 'buyer.1 1, buyer.2 2' ?: null, 'the second buyer did not move');
    // The list comes anew, and whoever was moved still has the focus.
    $this->seeText('saved', '#marks-told');
    expect($this->browser->executeScript('return document.activeElement.dataset.signer !== undefined'))->toBeTrue();
    $hand->chord("\u{E00A}", "\u{E013}");
    $this->eventually(fn () => $turns() === 'buyer.1 1, buyer.2 1' ?: null, 'the second buyer did not move back');
    $this->find('#compose [name=subject]')->sendKeys('The glazier first');
    $this->find('#compose [name=copies]')->sendKeys('nobody at all');
    $this->find('#compose [name=subject]')->click();
    $this->seeText('is not an email address');
    $this->find('#compose [name=copies]')->clear();
    $this->find('#compose [name=subject]')->click();
    $this->eventually(
        fn () => one("SELECT subject FROM rounds WHERE title LIKE 'Note of the glazier%'") === 'The glazier first' ?: null,
        'the subject was not stored',
    );
    // Two fields at once, of which one is refused: the other is stored all the same.
    $this->browser->executeScript(
        'const form = document.querySelector("#compose");
            for (const [name, value] of [["subject", "The glazier second"], ["copies", "nobody at all"]]) {
                form.elements[name].value = value;
                form.elements[name].dispatchEvent(new Event("change", { bubbles: true }));
            }',
    );
    $this->seeText('is not an email address');
    $this->eventually(
        fn () => one("SELECT subject FROM rounds WHERE title LIKE 'Note of the glazier%'") === 'The glazier second' ?: null,
        'what was not refused was not stored',
    );
    $this->find('#compose [name=copies]')->clear();
    $this->find('#compose [name=subject]')->click();
    // What is stored the device forgets: it does not come back over what somebody else enters later.
    $this->find('#compose [name=message]')->sendKeys('By Friday, please.');
    $this->find('#compose [name=subject]')->click();
    $this->eventually(
        fn () => one("SELECT message FROM rounds WHERE title LIKE 'Note of the glazier%'") === 'By Friday, please.' ?: null,
        'the message was not stored',
    );
    $this->eventually(
        fn () => $this->browser->executeScript(
            'return !Object.entries(localStorage).some(([key, value]) => key.startsWith("unanimus:") && value.includes("By Friday"))',
        ) ?: null,
        'the message is still kept on the device',
    );
    expect($this->axe())->toBe([]);
});
