<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;
use Tests\Support\Hand;

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
