<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;
use Tests\Support\PostRoom;

function typed(BrowserCase $test, string $selector, string $text): void
{
    $field = $test->find($selector);
    $field->click();
    $field->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.$text."\t");
}

function shelved(BrowserCase $test): int
{
    return (int) $test->browser->executeScript(
        'return Object.keys(localStorage).filter((key) => /^unanimus:(typing|fields|entries|pieces)/.test(key)).length',
    );
}

/** Signs in again in the dialog that came up, by keyboard. */
function signInOnTheSpot(BrowserCase $test): void
{
    $test->eventually(fn () => $test->find('#again')->isDisplayed() ?: null, 'no one asks to sign in again', 20);
    $test->find('#again input[name=password]')->sendKeys('wrong'.WebDriverKeys::ENTER);
    $test->eventually(fn () => $test->find('#again [role=alert]')->getText() !== '' ?: null, 'a wrong password is not told');
    $test
        ->find('#again input[name=password]')
        ->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.'lanternfish'.WebDriverKeys::ENTER);
    $test->eventually(
        fn () => ! $test->find('#again')->isDisplayed() ?: null,
        'the sign-in did not go through: '.
            $test->browser->executeScript('return document.querySelector("#again [role=alert]").textContent'),
    );
}

it('signs in again on the spot, and the entry, the term and the form that were under way go on', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'lanternfish');
    $file = (string) $this->browser->getCurrentURL();
    $this->press('Association addendum', '.board');
    $this->waitFor('[data-blank]');
    $paper = (string) $this->browser->getCurrentURL();
    $this->sessionEnds('tomas');
    typed($this, '[data-blank=manager]', 'Entered after the session');
    signInOnTheSpot($this);
    $this->eventually(fn () => shelved($this) === 0 ?: null, 'the entry did not go on', 20);
    $this->visit($paper)->waitFor('[data-blank]');
    expect($this->find('[data-blank=manager]')->getAttribute('value'))->toBe('Entered after the session');

    $this->visit($file)->waitFor('#fact-included');
    $this->sessionEnds('tomas');
    typed($this, '#fact-included', 'range, porch swing, mailbox');
    signInOnTheSpot($this);
    $this->eventually(fn () => shelved($this) === 0 ?: null, 'the term did not go on', 20);
    // A form of the page that was left open goes with the token of the new session.
    $this->press('Tags', '.board-head');
    $this->find('#labels input[name=labels]')->sendKeys('relocation');
    $this->press('Save tags', '#labels');
    $this->waitFor('.file-head .label');
    $this->visit($file)->waitFor('#fact-included');
    expect($this->find('#fact-included')->getAttribute('value'))
        ->toBe('range, porch swing, mailbox')
        ->and($this->find('.file-head .label')->getText())
        ->toBe('relocation');
    $this->enter('#fact-included', 'range, porch swing');
});

it('goes on by itself when one signs in again in another tab, with the forms of the first', function () {
    /** @var BrowserCase $this */
    $file = $this->openFile('tomas', 'lanternfish');
    $first = $this->browser->getWindowHandle();
    $this->sessionEnds('tomas');
    typed($this, '#fact-included', 'range, swing, shed');
    $this->eventually(fn () => $this->find('#again')->isDisplayed() ?: null, 'no one asks to sign in again', 20);
    $this->browser->switchTo()->newWindow();
    $this->signIn('tomas');
    $this->browser->close();
    $this->browser->switchTo()->window($first);
    $this->eventually(fn () => ! $this->find('#again')->isDisplayed() ?: null, 'it did not notice', 20);
    $this->eventually(fn () => shelved($this) === 0 ?: null, 'the term did not go on', 20);
    $this->press('Tags', '.board-head');
    $this->find('#labels input[name=labels]')->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.WebDriverKeys::DELETE);
    $this->press('Save tags', '#labels');
    $this->eventually(fn () => $this->all('.file-head .label') === [] ?: null, 'the form did not go through');
    $this->visit($file);
    expect($this->find('#fact-included')->getAttribute('value'))->toBe('range, swing, shed');
    $this->enter('#fact-included', 'range, porch swing');
});

