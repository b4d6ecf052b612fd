<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Support\BrowserCase;
use Tests\Support\Hand;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

// What a job costs a person, in clicks, keys and fields filled. A change that makes one dearer has to say why here.

function onePager(Scratch $scratch, string $words): string
{
    is_dir($scratch->path('cache')) || mkdir($scratch->path('cache'));

    return (new Press($scratch->path('cache'), $scratch->path('cache')))->print([(new Drawing(612, 792))->text(72, 100, 16, $words)]);
}

function onDay(int $days): string
{
    return (new DateTimeImmutable("{$days} days", new DateTimeZone('America/New_York')))->format('Y-m-d');
}

it('opens a buyer’s file under contract, with five papers uploaded and submitted, in at most 13 actions', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/files');
    $hand = new Hand($this);
    $hand->key('n')->type('#first', '31 Tallowgate Street, Wennick', Keys::ENTER);
    $this->seeText('31 Tallowgate Street', 'h1');
    $hand->type('[id="buyer.1-name"]', 'Runa Ostergaard')->type('#fact-price', '318,000')->type('#fact-closing', onDay(40))->key('f');
    $this->waitFor('.board');
    $scratch = Scratch::open();
    $names = array_slice(
        array_map(fn ($one) => trim($one->getText()), $this->all('tr.row .paper-name')),
        0,
        5,
    );
    $hand->drop('.board', array_combine(array_map(fn ($name) => "{$name}.pdf", $names), array_map(fn ($name) => onePager($scratch, $name), $names)));
    $this->seeText('5 papers', 'body', 40);
    $hand->type('#fact-acceptance', onDay(-1));
    $this->seeText('Under contract');
    $hand->take('#all-papers')->click('Submit to broker', '.board-head');
    $this->eventually(fn () => str_contains($this->find('.board')->getText(), 'Submitted') ?: null, 'nothing was submitted');
    $key = basename((string) parse_url((string) $this->browser->getCurrentURL(), PHP_URL_PATH));
    $of = "FROM requirements r JOIN deal_files f ON f.id = r.deal_file_id WHERE f.key = '{$key}' AND r.review_state = 'submitted'";
    expect((int) one("SELECT count(*) {$of}"))->toBe(5)->and($hand->actions)->toBeLessThanOrEqual(13);
});

it('sends an offer from a listing for signature in at most 25 actions, and one for each blank', function () {
    /** @var BrowserCase $this */
    $this->signIn('tomas')->visit('/files');
    $hand = new Hand($this);
    $hand->key('n')->type('#first', 'Sawmill', '');
    $hand->take('#found button');
    $this->seeText('5 Sawmill Terrace', 'h1');
    foreach (['buyer.1' => 'Ilse Vantongeren', 'buyer.2' => 'Piet Vantongeren'] as $seat => $name) {
        $hand->type("[id=\"{$seat}-name\"]", $name)->type("[id=\"{$seat}-email\"]", strtok($name, ' ').'@client.example');
    }
    $terms = [
        'price' => '351,000',
        'earnest_money' => '5k',
        'loan_percent' => '80',
        'offer_date' => onDay(0),
        'offer_expiry' => onDay(2),
        'offer_expiry_time' => '5pm',
        'closing' => onDay(35),
        'possession' => onDay(35),
        'earnest_days' => '3',
        'loan_days' => '30',
    ];
    foreach ($terms as $term => $value) {
        $hand->type("#fact-{$term}", $value);
    }
    $hand->choose('#fact-financing', 'conventional')->key('f');
    $this->waitFor('.board');
    $rest = $hand->actions;
    $blanks = 0;
    foreach (['Purchase agreement', 'Financing addendum'] as $title) {
        $this->press($title, '.board');
        $this->find('#left');
        for ($guard = 0; $guard < 60 && ($missing = $this->all('.blank.missing')) !== []; $guard++) {
            $left = count($missing);
            $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$missing[0]]);
            $missing[0]->getAttribute('type') === 'checkbox' ? $missing[0]->click() : $missing[0]->sendKeys('1'."\t");
            $blanks++;
            $this->eventually(fn () => count($this->all('.blank.missing')) < $left ?: null, 'the blank stays missing');
        }
        $this->seeText('nothing missing', '#left');
        $this->browser->navigate()->back();
        $this->waitFor('.board');
        $this->browser->navigate()->refresh();
        $this->waitFor('.board');
    }
    foreach (['Purchase agreement', 'Financing addendum'] as $title) {
        $hand->take("input[aria-label=\"Select {$title}\"]");
    }
    $hand->key('s');
    $this->waitFor('#compose');
    $hand->key(Keys::CONTROL.Keys::ENTER.Keys::NULL);
    $this->seeText('The first signers have an email.');
    expect($hand->actions)->toBeLessThanOrEqual(25)->and($rest)->toBeLessThanOrEqual(19)->and($blanks)->toBeGreaterThan(0);
});

it('accepts a paper in one action and sends one back with a remark on the page in three', function () {
    /** @var BrowserCase $this */
    $this->signIn('ines')->visit('/review')->press('Review', 'table');
    $this->waitFor('#send-back');
    $title = $this->find('.desk-bar h1')->getText();
    // As whoever has read the page.
    $this->eventually(fn () => $this->browser->executeScript('return performance.now() > 1500') ?: null, 'time stands still');
    $hand = (new Hand($this))->key('a');
    $this->seeText('accepted');
    expect($hand->actions)->toBe(1)->and($this->find('.desk-bar h1')->getText())->not->toBe($title);

    $hand = (new Hand($this))->point('.pages .page', 60, -40);
    $this->seeText('page 1', '#pinned');
    $hand->type('[name=remark]', 'The last line is cut off.', '')->click('Send back b', '.decide');
    $this->seeText('sent back');
    expect($hand->actions)->toBe(3);
});

it('makes a kit of three papers, a task and a condition in at most 12 actions', function () {
    /** @var BrowserCase $this */
    $this->signIn('fenna')->visit('/kits');
    $hand = (new Hand($this))->type('#kit-name', 'Old houses', '')->click('Make kit');
    $this->seeText('Old houses', 'h1');
    $forms = array_map(fn ($one) => $one->getAttribute('value'), $this->all('select[name="lines[0][form]"] option'));
    $hand->choose('select[name="lines[0][form]"]', $forms[1])
        ->choose('select[name="lines[1][form]"]', $forms[2])
        ->type('input[name="lines[2][title]"]', 'Chimney report', Keys::ENTER);
    $this->seeText('version 2', '.head-row');
    $hand->type('[aria-label="task 1"]', 'Ask for the chimney report', Keys::ENTER);
    $this->seeText('version 3', '.head-row');
    expect($hand->actions)->toBeLessThanOrEqual(12);
});

it('goes on in a follow-on file in at most 5 actions', function () {
    /** @var BrowserCase $this */
    $name = (string) one("SELECT name FROM deal_files WHERE status = 'terminated' ORDER BY id LIMIT 1");
    $this->openFile('wendell', $name);
    $hand = (new Hand($this))->click('Start follow-on file');
    $this->eventually(fn () => $this->all('a.button[data-press=f]')[0] ?? $this->all('.board')[0] ?? null, 'no file was opened');
    expect($hand->actions)->toBeLessThanOrEqual(5);
});
