<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;

/** A key that stays down: the browser says of each event after the first that it repeats. */
function held(BrowserCase $test, string $key, int $times = 5): void
{
    $test->browser->executeScript(
        'for (let n = 0; n < arguments[1]; n++) document.body.dispatchEvent(new KeyboardEvent("keydown", { key: arguments[0], bubbles: '.
            'true, cancelable: true, repeat: n > 0 }))',
        [$key, $times],
    );
}

function roundsOf(string $file): int
{
    return (int) one("SELECT count(*) FROM rounds r JOIN deal_files f ON f.id = r.deal_file_id WHERE f.key = '{$file}'");
}

it('drafts one round for a key that is held, and never sends it unseen', function () {
    /** @var BrowserCase $this */
    $url = $this->openFile('tomas', '14 Lanternfish Lane');
    $key = basename((string) parse_url($url, PHP_URL_PATH));
    $before = roundsOf($key);
    $this->find('tr.row input[name=take]:not(:disabled)');
    $row = array_values(array_filter($this->all('tr.row'), fn ($one) => str_contains($one->getText(), 'Association addendum')))[0];
    $row->findElement(Facebook\WebDriver\WebDriverBy::cssSelector('input[name=take]'))->click();
    held($this, 's');
    $this->waitFor('#compose');
    $this->waitFor('body[data-ready]');
    $round = (string) $this->browser->getCurrentURL();
    held($this, 's');
    $this->find('body')->sendKeys('sss');
    expect($this->browser->getCurrentURL())
        ->toBe($round)
        ->and(roundsOf($key))
        ->toBe($before + 1)
        ->and(one("SELECT status FROM rounds WHERE key = '".basename($round)."'"))
        ->toBe('drafting');
    $this->press('Discard draft');
    $this->seeText('Draft discarded');
});

it('asks once before it accepts on a page that has only just come, and takes remarks and places by keyboard', function () {
    /** @var BrowserCase $this */
    $this->signIn('ines')->visit('/review')->press('Review', 'table');
    $this->waitFor('#send-back');
    $page = (string) $this->browser->getCurrentURL();
    $this->browser->navigate()->refresh();
    $this->waitFor('body[data-ready] #send-back');
    $this->browser->executeScript('document.body.dispatchEvent(new KeyboardEvent("keydown", { key: "a", bubbles: true }))');
    $this->seeText('press a again', '#said');
    expect($this->browser->getCurrentURL())->toBe($page);
    $this->find('body')->sendKeys('m');
    expect($this->browser->executeScript('return document.activeElement.name'))->toBe('remark');
    $this->browser->executeScript('document.activeElement.blur()');
    $this->find('body')->sendKeys('p');
    $this->seeText('Pinned to page 1', '#pinned');
    $at = fn () => [
        (float) $this->browser->executeScript('return document.querySelector("#send-back [name=x]").value'),
        (float) $this->browser->executeScript('return document.querySelector("#send-back [name=y]").value'),
    ];
    [$x, $y] = $at();
    $this->browser
        ->switchTo()
        ->activeElement()
        ->sendKeys(WebDriverKeys::ARROW_RIGHT.WebDriverKeys::ARROW_DOWN);
    expect($at())->toBe([$x + 14, $y + 14]);
    $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ENTER);
    expect($this->browser->executeScript('return document.activeElement.name'))->toBe('remark');
});

it('turns single keys off for whom they are in the way', function () {
    /** @var BrowserCase $this */
    $this->signIn('malachi')->visit('/me')->press('Turn single keys off');
    $this->seeText('Single keys are off.');
    $this->visit('/files')->waitFor('body[data-ready]');
    $this->find('body')->sendKeys('n');
    $this->find('body')->sendKeys('gt');
    expect((string) $this->browser->getCurrentURL())->toEndWith('/files');
    $this->visit('/me')->press('Turn single keys on');
    $this->seeText('Single keys are on.');
    $this->waitFor('body[data-ready]');
    $this->find('body')->sendKeys('n');
    $this->seeText('Open a file', 'h1');
});

it('closes its menu on Escape and on a click elsewhere', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/')->waitFor('body[data-ready]');
    $open = fn () => (bool) $this->browser->executeScript('return document.querySelector("details.menu-at").open');
    $this->find('details.menu-at summary')->click();
    expect($open())->toBeTrue();
    $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ESCAPE);
    expect($open())->toBeFalse();
    $this->find('details.menu-at summary')->click();
    $this->find('#main h2')->click();
    expect($open())->toBeFalse();
});

it('shows on the page the very signature that was chosen', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', '14 Lanternfish Lane');
    $this->press('See round');
    $this->waitFor('.page text[font-family]');
    $faces = $this->browser->executeScript(
        'return [...document.querySelectorAll(".page text[font-family]")].map((one) => '.
            '[one.getAttribute("font-family").split(",")[0].replaceAll("\'", "").trim(), '.
            'getComputedStyle(one).fontFamily.split(",")[0].replaceAll("\"", "").trim()])',
    );
    expect($faces)->not->toBe([]);
    foreach ($faces as [$drawn, $seen]) {
        expect($seen)->toBe($drawn);
    }
});
