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
    $hand->type('[id="buyer.1-name"]', 'Runa Ostergaard')->type('#fact-closing', onDay(40));
    $hand->choose('#fact-financing', 'conventional')->key('f');
    $this->waitFor('.board');
    $scratch = new Scratch();
    $titles = ['Agency disclosure', 'Purchase agreement', 'Financing addendum', 'Earnest money receipt', 'Closing statement'];
    $hand->drop(
        '.board',
        array_combine(array_map(fn ($name) => "{$name}.pdf", $titles), array_map(fn ($name) => onePager($scratch, $name), $titles)),
    );
    $this->waitFor('#placing', 40);
    $hand->click('Place 5 files');
    $this->seeText('Placed 5 files.');
    $hand->type('#fact-acceptance', onDay(-1));
    $this->seeText('Under contract');
    $hand->take('#all-papers')->click('Submit to broker', '.board-head');
    $this->eventually(fn () => str_contains($this->find('.board')->getText(), 'Submitted') ?: null, 'nothing was submitted');
    $key = basename((string) parse_url((string) $this->browser->getCurrentURL(), PHP_URL_PATH));
    $of = "FROM requirements r JOIN deal_files f ON f.id = r.deal_file_id WHERE f.key = '{$key}' AND r.review_state = 'submitted'";
    expect((int) one("SELECT count(*) {$of}"))->toBe(5)->and($hand->actions)->toBeLessThanOrEqual(11);
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
    $file = (string) $this->browser->getCurrentURL();
    $blanks = 0;
    foreach (['Purchase agreement', 'Financing addendum'] as $title) {
        $this->press($title, '.board');
        $this->find('#left');
        $blanks += count($this->all('.blank.missing'));
        $this->eventually(
            function (): ?bool {
                $field = $this->all('.blank.missing')[0] ?? null;
                if ($field === null) {
                    return true;
                }
                $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$field]);
                $field->getAttribute('type') === 'checkbox' ? $field->click() : $field->sendKeys('1'."\t");
                usleep(250_000);

                return null;
            },
            'blanks stay missing',
            60,
        );
        $this->seeText('nothing missing', '#left');
        $this->visit($file)->waitFor('.board');
    }
    foreach (['Purchase agreement', 'Financing addendum'] as $title) {
        $hand->take("input[aria-label=\"Select {$title}\"]");
    }
    $hand->key('s');
    $this->waitFor('#compose');
    $hand->chord(Keys::CONTROL, Keys::ENTER);
    $this->seeText('The first signers have an email.');
    expect($hand->actions)->toBeLessThanOrEqual(25)->and($rest)->toBeLessThanOrEqual(19)->and($blanks)->toBeGreaterThan(0);
});

it('accepts a paper in one action and sends one back with a remark on the page in three', function () {
    /** @var BrowserCase $this */
    // What the first job submitted waits here.
    $this->signIn('ines')->visit('/review')->press('Review', 'table');
    $this->waitFor('#send-back');
    $title = $this->find('.desk-bar h1')->getText();
    // As whoever has read the page.
    $this->eventually(fn () => $this->browser->executeScript(
        'const came = performance.getEntriesByType("navigation")[0].loadEventEnd; return came > 0 && performance.now() - came > 1400',
    ) ?: null, 'the page does not come');
    $hand = (new Hand($this))->key('a');
    $this->seeText('Accepted.');
    expect($hand->actions)->toBe(1)->and($this->find('.desk-bar h1')->getText())->not->toBe($title);

    $hand = (new Hand($this))->point('.page', 60, -40);
    $this->seeText('page 1', '#pinned');
    $hand->type('[name=remark]', 'The last line is cut off.', '')->click('Send back b', '.decide');
    $this->seeText('Sent back');
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
    $hand->take('input[name=by_itself]')
        ->choose('[name="when[0][fact]"]', 'property.year_built')
        ->choose('[name="when[0][operator]"]', 'below')
        ->type('[name="when[0][value]"]', '1940')
        ->click('Save conditions');
    $this->seeText('version 4', '.head-row');
    $this->visit('/kits');
    expect($this->row('Old houses', 'table tr'))
        ->toContain('1940')
        ->toMatch('/\b3\s+1$/')
        ->and($hand->actions)
        ->toBeLessThanOrEqual(12);
});

it('goes on in a follow-on file in at most 5 actions', function () {
    /** @var BrowserCase $this */
    $name = (string) one(
        "SELECT name FROM deal_files f WHERE status IN ('terminated', 'expired', 'withdrawn')
            AND NOT EXISTS (SELECT 1 FROM deal_files n WHERE n.follows_on = f.id) ORDER BY id DESC LIMIT 1",
    );
    $before = $this->openFile('wendell', $name);
    $hand = (new Hand($this))->click('Start follow-on file');
    $this->waitFor('a.button[data-press=f]');
    $hand->key('f');
    $this->seeText("Continues {$name}");
    expect($this->browser->getCurrentURL())->not->toBe($before)->and($hand->actions)->toBeLessThanOrEqual(5);
});
