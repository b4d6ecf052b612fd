<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverSelect;
use Tests\Support\BrowserCase;

/** The round of the demo that is out, as its sender has it open, and who is asked to sign there now. @return array{string, string} */
function roundThatIsOut(BrowserCase $case): array
{
    $key = (string) one("SELECT key FROM rounds WHERE status = 'out' AND NOT rehearsal ORDER BY id LIMIT 1");
    $case->signIn('tomas')->visit("/rounds/{$key}")->waitFor('#standing');
    $name = one(
        "SELECT s.name FROM signers s JOIN rounds r ON r.id = s.round_id WHERE r.key = '{$key}' ".
            "AND s.status IN ('invited', 'opened', 'consented') ORDER BY s.turn, s.id LIMIT 1",
    );

    return [$key, (string) $name];
}

it('asks a signer for the code they were told, on a phone', function () {
    /** @var BrowserCase $this */
    [$key, $name] = roundThatIsOut($this);
    $link = (string) $this->browser->executeScript(
        'return document.querySelector("#standing textarea.unseen").value.match(/https?:\S+/)[0]',
    );
    $set = function (string $code) use ($key): void {
        $this->visit("/rounds/{$key}");
        $this->find('[id^="code-"] summary')->click();
        $field = $this->waitFor('[id^="code-"] input[name=code]');
        $field->clear();
        $field->sendKeys($code);
        $this->find('[id^="code-"] button')->click();
        $this->seeText($code === '' ? 'is not asked for a code' : 'Tell them by phone');
    };
    $this->browser->executeScript('document.querySelectorAll("#standing details").forEach((one) => { one.open = true; })');
    expect($this->axe())->toBe([]);
    $set('kite 42');
    $desk = $this->browser;
    $this->browser = $this->newBrowser(390, 844);
    $this->browser->get($link);
    $this->waitFor('[name=code]');
    expect($this->clientAxe())->toBe([]);
    $this->find('[name=code]')->sendKeys('wrong1');
    $this->press('Open the documents')->seeText('Tries left: 4');
    $this->find('[name=code]')->sendKeys('KITE-42');
    $this->press('Open the documents')->seeText($name);
    $this->browser->quit();
    $this->browser = $desk;
    $set('');
});

it('hands the device over for signing and keeps everything else out of reach until the password', function () {
    /** @var BrowserCase $this */
    [$key, $name] = roundThatIsOut($this);
    $this->press('Sign here in person', '#standing')->seeText("Hand this device to {$name}");
    $this->shape($this->browser, 390, 844);
    expect($this->clientAxe())->toBe([]);
    $this->shape($this->browser, 1280, 800);
    $this->visit('/files')->seeText("Hand this device to {$name}");
    $this->find('form[action*="/here/give/"] button')->click();
    $this->waitFor('a[href="/here"]')->click();
    $this->seeText('enter your password');
    $this->find('[name=password]')->sendKeys('not it');
    $this->press('Take the device back')->seeText('That is not your password');
    $this->find('[name=password]')->sendKeys('lanternfish');
    $this->press('Take the device back')->waitFor('#standing');
    expect($this->browser->getCurrentURL())->toEndWith("/rounds/{$key}");
});

it('rehearses a draft: its sender signs as each of them, and nothing is sealed', function () {
    /** @var BrowserCase $this */
    $draft = (string) one("SELECT key FROM rounds WHERE status = 'drafting' AND title = 'Chimney repair letter' ORDER BY id LIMIT 1");
    $this->signIn('tomas')->visit("/rounds/{$draft}")->waitFor('#compose');
    $this->eventually(fn () => $this->browser->executeScript(
        'const keep = document.querySelector("#pencil:not([hidden]) [data-keep]"); keep?.click(); return !keep || null',
    ), 'the places in pencil were not kept');
    // Somebody approves first: in the rehearsal it is their turn.
    $this->browser->executeScript('document.querySelector("form[action$=\"/lookers\"]").closest("details").open = true');
    (new WebDriverSelect($this->find('form[action$="/lookers"] [name=part]')))->selectByValue('approves');
    $this->press('Ask them first')->seeText('comes first now');
    $this->press('Rehearse', '.send-acts')->seeText('Rehearsal.');
    expect($this->axe())->toBe([]);
    $link = (string) $this->waitFor('#standing a[href*="/sign/"]')->getAttribute('href');
    $desk = $this->browser;
    $this->browser = $this->newBrowser(390, 844);
    $this->browser->get(BrowserCase::url().$link);
    $this->seeText('I approve them');
    expect($this->clientAxe())->toBe([]);
    $this->press('I approve them')->seeText('Thank you');
    $this->browser->quit();
    $this->browser = $desk;
    $this->seeText('Sign as Sunniva Eide', '#standing');
});
