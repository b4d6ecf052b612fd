<?php

declare(strict_types=1);

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;
use Tests\Support\BrowserCase;
use Tests\Support\MadePdf;
use Unanimus\Pages\Scratch;

it('makes a form of a PDF: by mouse and by keyboard, with undo, and puts it in force', function () {
    /** @var BrowserCase $this */
    $scratch = new Scratch();
    $this->signIn('ines')
        ->visit('/own-forms')
        ->find('input[name=pdf]')
        ->sendKeys(
            $scratch->put(
                'Visit sheet.pdf',
                MadePdf::page(MadePdf::text(72, 700, 'Visited on:')."0.6 w 150 698 m 330 698 l S\n".MadePdf::text(72, 640, 'Remarks')),
            ),
        );
    $this->press('Start form');
    $this->waitFor('#own-form');
    $form = $this->browser->getCurrentURL();
    expect($this->axe())->toBe([]);
    $stored = fn () => $this->eventually(
        fn () => str_starts_with($this->find('#stored')->getText(), 'saved at') ? true : null,
        'the change is not stored',
    );
    $count = fn () => count($this->all('.item-group'));
    expect($count())->toBe(1);
    // Drawn with the mouse, named beside the page.
    $page = $this->find('[data-page="1"] svg');
    (new WebDriverActions($this->browser))
        ->moveToElement($page, -180, -240)
        ->clickAndHold()
        ->moveByOffset(200, 60)
        ->release()
        ->perform();
    $label = $this->browser->switchTo()->activeElement();
    expect($label->getAttribute('name'))->toBe('label')->and($count())->toBe(2);
    $label->sendKeys('Remarks on the visit'.WebDriverKeys::TAB);
    $stored();
    expect($this->find('#item [name=name]')->getAttribute('value'))->toBe('remarks_on_the_visit');
    // Moved by keyboard: eight points to the right, sized with Shift.
    $place = fn () => (float) $this->find('.chosen .item')->getAttribute('x');
    $group = $this->find('.item-group.chosen');
    $before = $place();
    $this->browser->executeScript('arguments[0].focus()', [$group]);
    for ($i = 0; $i < 8; $i++) {
        $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ARROW_RIGHT);
    }
    expect(round($place() - $before))->toEqual(8);
    $this->browser->switchTo()->activeElement()->sendKeys('n');
    $this->browser
        ->switchTo()
        ->activeElement()
        ->sendKeys('Signed by'.WebDriverKeys::TAB);
    (new WebDriverSelect($this->find('#item [name=kind]')))->selectByValue('mark:signature');
    $this->eventually(fn () => str_contains($this->find('#fit')->getText(), '1 thing') ? true : null, 'a mark of no one is not told');
    (new WebDriverSelect($this->find('#item [name=seat]')))->selectByValue('buyer.1');
    $this->seeText('Ready to activate', '#fit');
    // Taken off and had again.
    $this->browser->executeScript('document.querySelector(".item-group.chosen").focus()');
    $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::DELETE);
    expect($count())->toBe(2);
    $this->find('#undo')->click();
    expect($count())->toBe(3);
    $stored();
    // The connection is lost before they are stored: what waits stands there after the page is loaded again, and is stored then.
    $this->browser->executeScript('window.fetch = () => Promise.reject(new TypeError("lost"))');
    foreach (['number' => 'QR-77', 'title' => 'Visit sheet'] as $name => $value) {
        $field = $this->find("#about [name={$name}]");
        $field->clear();
        $field->sendKeys($value.WebDriverKeys::TAB);
    }
    $this->visit($form);
    expect($count())
        ->toBe(3)
        ->and($this->find('#about [name=number]')->getAttribute('value'))
        ->toBe('QR-77');
    $stored();
    $this->press('Activate form');
    $this->seeText('QR-77 Visit sheet, rev.')->seeText('is active');
    $this->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    $this->find('body')->sendKeys('a');
    $this->find('#finder')->sendKeys('visit');
    $this->seeText('Visit sheet', '#found [data-form]');
    $this->find('#finder')->sendKeys(WebDriverKeys::ENTER);
    $this->seeText('in the file', '#form-QR-77');
});

