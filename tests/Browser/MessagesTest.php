<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;
use Tests\Support\Hand;

it('writes to a buyer with a letter of the office in six actions, keeps each word, and shows what is empty before it goes', function () {
    /** @var BrowserCase $this */
    $file = $this->openFile('tomas', '14 Lanternfish Lane');
    $hand = new Hand($this);
    $this->visit("{$file}/messages");
    $hand->click('New message');
    $this->waitFor('#body');
    $hand->take('input[name="seats[]"][value="buyer.1"]');
    $hand->choose('#field', '{payoff}');
    $this->seeText('Missing: Payoff of first loan', '#as-read');
    $hand->choose('[name=letter]', (string) one("SELECT key FROM form_letters WHERE name LIKE 'Inspection%'"));
    $this->seeText('The inspector comes this week', '#as-read')->seeText('As Sunniva Eide will read it.', '#as-read');
    expect($this->find('[name=subject]')->getAttribute('value'))->toContain('Inspection of')
        ->and($this->find('#body')->getAttribute('value'))->toContain('{payoff}')->toContain('The inspector comes this week');
    // It stays with its writer, who lets the empty field go.
    $hand->click('Send message');
    $this->seeText('This file has no “Payoff of first loan” yet')->waitFor('#body');
    $text = (string) $this->find('#body')->getAttribute('value');
    expect($text)->toContain('{payoff}');
    $hand->type('#body', '', '');
    $this->find('#body')->clear();
    $this->find('#body')->sendKeys('Come at eleven.');
    $this->seeText('Come at eleven.', '#as-read');
    $hand->click('Send message');
    $this->seeText('Your message is on its way.')->seeText('Come at eleven.', '.talk-list');
    expect(one("SELECT count(*) FROM messages WHERE body = 'Come at eleven.' AND state <> 'draft'"))->toBe(1)
        ->and($hand->actions)->toBeLessThanOrEqual(8)
        ->and($this->axe())->toBe([]);
});

it('keeps what is typed over a lost connection and a closed tab, and saves it once both are back', function () {
    /** @var BrowserCase $this */
    $file = $this->openFile('tomas', '14 Lanternfish Lane');
    $this->visit("{$file}/messages");
    (new Hand($this))->click('New message');
    $this->waitFor('#body');
    $draft = (string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH);
    $this->offline(true);
    $this->find('[name=subject]')->sendKeys('Written on the train');
    $this->find('#body')->sendKeys(' And this.');
    $this->seeText('There is no connection.');
    $this->offline(false);
    $this->visit($file)->visit($draft);
    $this->seeText('Written on the train', '#as-read')->seeText('And this.', '#as-read');
    $key = basename($draft);
    expect($this->find('[name=subject]')->getAttribute('value'))->toBe('Written on the train');
    $this->eventually(
        static fn () => one("SELECT count(*) FROM messages WHERE key = '{$key}' AND subject = 'Written on the train'") === 1,
        'the draft was not saved',
    );
});
