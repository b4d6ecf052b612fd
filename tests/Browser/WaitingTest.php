<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;

function openPaperOf(BrowserCase $test, string $who): string
{
    $test->openFile($who, 'lanternfish');
    $test->press('Association addendum', '.board');
    $test->waitFor('[data-blank]');

    return (string) $test->browser->getCurrentURL();
}

function typeInto(BrowserCase $test, string $blank, string $text): void
{
    $field = $test->find("[data-blank={$blank}]");
    $field->click();
    $field->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.$text."\t");
}

it('keeps what is typed after the session ended, and goes on once one has signed in again in another tab', function () {
    /** @var BrowserCase $this */
    $paper = openPaperOf($this, 'tomas');
    $first = $this->browser->getWindowHandle();
    $this->sessionEnds('tomas');
    typeInto($this, 'manager', 'Tidewick Management');
    $this->seeText('1 entry not saved yet: sign in again', '#stored');
    $this->browser->switchTo()->newWindow();
    $this->signIn('tomas');
    $this->browser->close();
    $this->browser->switchTo()->window($first);
    $this->eventually(fn () => str_starts_with($this->find('#stored')->getText(), 'saved at ') ?: null, 'what waited did not go', 15);
    $this->visit($paper);
    expect($this->find('[data-blank=manager]')->getAttribute('value'))->toBe('Tidewick Management');
});

it('keeps what one typed while someone else is signed in on the same device', function () {
    /** @var BrowserCase $this */
    $paper = openPaperOf($this, 'tomas');
    $first = $this->browser->getWindowHandle();
    $this->browser->switchTo()->newWindow();
    $this->signIn('wendell');
    $this->browser->close();
    $this->browser->switchTo()->window($first);
    typeInto($this, 'manager', 'Typed by Tomas');
    $this->seeText('1 entry not saved yet: sign in again', '#stored');
    $this->browser->switchTo()->newWindow();
    $this->visit($paper)->waitFor('[data-blank]');
    expect($this->find('[data-blank=manager]')->getAttribute('value'))->not->toBe('Typed by Tomas');
    $this->signIn('tomas');
    $this->browser->close();
    $this->browser->switchTo()->window($first);
    $this->eventually(fn () => str_starts_with($this->find('#stored')->getText(), 'saved at ') ?: null, 'what waited did not go', 15);
});

it('sends nothing that someone else left waiting on the same device', function () {
    /** @var BrowserCase $this */
    $paper = openPaperOf($this, 'tomas');
    $path = parse_url($paper, PHP_URL_PATH);
    $left = "unanimus:entries:{$path}/entries:SOMEONEELSE/0-left-behind-key";
    $this->browser->executeScript(
        'localStorage.setItem(arguments[0], JSON.stringify({key: "left-behind-key", blank: "manager", value: "not theirs", scope: '.
            '"here"}))',
        [$left],
    );
    $this->visit($paper)->waitFor('[data-blank]');
    typeInto($this, 'manager', 'Harbor Rows Association');
    $this->eventually(
        fn () => $this->browser->executeScript(
            'return Object.keys(localStorage).filter((key) => key.startsWith("unanimus:entries") && !key.includes("SOMEONEELSE")).length',
        ) === 0 ?:
        null,
        'the entry was not stored',
    );
    $this->visit($paper);
    expect($this->find('[data-blank=manager]')->getAttribute('value'))
        ->toBe('Harbor Rows Association')
        ->and($this->browser->executeScript('return localStorage.getItem(arguments[0]) !== null', [$left]))
        ->toBeTrue();
});

it('stores what two tabs on one paper have waiting, each once', function () {
    /** @var BrowserCase $this */
    $paper = openPaperOf($this, 'tomas');
    $first = $this->browser->getWindowHandle();
    $this->browser->switchTo()->newWindow();
    $this->visit($paper)->waitFor('[data-blank]');
    $this->offline(true);
    typeInto($this, 'manager', 'From the second tab');
    $this->seeText('not saved yet: no connection', '#stored');
    $this->browser->switchTo()->window($first);
    $this->offline(true);
    typeInto($this, 'dues', '140');
    $this->seeText('not saved yet: no connection', '#stored');
    $this->offline(false);
    $this->eventually(
        fn () => $this->browser->executeScript(
            'return Object.keys(localStorage).filter((key) => key.startsWith("unanimus:entries")).length',
        ) === 0 ?:
        null,
        'what waited did not go',
        15,
    );
    $this->visit($paper);
    expect($this->find('[data-blank=manager]')->getAttribute('value'))
        ->toBe('From the second tab')
        ->and($this->find('[data-blank=dues]')->getAttribute('value'))
        ->toBe('140')
        ->and($this->browser->executeScript('return Object.keys(localStorage).filter((key) => key.startsWith("unanimus:entries")).length'))
        ->toBe(0);
    foreach ($this->browser->getWindowHandles() as $handle) {
        if ($handle !== $first) {
            $this->browser->switchTo()->window($handle);
            $this->offline(false);
            $this->browser->close();
        }
    }
    $this->browser->switchTo()->window($first);
});
