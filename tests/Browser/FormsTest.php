<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;
use Tests\Support\PostRoom;
use Unanimus\Pages\Scratch;

it('takes forms by keyboard alone, without leaving the list', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    $file = $this->browser->getCurrentURL();
    $this->find('body')->sendKeys('a');
    $this->waitFor('#finder');
    $field = $this->browser->switchTo()->activeElement();
    $field->sendKeys('clos ext');
    $this->seeText('Extension of closing', '#found [data-form]');
    $field->sendKeys(WebDriverKeys::ENTER);
    $this->seeText('in the file', '#form-M-208');
    $field = $this->browser->switchTo()->activeElement();
    expect($field->getAttribute('id'))->toBe('finder');
    $field->sendKeys(
        WebDriverKeys::BACKSPACE.
            WebDriverKeys::BACKSPACE.
            WebDriverKeys::BACKSPACE.
            WebDriverKeys::BACKSPACE.
            WebDriverKeys::BACKSPACE.
            WebDriverKeys::BACKSPACE.
            WebDriverKeys::BACKSPACE.
            WebDriverKeys::BACKSPACE.
            'amendmnet',
    );
    $this->eventually(
        fn () => $this->find('#found [data-form]')->getAttribute('data-form') === 'M-207' ? true : null,
        'the mistyped word finds nothing',
    );
    $field->sendKeys(WebDriverKeys::ENTER);
    $this->seeText('in the file', '#form-M-207');
    $this->visit($file)->seeText('Amendment', '.board')->seeText('Extension of closing', '.board');
});

it('goes back to how a paper stood, on the slider', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    $this->browser->findElement(WebDriverBy::linkText('Association addendum'))->click();
    foreach (['Keel Management', 'Harbor Management'] as $name) {
        $field = $this->waitFor('[data-blank=manager]');
        $field->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $field->sendKeys($name.WebDriverKeys::TAB);
        $this->eventually(fn () => str_starts_with($this->find('#stored')->getText(), 'saved at') ? true : null, 'the entry is not stored');
        usleep(400_000);
    }
    $this->press('All entries');
    $this->seeText('“Harbor Management”', '#state-words');
    $this->find('#at')->sendKeys(WebDriverKeys::ARROW_LEFT);
    $this->seeText('1 blank is different now', '#state');
    $this->press('Restore this state', '#state');
    $this->seeText('1 blank restored');
    $this->press('Back to the paper');
    $this->eventually(
        fn () => $this->find('[data-blank=manager]')->getAttribute('value') === 'Keel Management' ? true : null,
        'the earlier entry is not back',
    );
    expect($this->all('.differs'))->toBe([]);
});

it('lets a client fill in on a phone, question by question and on the page', function () {
    /** @var BrowserCase $this */
    $link = (new PostRoom())->link('beatrix@palomar.example', 'Please fill in');
    $phone = $this->newBrowser(390, 844);
    $this->browser = $phone;
    $this->visit($link)->seeText('one question at a time');
    expect($this->clientAxe())->toBe([]);
    $this->press('Continue');
    $this->seeText('Save and continue');
    expect($this->clientAxe())->toBe([]);
    $before = $this->browser->getCurrentURL();
    $this->all('input[name=choice]') === [] ? $this->find('#value')->sendKeys('12') : $this->find('input[name=choice]')->click();
    $this->press('Save and continue');
    $this->eventually(fn () => $this->browser->getCurrentURL() !== $before ? true : null, 'it does not go on');
    // A tap on one of several answers goes on by itself.
    for ($i = 0; $i < 8 && $this->all('label.choice input[type=radio]') === []; $i++) {
        $before = $this->browser->getCurrentURL();
        $this->press('Save and continue');
        $this->eventually(fn () => $this->browser->getCurrentURL() !== $before ?: null, 'it does not go on');
    }
    $before = $this->browser->getCurrentURL();
    $this->find('label.choice')->click();
    $this->eventually(fn () => $this->browser->getCurrentURL() !== $before ?: null, 'a tap does not go on');
    $this->visit($link);
    $this->press('Seller’s property disclosure: fill in on the page');
    $field = $this->waitFor('[data-blank=trash_by]');
    $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$field]);
    $field->click();
    $this->waitFor('#entry-bar-field')->sendKeys('Saltreach Hauling'.WebDriverKeys::TAB);
    $this->eventually(fn () => str_starts_with($this->find('#stored')->getText(), 'saved at') ? true : null, 'the entry is not stored');
    $this->visit($link)->press('Finish');
    $this->seeText('still missing');
    expect($this->browser->executeScript('return document.documentElement.scrollWidth'))->toBeLessThanOrEqual(392);
});

