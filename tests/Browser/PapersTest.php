<?php

declare(strict_types=1);

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;
use Tests\Support\BrowserCase;
use Tests\Support\MadePdf;
use Unanimus\Pages\Scratch;

it('takes a paper over to the next revision of its form, made on the pages of another PDF, and retires the form', function () {
    /** @var BrowserCase $this */
    $scratch = new Scratch();
    $file = $this->openFile('wendell', '14 Lanternfish Lane');
    $this->find('body')->sendKeys('a');
    $this->find('#finder')->sendKeys('QR-12'.WebDriverKeys::ENTER);
    $this->seeText('in the file', '#form-QR-12');
    $this->visit($file)->press('Office intake sheet');
    $paper = $this->browser->getCurrentURL();
    $this->enter('[data-blank=city]', 'Saltreach');
    $this->eventually(fn () => str_starts_with($this->find('#stored')->getText(), 'saved at ') ?: null, 'the entry is not stored');

    $this->signIn('ines')->visit('/own-forms')->press('Office intake sheet');
    $this->press('Next revision');
    $this->find('details[open] input[name=pdf]')->sendKeys(
        $scratch->put(
            'Intake 2027.pdf',
            MadePdf::page(MadePdf::text(60, 718, 'Office intake sheet, as of 2027', 17).MadePdf::text(60, 420, 'Second telephone')),
        ),
    );
    $this->press('Start next revision');
    $this->seeText('This is the draft of the next revision of QR-12');
    $this->waitFor('.item-group');
    $revision = $this->find('#about [name=revision]')->getAttribute('value');
    expect($revision)->not->toBe('2026-10')->and(count($this->all('.item-group')))->toBeGreaterThan(10);
    $this->press('Activate form');
    $this->seeText("rev. {$revision}, is active");

    $this->signIn('wendell')
        ->visit($paper)
        ->seeText("Rev. {$revision} of this form is current. This paper uses rev. 2026-10");
    $this->press('See what carries over');
    $this->seeText('Saltreach', '.columns-2')->seeText('Every entry carries over');
    expect($this->axe())->toBe([]);
    $this->press("Switch to rev. {$revision}");
    $this->seeText("rev. {$revision}", '.desk-bar');
    expect($this->find('[data-blank=city]')->getAttribute('value'))
        ->toBe('Saltreach')
        ->and($this->find('body')->getText())
        ->not->toContain('This paper uses rev. 2026-10');

    $this->signIn('ines')->visit('/own-forms')->press('Retire');
    $this->seeText('QR-12 is retired');
    $this->signIn('wendell')->visit($file);
    $this->find('body')->sendKeys('a');
    $this->find('#finder')->sendKeys('intake sheet');
    $this->eventually(
        fn () => str_contains($this->find('#found')->getText(), 'Office intake sheet') ? null : true,
        'a retired form is offered',
    );
    $this->visit($paper)->seeText('This form is retired. This paper stays as it is');
    expect($this->find('[data-blank=city]')->getAttribute('value'))->toBe('Saltreach');
    $this->signIn('ines')->visit('/own-forms')->press('Activate again');
    $this->seeText('QR-12 is active again');
});

it('fills a form on trial out of a file, and prints it', function () {
    /** @var BrowserCase $this */
    $this->signIn('ines')->visit('/own-forms')->press('Office intake sheet');
    $this->press('Try it out');
    (new WebDriverSelect($this->find('select[name=file]')))->selectByVisibleText('14 Lanternfish Lane, Tidewick');
    $this->press('Fill blanks');
    $this->eventually(
        fn () => str_contains($this->find('input[name="v[buyer_names]"]')->getAttribute('value'), 'Sunniva Eide') ?: null,
        'the buyers of the file are not on the form',
    );
    $field = $this->find('input[name="v[city]"]');
    $field->clear();
    $field->sendKeys('Quoin Harbor');
    // The print opens where it was asked for; what it holds is asked for a second time, as the browser sends it.
    $print = fn () => $this->browser->executeAsyncScript(
        'const done = arguments[0], form = document.querySelector("#trial"); fetch(form.action, {method: "POST", body: new '.
            'FormData(form)}).then(async (answer) => { const bytes = new Uint8Array(await answer.arrayBuffer()); '.
            'done([answer.headers.get("Content-Type"), btoa(bytes.reduce((text, byte) => text + String.fromCharCode(byte), ""))]); })',
    );
    [$type, $bytes] = $print();
    $scratch = new Scratch();
    exec('pdftotext '.escapeshellarg($scratch->put('trial.pdf', (string) base64_decode($bytes, true))).' -', $text);
    expect($type)->toBe('application/pdf')->and(implode(' ', $text))->toContain('Quoin Harbor')->toContain('Sunniva Eide');
    $this->press('Print');
    $this->eventually(
        fn () => $this->browser->executeScript('return document.contentType') === 'application/pdf' ? true : null,
        'the print does not open',
    );
});

