<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;
use Tests\Support\PostRoom;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

/** A PDF from outside, on the disk, for a file field. */
function outsidePaper(Scratch $scratch, string $name): string
{
    is_dir($scratch->path('cache')) || mkdir($scratch->path('cache'));

    return $scratch->put(
        "{$name}.pdf",
        (new Press($scratch->path('cache'), $scratch->path('cache')))->print([(new Drawing(612, 792))->text(72, 100, 16, $name)]),
    );
}

/** Draws a signature, wipes it, and draws another. */
function drawnByHand(BrowserCase $case): void
{
    $ink = static fn () => $case->browser->executeScript(
        'return [document.querySelectorAll(".pad-field .ink").length, document.querySelector("#strokes").value]',
    );
    $stroke = static function () use ($case): void {
        $pad = $case->find('.pad-field');
        $case->browser->executeScript('arguments[0].scrollIntoView({ block: "center" })', [$pad]);
        $hand = $case->browser->action()->moveToElement($pad, -80, 0)->clickAndHold();
        for ($wave = 0; $wave < 12; $wave++) {
            $hand->moveByOffset(12, $wave % 2 === 0 ? -16 : 16);
        }
        $hand->release()->perform();
    };
    $stroke();
    expect($ink()[0])->toBe(1)->and(count(json_decode((string) $ink()[1], true)[0]))->toBeGreaterThan(8);
    $case->find('#clear')->click();
    expect($ink())->toBe([0, '']);
    $stroke();
    expect($ink()[0])->toBe(1);
}

