<?php

declare(strict_types=1);

use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\WebDriverBy as By;
use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Support\BrowserCase;
use Tests\Support\Hand;

it('sorts a stack by keyboard, undoes it, and takes what is sure with one key', function () {
    /** @var BrowserCase $this */
    $this->signIn('wendell')->visit('/office/inbox')->seeText('Scan, 23 pages');
    $item = one("SELECT key FROM inbound_items WHERE subject LIKE 'Scan%'");
    $this->find("form[action='/inbox/sort'] input[value='{$item}'] + button")->click();
    $this->waitFor('[data-do=take-sure]', 240);
    expect($this->axe())->toBe([]);
    $parts = fn (): int => count($this->browser->findElements(By::cssSelector('[data-part]')));
    $press = function (string $keys): void {
        // The table is laid out anew after each step: what is in hand just then may be swapped, and takes no key.
        $this->eventually(function () use ($keys): ?bool {
            try {
                $this->browser->switchTo()->activeElement()->sendKeys($keys);
            } catch (ElementNotInteractableException|StaleElementReferenceException) {
                return null;
            }

            return true;
        }, 'nothing takes the keys');
    };
    // Nothing was touched yet, and the key on the button works.
    $press('a');
    $this->eventually(fn () => $parts() > 3 ?: null, 'all that is sure is taken where one has just come');
    $press('u');
    $this->eventually(fn () => $parts() === 1 ?: null, 'and undone');
    $this->find('[data-page="1.1"]')->click();
    $press(Keys::ARROW_RIGHT);
    $press('c');
    $this->eventually(fn () => $parts() === 2 ?: null, 'a cut before the page the keyboard is on');
    $press(Keys::ALT.Keys::ARROW_RIGHT.Keys::NULL);
    $this->eventually(
        fn () => $this->find('[data-part] ~ [data-part] [data-page]')->getAttribute('data-page') === '1.3' ?: null,
        'the page has moved behind the next one',
    );
    $press(Keys::CONTROL.'z'.Keys::NULL);
    $this->eventually(
        fn () => $this->find('[data-part] ~ [data-part] [data-page]')->getAttribute('data-page') === '1.2' ?: null,
        'it is undone',
    );
    $press('u');
    $this->eventually(fn () => $parts() === 1 ?: null, 'undone as well');
    $press('a');
    $this->eventually(fn () => $parts() > 3 ?: null, 'all that is sure is taken');
    $press('u');
    $this->eventually(fn () => $parts() === 1 ?: null, 'and undone as one step');
    $this->find('[data-page="1.2"]')->click();
    $press(Keys::ENTER);
    $this->eventually(fn () => $this->find('#page-large')->getAttribute('open') !== null ?: null, 'the page is shown large');
});

it('makes a scanned stack papers of a file in four actions, and of a new file in six', function () {
    /** @var BrowserCase $this */
    $this->signIn('wendell')->visit('/office/inbox')->seeText('Scan, 23 pages');
    expect($this->axe())->toBe([]);
    $hand = new Hand($this);
    $item = one("SELECT key FROM inbound_items WHERE subject LIKE 'Scan%'");
    $hand->type("form[action='/inbox/{$item}/file'] [name=to]", '14 Lanternfish Lane, Tidewick', '')
        ->take("form[action='/inbox/{$item}/file'] button");
    $this->waitFor('#placing');
    $hand->click('Place 1 file');
    $this->eventually(
        fn () => str_contains($this->row('Seller’s property disclosure'), '5 pages') ?: null,
        'the papers of the stack are rows of the file',
        60,
    );
    expect($hand->actions)->toBeLessThanOrEqual(4);
    $this->visit('/office/inbox')->seeText('Earnest money check');
    $photo = one("SELECT key FROM inbound_items WHERE subject = 'Earnest money check'");
    $hand = new Hand($this);
    $there = "section[aria-label='Earnest money check']";
    $hand->click('Open a file with it', $there)->click('the buyers', $there);
    $this->waitFor('.opening');
    expect($hand->actions)->toBeLessThanOrEqual(6)
        ->and(one("SELECT count(*) FROM inbound_items WHERE key = '{$photo}' AND filed_into IS NOT NULL"))->toEqual(1);
});