it('keeps what is written on a page while there is no connection, and sends it when there is one', function () {
    /** @var BrowserCase $this */
    $scratch = new Scratch();
    $this->openFile('tomas', '14 Lanternfish Lane');
    $this->find('input[type=file][name="papers[]"]')->sendKeys(
        $scratch->put('Well report.pdf', MadePdf::page(MadePdf::text(72, 700, 'The well was tested in May', 14))),
    );
    $this->seeText('Well report', '.board', 20);
    $this->browser->findElement(WebDriverBy::linkText('Well report'))->click();
    $this->waitFor('#write')->click();
    $connected = fn (bool $on) => $this->offline(! $on);
    $type = function (string $keys): void {
        foreach (mb_str_split($keys) as $key) {
            (new WebDriverActions($this->browser))->sendKeys(null, $key)->perform();
        }
    };
    $connected(false);
    $this->browser->executeScript('document.querySelector(\'svg[data-layer="1"]\').focus()');
    $type(WebDriverKeys::ARROW_DOWN.'t');
    $this->eventually(fn () => $this->browser->switchTo()->activeElement()->getTagName() === 'input' ? true : null, 'no field to write in');
    $type('passed, see page 2'.WebDriverKeys::ENTER);
    $this->eventually(fn () => count($this->all('.waits')) === 1 ? true : null, 'the words do not stand on the page');
    $this->seeText('not saved yet: no connection', '#layer-told');
    // The page is left and come back to as the connection returns; what was under way meanwhile shows with the next look.
    $connected(true);
    $this->eventually(
        function (): ?bool {
            $this->browser->navigate()->refresh();
            $this->waitFor('#write');
            usleep(600_000);

            return str_contains($this->find('#layer-told')->getText(), 'waits') ||
                ! str_contains($this->find('.layer')->getText(), 'passed, see page 2')
                ? null
                : true;
        },
        'what waited was not sent',
        30,
    );
    $this->browser->navigate()->refresh();
    $this->waitFor('.piece');
    expect(count($this->all('.piece')))->toBe(1)->and($this->all('.waits'))->toBe([]);
});

it('tells how far a large set has come while it is put together', function () {
    /** @var BrowserCase $this */
    $scratch = new Scratch();
    $page = $scratch->put('page.pdf', MadePdf::page(MadePdf::text(72, 700, 'One of many pages')));
    exec(
        'qpdf --empty --pages '.str_repeat(escapeshellarg($page).' ', 64).'-- '.escapeshellarg($scratch->path('Survey record.pdf')),
        $said,
        $code,
    );
    expect($code)->toBe(0);
    $this->openFile('tomas', '14 Lanternfish Lane');
    $this->find('input[type=file][name="papers[]"]')->sendKeys($scratch->path('Survey record.pdf'));
    $this->seeText('Survey record', '.board', 30);
    $this->find('#all-papers')->click();
    $this->press('Combine', '.board-head');
    $this->waitFor('#sequence li');
    $this->press('Combine', '#assemble .with-taken');
    $told = [];
    $this->eventually(
        function () use (&$told): ?bool {
            $told[] = $now = $this->find('#standing')->getText();

            return str_contains($now, 'Ready: ') ?: null;
        },
        'the set is not ready',
        60,
    );
    preg_match('/Ready: (\d+) pages/', (string) end($told), $found);
    expect((int) ($found[1] ?? 0))->toBeGreaterThan(64)->and(count(array_unique($told)))->toBeGreaterThan(1);
});

it('shows a paper of one side to the other when that side says so, and keeps one to the office', function () {
    /** @var BrowserCase $this */
    $file = $this->openFile('caleb', '77 Millrace Court');
    $scratch = new Scratch();
    $this->find('input[type=file][name="papers[]"]')->sendKeys(
        $scratch->put('Buyer budget.pdf', MadePdf::page(MadePdf::text(72, 700, 'What the buyer can pay'))),
    );
    $this->seeText('Buyer budget', '.board', 20);
    $this->browser->findElement(WebDriverBy::linkText('Buyer budget'))->click();
    $paper = $this->waitFor('.desk-bar') ? $this->browser->getCurrentURL() : '';
    $board = fn (string $who) => $this->signIn($who)->visit($file)->find('.board')->getText();
    expect($board('priya'))->not->toContain('Buyer budget');
    $this->visit($paper)->seeText('not');
    expect($this->find('body')->getText())->not->toContain('Buyer budget');

    $seenBy = function (string $who, string $side, bool $office) use ($paper): void {
        $this->signIn($who)->visit($paper)->press('More');
        (new WebDriverSelect($this->waitFor('details[open] select[name=side]')))->selectByValue($side);
        $box = $this->all('details[open] input[name=staff]')[0] ?? null;
        $box !== null && $box->isSelected() !== $office && $box->click();
        $this->press('Save visibility');
    };
    $seenBy('caleb', '', false);
    $this->seeText('Now visible to everyone on the file');
    expect($board('priya'))->toContain('Buyer budget');

    $seenBy('wendell', '', true);
    $this->seeText('office only');
    expect($board('priya'))
        ->not->toContain('Buyer budget')
        ->and($board('caleb'))
        ->not->toContain('Buyer budget')
        ->and($board('wendell'))
        ->toContain('Buyer budget');
});