it('lets an agent fill in on a phone in a field that can be read, from blank to blank, with the lanes named', function () {
    /** @var BrowserCase $this */
    $this->shape($this->browser, 390, 844);
    $this->signIn('tomas')->visit('/');
    $lane = $this->waitFor('.narrow-lanes a');
    expect($lane->isDisplayed())->toBeTrue()->and($lane->getText())->not->toBe('');
    $this->openFile('tomas', '14 Lanternfish Lane, Tidewick');
    $this->browser->findElement(WebDriverBy::linkText('Association addendum'))->click();
    $this->waitFor('[data-go=manager]')->click();
    $field = $this->waitFor('#entry-bar-field');
    expect($this->find('.entry-bar label')->getText())
        ->toBe('Manager')
        ->and($field->getSize()->getHeight())
        ->toBeGreaterThanOrEqual(44)
        ->and($this->axe())
        ->toBe([]);
    $field->sendKeys([WebDriverKeys::CONTROL, 'a']);
    $field->sendKeys('Brightwater'.WebDriverKeys::ENTER);
    $this->eventually(fn () => $this->find('.entry-bar label')->getText() !== 'Manager' ?: null, 'Next does not go on');
    $this->seeText('saved at', '.entry-bar small');
    $this->press('Close', '.entry-bar');
    expect($this->find('.entry-bar')->isDisplayed())
        ->toBeFalse()
        ->and($this->find('[data-blank=manager]')->getAttribute('value'))
        ->toBe('Brightwater');
    $this->shape($this->browser, 1280, 800);
});

it('brings in what is dropped or chosen, several at once, and says what was refused', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    $scratch = new Scratch();
    $picture = imagecreatetruecolor(400, 300);
    imagejpeg($picture, $scratch->path('porch photo.jpg'));
    $this->find('input[type=file][name="papers[]"]')->sendKeys(
        $scratch->path('porch photo.jpg')."\n".$scratch->put('notes.pdf', 'Dear all'),
    );
    $this->seeText('“porch photo” is in the file.', '#bringing', 20)->seeText('notes.pdf: ', '#bringing', 20);
    $this->press('Refresh the board');
    $this->waitFor('.board tr.row.fresh');
    // It was dropped at the top of the page, and is added far down.
    $shown = $this->browser->executeScript(
        'const row = document.querySelector("tr.fresh").getBoundingClientRect(); return row.top > 0 && row.bottom < innerHeight;',
    );
    expect($shown)->toBeTrue()
        ->and($this->find('.board tr.row.fresh')->getText())->toContain('porch photo')
        ->and($this->find('.board')->getText())->not->toContain('notes');
});

it('shows two people each other\'s entries, and asks when they meet in one blank', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    $this->browser->findElement(WebDriverBy::linkText('Association addendum'))->click();
    $this->waitFor('[data-blank=manager]');
    $paper = $this->browser->getCurrentURL();
    $first = $this->browser;
    $this->browser = $this->newBrowser();
    $this->signIn('wendell')->visit($paper);
    $theirs = $this->waitFor('[data-blank=manager]');
    $theirs->sendKeys([WebDriverKeys::CONTROL, 'a']);
    $theirs->sendKeys('Wendell was here'.WebDriverKeys::TAB);
    $this->eventually(fn () => str_starts_with($this->find('#stored')->getText(), 'saved at') ? true : null, 'the entry is not stored');
    $this->browser = $first;
    $this->eventually(
        fn () => $this->find('[data-blank=manager]')->getAttribute('value') === 'Wendell was here' ? true : null,
        'the other\'s entry does not come',
        15,
    );
    $this->seeText('Wendell Achterberg is here too', '#here', 15);
    // While Tomás types, Wendell changes it once more: neither is lost.
    $mine = $this->find('[data-blank=manager]');
    $mine->sendKeys(' and Tomás');
    $this->browser->executeScript(
        'return fetch(arguments[0] + "/entries", { method: "POST", headers: { "Content-Type": "application/json", "Accept": '.
            '"application/json", "X-CSRF-TOKEN": document.querySelector("meta[name=csrf-token]").content }, body: JSON.stringify({ blank: '.
            '"manager", value: "Changed elsewhere", key: "elsewhere-1" }) }).then(() => true)',
        [$paper],
    );
    $mine->sendKeys(WebDriverKeys::TAB);
    $this->seeText('Changed elsewhere', '#met-text');
    $this->press('Keep mine', '#met');
    $this->eventually(fn () => str_starts_with($this->find('#stored')->getText(), 'saved at') ? true : null, 'mine is not stored');
    $this->browser->navigate()->refresh();
    expect($this->waitFor('[data-blank=manager]')->getAttribute('value'))->toBe('Wendell was here and Tomás');
});
