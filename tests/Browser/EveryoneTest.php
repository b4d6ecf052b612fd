<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;

it('is worked by keyboard: places, finding, rows', function () {
    /** @var BrowserCase $this */
    $this->signIn('wendell')->visit('/');
    $body = fn () => $this->browser->findElement(WebDriverBy::tagName('body'));
    $body()->sendKeys('gf');
    $this->seeText('Files', 'h1');
    $body()->sendKeys('/');
    $this->browser
        ->switchTo()
        ->activeElement()
        ->sendKeys('tidewick'.WebDriverKeys::ENTER);
    $this->seeText('matching “tidewick”');
    $this->waitFor('body[data-ready]');
    $body()->sendKeys('j');
    $this->waitFor('[data-row=on]');
    $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ENTER);
    $this->seeText('Tidewick', 'h1');
    $this->waitFor('body[data-ready]');
    $body()->sendKeys('/');
    // What fits alone opens at once.
    $this->browser
        ->switchTo()
        ->activeElement()
        ->sendKeys('14 lantern'.WebDriverKeys::ENTER);
    $this->seeText('14 Lanternfish Lane, Tidewick', 'h1');
    $this->waitFor('body[data-ready]');
    $body()->sendKeys('jj');
    expect($this->browser->executeScript('return document.activeElement.matches("[data-row=on]")'))->toBeTrue();
    $this->browser->switchTo()->activeElement()->sendKeys(' ');
    expect($this->all('input[name=take]:checked'))->toHaveCount(1);
    $body()->sendKeys('n');
    $this->seeText('Open a file', 'h1');
    $body()->sendKeys(WebDriverKeys::ESCAPE);
});

it('follows Enter from blank to missing blank, and asks about a term', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', '14 Lanternfish Lane');
    $this->press('Association addendum', '.board');
    $this->press('Go to next blank');
    $active = fn () => $this->browser->executeScript('return document.activeElement.dataset.blank || ""');
    expect($active())->toBe('dues');
    $this->browser
        ->switchTo()
        ->activeElement()
        ->sendKeys('120'.WebDriverKeys::ENTER);
    $this->eventually(fn () => $active() === 'dues_month' ?: null, 'Enter did not go to the next missing blank');
    $date = $this->find('[data-blank=offer_date]');
    $date->click();
    $date->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.'11/2/2026'."\t");
    $this->seeText('Offer dated is', '#ask-term');
    $this->press('Only on this paper', '#ask-term');
    $this->seeText('entered here', '[data-list=offer_date]');
});

it('signs with the keyboard alone', function () {
    /** @var BrowserCase $this */
    $link = (new Tests\Support\PostRoom())->link('jose@eide.example', 'Lead-based');
    $this->visit($link);
    $this->find('input[name=agree]')->sendKeys(' ');
    $this->find('form[action$=consent] button')->sendKeys(WebDriverKeys::ENTER);
    $this->waitFor('[data-sign=adopt]');
    expect($this->axe())->toBe([]);
    $this->find('form[action$=adopt] .solid')->sendKeys(WebDriverKeys::ENTER);
    $this->waitFor('.mark.mine');
    expect($this->axe())->toBe([]);
    // Pressed the moment it says so it does nothing yet: a key held a moment too long is no finishing.
    $this->browser->executeScript(
        'const go = document.querySelector("#go"); const looks = new MutationObserver(() => { if (!go.textContent.includes("Finish")) '.
            'return; looks.disconnect(); go.click(); window.pressedAtOnce = document.querySelector("#go").dataset.sent ?? "not sent"; }); '.
            'looks.observe(go, { childList: true, characterData: true, subtree: true })',
    );
    $this->find('.mark.mine')->sendKeys(WebDriverKeys::ENTER);
    $this->waitFor('.mark.mine.made');
    $this->eventually(
        fn () => $this->browser->executeScript('return window.pressedAtOnce') === 'not sent' ?: null,
        'it was finished by a key held too long',
    );
    $this->eventually(function (): ?bool {
        array_map(fn ($go) => $go->sendKeys(WebDriverKeys::ENTER), $this->all('#go'));

        return str_contains($this->find('body')->getText(), 'Thank you') ?: null;
    }, 'it was not finished');
});

it('comes back to the page it was on when something is refused, however many pictures the page has', function () {
    /** @var BrowserCase $this */
    $this->signIn('ines')->visit('/review')->press('Review', 'table');
    $this->eventually(
        fn () => $this->browser->executeScript(
            'return performance.getEntriesByType("resource").some((entry) => entry.name.includes(".webp") && entry.responseEnd > 0)',
        ) ?:
        null,
        'no picture has come',
    );
    $here = $this->browser->getCurrentURL();
    $this->press('Send back b');
    $this->seeText('Say in a remark what to fix.');
    expect($this->browser->getCurrentURL())->toBe($here);
});