it('keeps of a person one entry that is refused, not the fields beside it', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'lanternfish');
    $this->find('a[href$="/opening"]')->click();
    typed($this, '[id="buyer.2-email"]', 'no address');
    $this->seeText('not an email address', '[id="fault-buyer.2"]');
    $this->seeText('1 entry not saved', '#held');
    $this->browser->navigate()->refresh();
    $this->waitFor('[id="buyer.2-email"]');
    expect($this->find('[id="buyer.2-email"]')->getAttribute('value'))->toBe('no address');
    typed($this, '[id="buyer.2-email"]', 'jose@eide.example');
    $this->eventually(fn () => ! $this->find('#held')->isDisplayed() ?: null, 'it is still there');
});

it('keeps a remark that was not sent for want of a connection, and lets go of it once it was', function () {
    /** @var BrowserCase $this */
    $this->signIn('ines')->visit('/review')->press('Review', 'table');
    $this->waitFor('#send-back textarea[name=remark]');
    $page = (string) $this->browser->getCurrentURL();
    $this->find('#send-back textarea[name=remark]')->sendKeys('Initials missing on page two');
    // The page is left and the tab lost before anything was sent.
    $this->visit('/files')->seeText('1 entry not saved', '#held');
    $this->visit($page)->waitFor('#send-back textarea[name=remark]');
    expect($this->find('#send-back textarea[name=remark]')->getAttribute('value'))->toBe('Initials missing on page two');
    $this->press('Send back b');
    $this->eventually(fn () => $this->browser->getCurrentURL() !== $page && $this->all('#held') !== [] ?: null, 'the remark did not go');
    expect(shelved($this))
        ->toBe(0)
        ->and($this->find('#held')->isDisplayed())
        ->toBeFalse();
});

it('shows what is not saved on a phone without scrolling sideways, to agents and to clients', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'lanternfish');
    typed($this, '#fact-price', 'a lot');
    $this->seeText('1 entry not saved', '#held');
    $this->shape($this->browser, 390, 844);
    $this->find('#held')->click();
    $this->eventually(fn () => $this->find('#held-list')->isDisplayed() ?: null, 'the list does not open');
    expect($this->browser->executeScript('return document.documentElement.scrollWidth'))
        ->toBeLessThanOrEqual(392)
        ->and($this->browser->executeScript('return document.querySelector("#held-list").getBoundingClientRect().right'))
        ->toBeLessThanOrEqual(391)
        ->and($this->axe())
        ->toBe([]);
    $this->press('Discard', '#held-list');
    $this->eventually(fn () => shelved($this) === 0 ?: null, 'it was not discarded');

    $link = (new PostRoom())->link('beatrix@palomar.example', 'Please fill in');
    $this->visit($link);
    $this->find('ul.plain-list a')->click();
    $this->waitFor('[data-blank]');
    $this->offline(true);
    $blank = $this->browser->executeScript(
        'return [...document.querySelectorAll("input[data-blank]:not([type=checkbox])")].find((one) => one.value === "").dataset.blank',
    );
    $this->find("[data-blank={$blank}]")->click();
    typed($this, '#entry-bar-field', '7');
    $this->seeText('1 entry not saved', '#held');
    expect($this->browser->executeScript('return document.documentElement.scrollWidth'))->toBeLessThanOrEqual(392);
    $this->offline(false);
    $this->eventually(fn () => shelved($this) === 0 ?: null, 'the answer did not go', 20);
    $this->shape($this->browser, 1280, 800);
});

it('has nothing axe objects to where a document is read as text, for agents and signers', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'lanternfish');
    $this->press('Association addendum', '.board');
    $this->press('Read as text', '.desk-bar');
    $this->seeText('signs here)', '.running-text');
    expect($this->axe())->toBe([]);
    $this->shape($this->browser, 390, 844);
    expect($this->browser->executeScript('return document.documentElement.scrollWidth'))->toBeLessThanOrEqual(392);
    $this->shape($this->browser, 1280, 800);
});