it('opens a file, fills the contract, has it signed by everyone, reviewed, paid and closed', function () {
    /** @var BrowserCase $this */
    $post = new PostRoom();

    // The agent opens the file from the listing exchange.
    $this->signIn('tomas')->press('Open a file');
    $this->find('#first')->sendKeys('Sawmill');
    $this->waitFor('#found button')->click();
    $this->seeText('5 Sawmill Terrace, Upper Quoin', 'h1');
    $this->seeText('Lead-based paint disclosure', '.will');
    $this->seeText('built 1954, before 1978', '.will');
    foreach (
        [
            ['buyer.1', 'Adaeze Fjordholm', 'adaeze@client.example'],
            ['buyer.2', 'Søren Fjordholm', 'soren@client.example'],
        ] as [$seat, $name, $mail]
    ) {
        $this->enter("[id=\"{$seat}-name\"]", $name);
        $this->enter("[id=\"{$seat}-email\"]", $mail);
    }
    foreach (
        [
            'price' => '349,900',
            'earnest_money' => '5k',
            'loan_percent' => '80',
            'escrow_holder' => 'Anchorfield Title & Escrow',
            'offer_date' => 'today',
            'earnest_days' => '3',
            'loan_days' => '30',
        ] as $term => $value
    ) {
        $value !== 'today' && $this->enter("#fact-{$term}", $value);
    }
    $day = static fn (int $days) => (new DateTimeImmutable("+{$days} days", new DateTimeZone('America/New_York')))->format('Y-m-d');
    foreach (
        [
            'offer_date' => $day(0),
            'offer_expiry' => $day(2),
            'offer_expiry_time' => '5pm',
            'closing' => $day(35),
            'possession' => $day(36),
        ] as $term => $value
    ) {
        $this->enter("#fact-{$term}", $value);
    }
    $this->find('#fact-financing')->findElement(WebDriverBy::cssSelector('option[value=conventional]'))->click();
    $this->seeText('$279,920', '#follows');
    $this->seeText('bought with a loan: conventional', '.will');
    $this->shot('opening-sheet');

    // Leaving half-way and coming back finds everything.
    $this->visit('/files')->press('5 Sawmill Terrace, Upper Quoin');
    $file = $this->browser->getCurrentURL();
    $this->seeText('$349,900');

    // The contract is filled on the page; Enter goes to the next missing blank.
    $this->press('Purchase agreement');
    expect($this->find('[data-blank=buyers]')->getAttribute('value'))
        ->toBe('Adaeze Fjordholm and Søren Fjordholm')
        ->and($this->find('[data-blank=loan_amount]')->getAttribute('value'))
        ->toBe('279,920')
        ->and($this->find('[data-blank=balance]')->getAttribute('value'))
        ->toBe('64,980');
    $excluded = $this->find('[data-blank=excluded]');
    $excluded->click();
    $excluded->sendKeys('dining room lamp'.WebDriverKeys::ENTER);
    $this->eventually(fn () => str_starts_with($this->find('#stored')->getText(), 'saved at ') ?: null, 'the entry is not told as stored');
    $this->shot('paper');

    // A dropped connection keeps entries on the device and sends them when it is back.
    $this->offline(true);
    $known = $this->find('[data-blank=known]');
    $known->click();
    $known->sendKeys('roof patched in 2019'."\t");
    $this->seeText('not saved yet', '#stored');
    $this->offline(false);
    $this->eventually(
        fn () => str_starts_with($this->find('#stored')->getText(), 'saved at ') ?: null,
        'the waiting entry was not sent',
        15,
    );
    $this->browser->navigate()->refresh();
    expect($this->find('[data-blank=known]')->getAttribute('value'))->toBe('roof patched in 2019');

    // Whatever is still missing is filled, paper by paper.
    foreach (['Purchase agreement', 'Financing addendum', 'Lead-based paint disclosure'] as $title) {
        $this->visit($file)->press($title);
        $this->find('#left');
        for ($guard = 0; $guard < 40 && ($missing = $this->all('.blank.missing')) !== []; $guard++) {
            $field = $missing[0];
            $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$field]);
            $field->getAttribute('type') === 'checkbox' ? $field->click() : $field->sendKeys('1'."\t");
            usleep(250_000);
        }
        $this->seeText('nothing missing', '#left');
    }

    // Sent for signature: the buyers together, then the agent.
    $this->visit($file);
    foreach ($this->all('tr.row') as $row) {
        if (preg_match('/Agency disclosure|Purchase agreement|Financing|Lead-based/', $row->getText()) === 1) {
            $row->findElement(WebDriverBy::cssSelector('input[name=take]'))->click();
        }
    }
    $this->press('Send for signature', '.board-head');
    $this->seeText('Signers');
    $this->shot('round');
    $this->press('Send', '#compose');
    $this->seeText('The first signers have an email.');
    $round = $this->browser->getCurrentURL();

    // The buyers sign on a phone.
    foreach (['adaeze@client.example', 'soren@client.example'] as $index => $address) {
        $phone = $this->browser;
        $this->browser = $this->newBrowser(390, 844);
        $this->visit($post->link($address));
        $index === 0 && $this->shot('signer-consent');
        $index === 0 && expect($this->clientAxe())->toBe([]);
        $this->find('input[name=agree]')->click();
        $this->press('Continue');
        $this->seeText('Choose a signature style');
        $index === 0 && $this->shot('signer-adopt');
        $index === 0 && expect($this->clientAxe())->toBe([]);
        $index === 1 && drawnByHand($this);
        $this->press('Use this signature');
        $this->find('#go')->click();
        usleep(500_000);
        $index === 0 && $this->shot('signer-page');
        $index === 0 && expect($this->clientAxe())->toBe([]);
        $this->goThroughMarks()->seeText('Thank you');
        $index === 0 && expect($this->clientAxe())->toBe([]);
        $this->browser->quit();
        $this->browser = $phone;
    }

    // Then the agent, and the sealed set is in the file.
    $this->visit($post->link('tomas@quillmark.example', 'Please sign', '5 Sawmill Terrace'));
    $this->find('input[name=agree]')->click();
    $this->press('Continue');
    $this->press('Use this signature');
    $this->goThroughMarks()->seeText('signed');
    $this->eventually(
        fn () => str_contains($this->visit($round)->find('body')->getText(), 'Signed by everyone') ?: null,
        'could not seal the documents',
        30,
    );
    $sealed = $post->attachment('adaeze@client.example', 'Signed by everyone');
    expect(SealCheck::of($sealed, BrowserCase::trusted())->answer)->toBe(SealAnswer::Holds);

    // Handed in, with what must come from outside.
    $scratch = new Scratch();
    foreach (['Earnest money receipt', 'Closing statement'] as $title) {
        $this->visit($file);
        $this->find("input[aria-label=\"Upload {$title}\"]")->sendKeys(outsidePaper($scratch, $title));
        $this->seeText("“{$title}” is in the file.");
    }
    $this->visit($file);
    $this->shot('file');
    for ($guard = 0; $guard < 12; $guard++) {
        $buttons = array_filter($this->all('td.next button'), static fn ($button) => $button->getText() === 'Submit');
        if ($buttons === []) {
            break;
        }
        array_values($buttons)[0]->click();
        $this->seeText('was submitted to the broker');
    }
    expect($guard)->toBe(6);

    // The broker sends one back, the agent hands it in again, the broker accepts all.
    $this->signOut()->signIn('ines')->visit($file);
    $this->visit('/review');
    $this->shot('review-queue');
    $this->waitFor('table.ledger');
    foreach ($this->all('tr[data-row]') as $row) {
        if (str_contains($row->getText(), '5 Sawmill Terrace') && str_contains($row->getText(), 'Financing addendum')) {
            $row->findElement(WebDriverBy::cssSelector('a.button'))->click();
            break;
        }
    }
    $this->waitFor('#page-1 image');
    $this->find('#page-1')->click();
    $this->seeText('Pinned to page 1.', '#pinned');
    $this->find('textarea[name=remark]')->sendKeys('Name the program of the loan.');
    $this->shot('review-desk');
    $this->press('Send back b');
    $this->seeText('Sent back with your remark.');
    $this->signOut()->signIn('tomas')->visit($file)->seeText('1 remark');
    $this->press('Answer remark');
    $this->seeText('Name the program of the loan.');
    $this->press('Submit to broker again');
    $this->seeText('was submitted to the broker');
    $this->signOut()->signIn('ines');
    for ($guard = 0; $guard < 10; $guard++) {
        $this->visit('/review');
        $rows = array_filter($this->all('tr[data-row]'), static fn ($row) => str_contains($row->getText(), '5 Sawmill Terrace'));
        if ($rows === []) {
            break;
        }
        array_values($rows)[0]->findElement(WebDriverBy::cssSelector('a.button'))->click();
        $this->press('Accept a');
        $this->seeText('Accepted.');
    }
    $this->visit($file)->seeText('6 of 6 complete');

    // Under contract, the commission computed, authorized, the file closed.
    $this->signOut()->signIn('tomas')->visit($file);
    $this->enter('#fact-acceptance', $day(0));
    $this->visit($file)->seeText('Under contract');
    $this->visit("{$file}/commission");
    $this->find('input[name=rate]')->clear();
    $this->find('input[name=rate]')->sendKeys('2.75');
    $this->find('input[name=agent_share]')->sendKeys('70');
    $this->press('Compute commission');
    $this->seeText('$9,622.25');
    $this->seeText('equals what comes in');
    $this->signOut()
        ->signIn('ines')
        ->visit("{$file}/commission");
    $this->press('Authorize disbursement');
    $this->seeText('The CDA is in the file.');
    $this->shot('commission');
    $this->signOut()->signIn('tomas')->visit($file);
    $this->press('Close file');
    // It says what is still open, and is closed by whoever has seen that.
    $this->seeText('Close this file?')->press('Close file', '#close');
    $this->seeText('File closed.');
    $this->seeText('Closed', '.status');
});
