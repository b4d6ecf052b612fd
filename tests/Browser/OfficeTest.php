<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;
use Tests\Support\BrowserCase;
use Tests\Support\PostRoom;
use Unanimus\Access\Totp;

it('sets a second factor up, asks for it at sign-in, takes a recovery code, and is turned off again', function () {
    /** @var BrowserCase $this */
    $this->signIn('greta')->visit('/me');
    $this->find('form[action="/me/second-factor"] input[name=password]')->sendKeys('lanternfish');
    $this->press('Set up two-step sign-in');
    $secret = (string) preg_replace('/\s+/', '', $this->find('p.dim.small code')->getText());
    $totp = Totp::of($secret);
    $this->find('input[name=code]')->sendKeys($totp->code(Totp::step(time())));
    $this->press('Turn on two-step sign-in');
    $this->seeText('Recovery codes.');
    expect($this->axe())->toBe([]);
    $code = $this->find('.found-files code')->getText();
    $this->signOut()->visit('/sign-in');
    $this->find('input[name=email]')->sendKeys('greta@quillmark.example');
    $this->find('input[name=password]')->sendKeys('lanternfish'.WebDriverKeys::ENTER);
    $this->seeText('One more step');
    expect($this->axe())->toBe([]);
    $this->find('input[name=code]')->sendKeys('000000'.WebDriverKeys::ENTER);
    $this->seeText('One more step');
    expect($this->all('header.bar'))->toBe([]);
    $this->find('input[name=code]')->clear();
    $this->find('input[name=code]')->sendKeys($code.WebDriverKeys::ENTER);
    $this->waitFor('header.bar');
    $this->visit('/me')->seeText('recovery codes left');
    $this->find('form[action="/me/second-factor"] input[name=password]')->sendKeys('lanternfish');
    $this->press('Turn off two-step sign-in');
    $this->seeText('Set up two-step sign-in');
});

it('gives somebody who forgot their password another one by an email', function () {
    /** @var BrowserCase $this */
    $post = new PostRoom();
    $this->visit('/sign-in')->press('Forgot your password?');
    expect($this->axe())->toBe([]);
    $this->find('input[name=email]')->sendKeys('rosalind@quillmark.example'.WebDriverKeys::ENTER);
    $this->seeText('an email with a link is on its way');
    $this->visit($post->link('rosalind@quillmark.example', 'Choose another password'));
    $this->seeText('For rosalind@quillmark.example');
    expect($this->axe())->toBe([]);
    $this->find('input[name=password]')->sendKeys('lanternfish');
    $this->find('input[name=password_confirmation]')->sendKeys('lanternfish');
    $this->press('Save password');
    $this->seeText('Your new password is saved');
    $this->find('input[name=email]')->sendKeys('rosalind@quillmark.example');
    $this->find('input[name=password]')->sendKeys('lanternfish'.WebDriverKeys::ENTER);
    $this->waitFor('header.bar');
});

it('writes a rule without code, shows to which files it would apply, and tries it on a file', function () {
    /** @var BrowserCase $this */
    $this->signIn('fenna')->visit('/rules');
    if (str_contains($this->find('main')->getText(), 'Make these our own')) {
        $this->press('Make these our own to change them');
        $this->seeText('You can change the rules now');
    }
    $this->press('Add a rule');
    $this->find('input[name=name]')->sendKeys('Old houses by the water');
    (new WebDriverSelect($this->find('select[name="when[0][fact]"]')))->selectByValue('property.year_built');
    (new WebDriverSelect($this->find('select[name="when[0][operator]"]')))->selectByIndex(3);
    $operator = (new WebDriverSelect($this->find('select[name="when[0][operator]"]')))->getFirstSelectedOption()->getText();
    $this->find('input[name="when[0][value]"]')->sendKeys('1970');
    $this->find('input[name=title]')->sendKeys('Survey of the seawall');
    $this->find('input[name=reason]')->sendKeys('built {property.year_built}, near the water');
    expect($operator)->not->toBe('');
    $this->press('Which files would it apply to?');
    $this->eventually(fn () => trim($this->find('.preview')->getText()) !== '' ? true : null, 'the preview says nothing');
    $this->press('Save rule');
    $this->seeText('Rule saved')->seeText('Old houses by the water');
    (new WebDriverSelect($this->find('select[name=file]')))->selectByVisibleText('14 Lanternfish Lane, Tidewick');
    $this->press('Try on this file');
    $this->seeText('Old houses by the water');
    $this->visit('/rules');
    $this->browser->findElement(WebDriverBy::linkText('Old houses by the water'))->click();
    $this->press('Delete rule');
    $this->seeText('Rule deleted');
});

it('changes the order of parties, and their numbers follow; while papers are out it says why not', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->press('Open a file');
    $this->find('#first')->sendKeys('12 Heronwater Lane, Tidewick, MW 20417');
    $this->find('#first')->sendKeys(WebDriverKeys::ENTER);
    $this->waitFor('[id="buyer.1-name"]');
    foreach (['buyer.1' => 'Adaeze Fjordholm', 'buyer.2' => 'Søren Fjordholm'] as $seat => $name) {
        $this->enter("[id=\"{$seat}-name\"]", $name);
    }
    $this->browser->navigate()->refresh();
    $first = fn () => $this->find('[id="buyer.1-name"]')->getAttribute('value');
    expect($first())->toBe('Adaeze Fjordholm');
    $this->press('Order of the buyers')->press('Move up', '.by-hand[open]');
    $this->seeText('The numbers follow');
    expect($first())
        ->toBe('Søren Fjordholm')
        ->and($this->find('[id="buyer.2-name"]')->getAttribute('value'))
        ->toBe('Adaeze Fjordholm');
    $this->visit('/files?q=lanternfish')->waitFor('table [data-open]')->click();
    $this->waitFor('.board');
    $this->visit($this->browser->getCurrentURL().'/opening')
        ->press('Order of the buyers')
        ->press('Move up', '.by-hand[open]');
    $this->seeText('Papers are out for signature under these numbers');
});
