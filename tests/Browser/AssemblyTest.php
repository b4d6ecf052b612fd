<?php

declare(strict_types=1);

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;
use Tests\Support\PostRoom;

it('puts papers together in an order changed by keys, gives them to read, and shows when they were opened', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    foreach (array_slice($this->all('input[name=take]:not(:disabled)'), 0, 3) as $box) {
        $box->click();
    }
    $this->press('Combine', '.board-head');
    $this->waitFor('#sequence li');
    $titles = fn () => array_map(fn ($row) => $row->getText(), $this->all('#sequence li .serif'));
    $before = $titles();
    expect($before)->toHaveCount(3);
    $this->browser->executeScript('document.querySelector("#sequence li:nth-child(3)").focus()');
    (new WebDriverActions($this->browser))
        ->keyDown(null, WebDriverKeys::ALT)
        ->sendKeys(null, WebDriverKeys::ARROW_UP)
        ->keyUp(null, WebDriverKeys::ALT)
        ->perform();
    expect($titles())->toBe([$before[0], $before[2], $before[1]]);
    $this->press('Leave out', '#sequence li:nth-child(3)');
    expect($titles())->toBe([$before[0], $before[2]]);
    $this->find('input[name=cover]')->click();
    expect($this->axe())->toBe([]);
    $this->press('Combine', '#assemble .with-taken');
    $this->seeText('Ready: ', 'body', 30)->seeText($before[2]);
    expect($this->axe())->toBe([]);
    $this->find('input[name=name]')->sendKeys('Maren Holt');
    $this->find('input[name=email]')->sendKeys('maren@holt.example');
    $this->press('Create reading copy');
    $this->seeText('Email sent to Maren Holt')->seeText('Not opened yet');
    $set = $this->browser->getCurrentURL();
    $link = (new PostRoom())->link('maren@holt.example', 'Documents to read');
    $agent = $this->browser;
    $this->browser = $this->newBrowser(390, 844);
    $this->visit($link)->seeText('Save as PDF');
    expect($this->axe())
        ->toBe([])
        ->and($this->browser->executeScript('return document.documentElement.scrollWidth'))
        ->toBeLessThanOrEqual(392);
    $this->eventually(
        fn () => $this->browser->executeScript('return document.querySelector(".reading img").naturalWidth') > 100 ? true : null,
        'the first page does not show',
    );
    // Being looked at is not being opened: a person moves on it first.
    $this->find('body')->sendKeys(WebDriverKeys::PAGE_DOWN);
    $this->eventually(
        fn () => $this->browser->executeScript(
            'return performance.getEntriesByType("resource").some((one) => one.name.endsWith("/opened") && one.responseEnd > 0)',
        ) ?:
        null,
        'the opening was not told',
    );
    $this->browser->quit();
    $this->browser = $agent;
    $this->visit($set)->seeText('Opened 1 time');
    $this->press('End reading copy');
    $this->seeText('no longer works');
});
