<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

function draftPaper(BrowserCase $test): string
{
    $test->openFile('tomas', 'lanternfish');
    $test->press('Association addendum', '.board');
    $test->waitFor('[data-blank]');

    return (string) $test->browser->getCurrentURL();
}

function enter(BrowserCase $test, string $selector, string $text, bool $leave = true): void
{
    $field = $test->find($selector);
    $field->click();
    $field->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.$text.($leave ? "\t" : ''));
}

it('keeps a refused entry on the device, in its blank, on the file and in a place of its own, until it is let go', function () {
    /** @var BrowserCase $this */
    $paper = draftPaper($this);
    enter($this, '[data-blank=dues]', 'a hundred and more');
    $this->eventually(
        fn () => str_contains((string) $this->find('[data-blank=dues]')->getAttribute('class'), 'wrong') ?: null,
        'the refusal does not show',
    );
    expect($this->find('#stored')->getText())->not->toContain('\\');
    $this->visit($paper)->waitFor('[data-blank]');
    expect($this->find('[data-blank=dues]')->getAttribute('value'))->toBe('a hundred and more');
    $this->seeText('1 entry not saved', '#held');
    $this->find('.desk-bar .dim a')->click();
    $this->seeText('1 entry not saved', '#held-here')->press('See unsaved entries', '#held-here');
    $this->seeText('a hundred and more', '#held-list')->seeText('Association addendum', '#held-list');
    expect($this->axe())->toBe([]);
    $this->press('Send again', '#held-list');
    $this->eventually(fn () => $this->find('#held-list .late')->getText() !== '' ?: null, 'why it was refused is not told');
    $this->press('Discard', '#held-list');
    $this->eventually(fn () => ! $this->find('#held')->isDisplayed() ?: null, 'it still waits');
    $this->visit($paper)->waitFor('[data-blank]');
    expect($this->find('[data-blank=dues]')->getAttribute('value'))->not->toBe('a hundred and more');
});

it('brings back what was being typed when the tab died, in a blank and in a term', function () {
    /** @var BrowserCase $this */
    $paper = draftPaper($this);
    $first = $this->browser->getWindowHandle();
    foreach (
        [[$paper, '[data-blank=manager]', 'Harbor Rows, half typed'], [null, '#fact-escrow_holder', 'Anchorfield, '.
            'half typed']] as [$where, $selector, $text]
    ) {
        if ($where === null) {
            $this->find('.desk-bar .dim a')->click();
            $this->waitFor('.board');
            $where = (string) $this->browser->getCurrentURL();
        }
        $this->browser->switchTo()->newWindow();
        $this->visit($where)->waitFor($selector);
        enter($this, $selector, $text, false);
        // The tab dies without leaving the field: no event of leaving reaches the page.
        $this->browser->executeScript(
            'window.onbeforeunload = null; window.stop(); for (const kind of ["blur", "beforeunload", "pagehide", "change"]) '.
                'window.addEventListener(kind, (event) => event.stopImmediatePropagation(), true)',
        );
        $this->browser->close();
        $this->browser->switchTo()->window($first);
        $this->visit($where)->waitFor($selector);
        expect($this->find($selector)->getAttribute('value'))->toBe($text);
        $this->find($selector)->click();
        $this->find($selector)->sendKeys("\t");
        $this->eventually(
            fn () => $this->browser->executeScript(
                'return Object.keys(localStorage).filter((key) => /^unanimus:(typing|fields|entries)/.test(key)).length',
            ) === 0 ?:
            null,
            'it was not stored when the field was left',
        );
        $this->visit($where)->waitFor($selector);
        expect($this->find($selector)->getAttribute('value'))->toBe($text);
    }
});

