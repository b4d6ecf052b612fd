<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\BrowserCase;

it('tries another price beside the sheet, and authorizes, sends and pays what stands', function () {
    /** @var BrowserCase $this */
    $file = $this->openFile('ines', '77 Millrace Court');
    $this->visit("{$file}/commission?side=buyer")->seeText('Both sides');
    $this->find('input[name=if_price]')->sendKeys('300,000'.WebDriverKeys::ENTER);
    // 300,000 × 2.5 % and the bonus.
    $this->seeText('$8,500.00', '#what-if')->seeText('None of this is saved', '#what-if');
    $this->find('input[name=despite]')->sendKeys('Escrow closes early.');
    $this->press('Authorize disbursement');
    $this->seeText('Disbursement authorized')->seeText('Authorized before the review was complete: Escrow closes early.');
    expect($this->axe())->toBe([]);
    // Who gets it is known from the address book.
    $this->press('Send authorization', 'form[action$="/send"]');
    $this->seeText('Sent to Nadia Petrov.');
    $this->press('Mark as paid', 'form[action$="/paid"]');
    $this->seeText('is marked as paid');
    $paid = "SELECT count(*) FROM payments p JOIN deal_files f ON f.id = p.deal_file_id WHERE struck_at IS NULL AND f.name LIKE '77 Mill%'";
    expect(one($paid))->toBe(1)
        // The story is told by who would do it: brokers authorize, the bookkeeper records.
        ->and(one("SELECT count(DISTINCT who) FROM history WHERE what = 'Disbursement authorized' AND who <> 'Ines Okafor-Lund'"))->toBe(0)
        ->and(one("SELECT count(*) FROM disbursements WHERE sent_at IS NOT NULL AND side = 'buyer'"))->toBe(1);
});

it('goes from a figure of the year to the deals behind it, and keeps the report', function () {
    /** @var BrowserCase $this */
    $this->signIn('ines')->visit('/commission');
    $this->press('Reports');
    $this->seeText('By month');
    $this->find('section[aria-label=Closed] h2 a')->click();
    $this->seeText('Closed, ', 'h1');
    expect(count($this->all('tr[data-row]')))->toBeGreaterThan(2);
    $this->visit('/reports?period=last-year')->seeText('By agent');
    $this->find('input[name=name]')->sendKeys('Last year, whole'.WebDriverKeys::ENTER);
    $this->seeText('Report saved as “Last year, whole”.');
    expect($this->axe())->toBe([]);
});