it('writes on a page from outside by mouse and by keyboard, and takes it off again', function () {
    /** @var BrowserCase $this */
    $scratch = new Scratch();
    $this->signIn('tomas')->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    $this->find('input[type=file][name="papers[]"]')->sendKeys(
        $scratch->put('Roof letter.pdf', MadePdf::page(MadePdf::text(72, 700, 'The roof was renewed in 2011 and again in 2019', 14))),
    );
    $this->seeText('Roof letter', '.board', 20);
    $this->browser->findElement(WebDriverBy::linkText('Roof letter'))->click();
    $this->waitFor('#write')->click();
    expect($this->axe())->toBe([]);
    $stored = fn () => $this->eventually(
        fn () => str_starts_with($this->find('#layer-told')->getText(), 'saved at') ? true : null,
        'the piece is not stored',
    );
    $type = function (string $keys): void {
        // To whatever has the focus, as a keyboard does; a drawing can be typed to as well as a field.
        foreach (mb_str_split($keys) as $key) {
            (new WebDriverActions($this->browser))->sendKeys(null, $key)->perform();
        }
    };
    $pieces = fn () => count($this->all('.piece'));
    // Drawn over printed words with the mouse: the line takes its place from them.
    // From the middle of what is seen of the page, as pointers count.
    [$right, $down, $scale] = $this->browser->executeScript(
        'const box = document.querySelector(\'svg[data-layer="1"]\').getBoundingClientRect(); const scale = box.width / 612; const middle '.
            '= (from, to, most) => (Math.max(0, from) + Math.min(most, to)) / 2; return [box.left + 110 * scale - middle(box.left, '.
            'box.right, innerWidth), box.top + 88 * scale - middle(box.top, box.bottom, innerHeight), scale]',
    );
    (new WebDriverActions($this->browser))
        ->moveToElement($this->find('svg[data-layer="1"]'), (int) $right, (int) $down)
        ->clickAndHold()
        ->moveByOffset((int) (60 * $scale), 2)
        ->release()
        ->perform();
    $this->waitFor('#layer-menu:not([hidden])');
    $type('l');
    $this->eventually(fn () => $pieces() === 1 ? true : null, 'no line stands on the page');
    $stored();
    // Pointed at with the cursor, written with the keyboard alone.
    $type(WebDriverKeys::ARROW_DOWN.WebDriverKeys::ARROW_DOWN.'t');
    $this->eventually(fn () => $this->browser->switchTo()->activeElement()->getTagName() === 'input' ? true : null, 'no field to write in');
    $type('as the seller says'.WebDriverKeys::ENTER);
    $this->eventually(fn () => $pieces() === 2 ? true : null, 'no text stands on the page');
    $type('x');
    $this->eventually(fn () => $pieces() === 3 ? true : null, 'no tick stands on the page');
    $this->browser->navigate()->refresh();
    $this->waitFor('.piece');
    expect($pieces())
        ->toBe(3)
        ->and($this->find('.layer')->getText())
        ->toContain('as the seller says');
    $this->find('body')->sendKeys('w');
    $this->browser->executeScript('document.querySelectorAll(".piece")[2].focus()');
    $type(WebDriverKeys::DELETE);
    $this->eventually(fn () => $pieces() === 2 ? true : null, 'the tick stays on the page');
    $stored();
    $this->browser->navigate()->refresh();
    $this->waitFor('.piece');
    expect($pieces())->toBe(2);
});

it('shows pages larger, smaller and two beside each other', function () {
    /** @var BrowserCase $this */
    $this->shape($this->browser, 1680, 900);
    $this->signIn('tomas')->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    $this->browser->findElement(WebDriverBy::linkText('Purchase agreement'))->click();
    $width = fn () => $this->find('.page')->getSize()->getWidth();
    $plain = $width();
    $this->find('body')->sendKeys('+');
    expect($width())->toBeGreaterThan($plain * 1.15);
    $this->find('body')->sendKeys('0');
    $this->find('body')->sendKeys('2');
    $pages = $this->all('.page');
    expect($width())
        ->toBeLessThan($plain * 0.55)
        ->and($pages[0]->getLocation()->getY())
        ->toBe($pages[1]->getLocation()->getY());
    $this->browser->navigate()->refresh();
    $this->waitFor('.pages.two');
});