it('tells whoever changes a term that someone else has just changed, and keeps what they typed', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'lanternfish');
    $this->waitFor('#fact-included');
    $file = (string) $this->browser->getCurrentURL();
    $first = $this->browser->getWindowHandle();
    $this->browser->switchTo()->newWindow();
    $this->visit($file)->waitFor('#fact-included');
    enter($this, '#fact-included', 'range, porch swing, bench');
    $this->eventually(
        fn () => $this->browser->executeScript('return document.querySelector("#fact-included").dataset.stands') ===
        'range, porch swing, bench' ?:
        null,
        'the first was not stored',
    );
    $this->browser->close();
    $this->browser->switchTo()->window($first);
    enter($this, '#fact-included', 'range only');
    $this->seeText('while you were on this page', '#fault-included');
    $this->seeText('1 entry not saved', '#held');
    expect($this->find('#fact-included')->getAttribute('value'))->toBe('range only');
    enter($this, '#fact-included', 'range only now');
    $this->eventually(fn () => ! $this->find('#held')->isDisplayed() ?: null, 'it still waits');
    $this->visit($file)->waitFor('#fact-included');
    expect($this->find('#fact-included')->getAttribute('value'))->toBe('range only now');
    enter($this, '#fact-included', 'range, porch swing');
});

it('fetches the pages of a long paper as one comes near', function () {
    /** @var BrowserCase $this */
    $scratch = new Scratch();
    mkdir($scratch->path('cache'));
    $press = new Press($scratch->path('cache'), $scratch->path('cache'));
    $this->openFile('tomas', 'lanternfish');
    $this->find('input[type=file][name="papers[]"]')->sendKeys(
        $scratch->put(
            'Long survey.pdf',
            $press->print(array_map(fn (int $page) => (new Drawing(612, 792))->text(72, 90, 20, "Leaf {$page}"), range(1, 60))),
        ),
    );
    $this->eventually(fn () => str_contains($this->find('.board')->getText(), 'Long survey') ?: null, 'it did not come in', 60);
    $this->press('Long survey', '.board');
    $this->eventually(
        fn () => $this->browser->executeScript(
            'return performance.getEntriesByType("resource").some((one) => /pages\\/1\\.webp/.test(one.name) && one.responseEnd > 0)',
        ) ?:
        null,
        'the first page does not show',
        30,
    );
    $asked =
        'return performance.getEntriesByType("resource").filter((one) => /pages\\/(\\d+)\\.webp/.test(one.name) && '.
            'Number(one.name.match(/pages\\/(\\d+)/)[1]) > 30).length';
    expect($this->browser->executeScript($asked))->toBe(0);
    $this->browser->executeScript('document.querySelector("#page-50").scrollIntoView()');
    $this->eventually(
        fn () => $this->browser->executeScript('return document.querySelector("#page-50 image").hasAttribute("href")') ?: null,
        'page 50 is not asked for',
    );
});

it('sends of a person only what was changed', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', 'lanternfish');
    $this->find('a[href$="/opening"]')->click();
    $this->waitFor('[id="buyer.1-email"]');
    $opening = (string) $this->browser->getCurrentURL();
    $first = $this->browser->getWindowHandle();
    $this->browser->switchTo()->newWindow();
    $this->visit($opening)->waitFor('[id="buyer.1-email"]');
    enter($this, '[id="buyer.1-initials"]', 'SvE');
    $this->eventually(
        fn () => $this->browser->executeScript('return document.getElementById("buyer.1-initials").dataset.stands') === 'SvE' ?: null,
        'the initials were not stored',
    );
    $this->browser->close();
    $this->browser->switchTo()->window($first);
    // This page still shows the initials as they were; another field of the same person is changed on it.
    enter($this, '[id="buyer.1-email"]', 'sunniva@eide-holm.example');
    $this->eventually(
        fn () => $this->browser->executeScript('return document.getElementById("buyer.1-email").dataset.stands') ===
        'sunniva@eide-holm.example' ?:
        null,
        'the address was not stored',
    );
    $this->visit($opening)->waitFor('[id="buyer.1-email"]');
    expect($this->find('[id="buyer.1-initials"]')->getAttribute('value'))
        ->toBe('SvE')
        ->and($this->find('[id="buyer.1-email"]')->getAttribute('value'))
        ->toBe('sunniva@eide-holm.example');
    enter($this, '[id="buyer.1-email"]', 'sunniva@eide.example');
    $this->eventually(
        fn () => $this->browser->executeScript('return document.getElementById("buyer.1-email").dataset.stands') ===
        'sunniva@eide.example' ?:
        null,
        'the address was not brought back',
    );
});
