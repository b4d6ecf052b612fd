<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;

it('moves a closing by keyboard on the deal line, after showing what moves with it', function () {
    /** @var BrowserCase $this */
    $file = $this->openFile('wendell', '77 Millrace Court');
    $post = $this->waitFor('[data-anchor=closing]');
    $was = $post->getAttribute('data-day');
    $this->browser->executeScript('arguments[0].focus()', [$post]);
    $post->sendKeys(WebDriverKeys::ARROW_RIGHT.WebDriverKeys::ARROW_RIGHT.WebDriverKeys::ENTER);
    $this->seeText('Walk-through', '#shift');
    $this->browser->findElement(WebDriverBy::cssSelector('#shift [data-closes]'))->click();
    expect($this->find('[data-anchor=closing]')->getAttribute('data-day'))->toBe($was);
    $post->sendKeys(WebDriverKeys::ARROW_RIGHT.WebDriverKeys::ENTER);
    $this->waitFor('#shift[open] input[name=reason]')->sendKeys('amendment 1');
    $this->find('#shift form .button.now')->click();
    $this->seeText('Date moved, with every date counted from it');
    expect($this->find('[data-anchor=closing]')->getAttribute('data-day'))->toBe(
        (new DateTimeImmutable($was))->modify('+1 day')->format('Y-m-d'),
    );
    $this->visit("{$file}?drawer=1")->seeText('amendment 1', '.drawer ol');
});

it('asks before a contract date typed in its field moves, and puts the old one back when told to leave it', function () {
    /** @var BrowserCase $this */
    $this->openFile('tomas', '14 Lanternfish Lane');
    $field = $this->find('#fact-closing');
    $was = $field->getAttribute('value');
    $field->clear()->sendKeys((new DateTimeImmutable('+70 days'))->format('n/j/Y').WebDriverKeys::TAB);
    $this->seeText('Closing to', '#shift');
    $this->press('Leave unchanged', '#shift');
    $this->eventually(fn () => $this->find('#fact-closing')->getAttribute('value') === $was ? true : null, 'the old date is not back');
    expect($this->all('#shift[open]'))->toBe([]);
});

it('finds with completion, by keyboard', function () {
    /** @var BrowserCase $this */
    $this->signIn('wendell')->visit('/files');
    $this->find('body')->sendKeys('/');
    $this->browser->switchTo()->activeElement()->sendKeys('stat');
    $this->seeText('status:', '#completions');
    $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ARROW_DOWN);
    $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ENTER);
    $this->eventually(fn () => $this->find('#find')->getAttribute('value') === 'status:' ? true : null, 'the field is not completed');
    $this->find('#find')->sendKeys('expired'.WebDriverKeys::ENTER);
    $this->seeText('91 Bellfounder Street', 'table');
    expect($this->browser->getCurrentURL())->toContain('status%3Aexpired');
});

it('chooses an offer, and the file is under contract with its terms', function () {
    /** @var BrowserCase $this */
    $file = $this->openFile('caleb', '208 Copperbeech Road');
    $this->visit("{$file}/offers")->seeText('most', 'table');
    $this->enter('#record input[name=buyers]', 'Orla Devereux-Kim');
    $this->enter('#record input[name="terms[price]"]', '560k');
    $this->press('Record offer');
    $this->seeText('Orla Devereux-Kim', 'table');
    $this->browser->executeScript(
        "[...document.querySelectorAll('button[value=choose]')].at(-1).scrollIntoView({block: 'center'}); ".
            "[...document.querySelectorAll('button[value=choose]')].at(-1).click()",
    );
    $this->seeText('It is the contract now');
    $this->seeText('$560,000', '.price');
    $this->seeText('Under contract', '.file-head');
    expect($this->visit("{$file}/offers")->all('button[value=choose]'))->toBe([]);
});

it('copies a kit, changes it, and sees to which files its conditions would apply', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/kits/new-construction');
    $this->press('Copy kit to change it');
    $this->seeText('version 1');
    $this->enter('input[name=note]', 'for the mill quarter');
    $this->press('Save', 'form:has(input[value=about])');
    $this->seeText('version 2');
    $this->browser->executeScript(
        "const f = document.querySelector('form:has(input[value=when])'); f.querySelector('[name=\"when[0][fact]\"]').value = 'kind'; ".
            "f.querySelector('[name=\"when[0][operator]\"]').value = 'is'; f.querySelector('[name=\"when[0][value]\"]').value = 'sale'; ".
            "f.querySelector('[name=\"when[1][fact]\"]').value = ''; f.querySelector('[name=\"when[2][fact]\"]').value = ''",
    );
    $this->press('Which files would it apply to?');
    $this->seeText('14 Lanternfish Lane', '.preview');
    expect($this->browser->getCurrentURL())->toContain('/kits/');
});

it('marks tasks done from the list over all files', function () {
    /** @var BrowserCase $this */
    $this->signIn('wendell')->visit('/tasks');
    $this->seeText('Ask Owen Gallagher', 'table');
    $row = $this->browser->findElement(WebDriverBy::xpath("//tr[contains(., 'Ask Owen Gallagher')]//input"));
    $row->click();
    $this->press('Done', 'form .with-taken');
    $this->seeText('One task done');
    $this->visit('/tasks?done=1')->seeText('Ask Owen Gallagher', 'table');
    expect($this->visit('/tasks')->find('form')->getText())->not->toContain('Ask Owen Gallagher');
});

it('brings files in from a table, with progress that can be left', function () {
    /** @var BrowserCase $this */
    $path = sys_get_temp_dir().'/unanimus-table-'.getmypid().'.csv';
    file_put_contents(
        $path,
        "Address;Agent;Side\r\n".
            implode("\r\n", array_map(static fn (int $n) => "{$n}00 Browser Row, Pellingford;priya@quillmark.example;buyer", range(1, 3))).
            "\r\n;;",
    );
    $this->signIn('wendell')->visit('/imports');
    $this->browser->findElement(WebDriverBy::name('table'))->sendKeys($path);
    $this->seeText('Match the columns');
    $this->press('Test import');
    $this->press('Open 3 files');
    $this->seeText('Done.', '#progress', 40);
    $this->visit('/files?q=browser+row')->seeText('200 Browser Row', 'table');
    unlink($path);
    expect($this->all('table [data-open]'))->toHaveCount(3);
});

it('takes an address typed in one line apart, also into the field one has just come to', function () {
    /** @var BrowserCase $this */
    $this->signIn('rosalind')->visit('/open');
    $this->find('#first')->sendKeys('Noor Petterson'.WebDriverKeys::ENTER);
    $this->waitFor('#fact-property\.street');
    $this->enter('#fact-property\.street', '9 netloft lane, apt 2, Tidewick, MW 204170012');
    $this->eventually(
        fn () => $this->find('#fact-property\.zip')->getAttribute('value') === '20417-0012' ? true : null,
        'the ZIP code is not there',
    );
    expect($this->find('#fact-property\.unit')->getAttribute('value'))
        ->toBe('apt 2')
        ->and($this->find('#fact-property\.street')->getAttribute('value'))
        ->toBe('9 Netloft Lane');
});
