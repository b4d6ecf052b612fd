<?php

declare(strict_types=1);

use App\History\History;
use App\History\Sentence;
use App\Models\DealFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use Unanimus\Dates\DateRefusal;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\SeenBy;

$listing = [
    'ListingId' => 'TR-26-04182',
    'StreetNumber' => '14',
    'StreetName' => 'Lanternfish',
    'StreetSuffix' => 'Lane',
    'City' => 'Tidewick',
    'StateOrProvince' => 'MW',
    'PostalCode' => '20417',
    'YearBuilt' => 1962,
    'ListPrice' => 412500,
    'OwnerName' => 'Beatrix Palomar',
    'ListAgentFullName' => 'Lucian Ferro',
    'ListOfficeName' => 'Harborstone Homes',
    'Sewer' => ['Septic Tank'],
    'AssociationName' => 'Lanternfish Cove Association',
];

it('opens a file from a listing number, with everything the exchange knows and where it came from', function () use ($listing) {
    Http::fake(['*' => Http::response(['value' => [$listing]])]);
    $this->as('tomas')
        ->post('/files', ['first' => 'tr-26-04182', 'represents' => 'buyer'])
        ->assertRedirect();
    $this->seeAll();
    $file = DealFile::query()->firstOrFail();
    $facts = $file->knownFacts()->pluck('value', 'name');
    expect($file->name)
        ->toBe('14 Lanternfish Lane, Tidewick')
        ->and($facts['property.year_built'])
        ->toBe('1962')
        ->and($facts['list_price'])
        ->toBe('412500.00')
        ->and((string) $file->knownFacts()->where('name', 'property.zip')->value('source'))
        ->toStartWith('Three Rivers Listing Exchange, ')
        ->and($file->parties()->where('role', 'seller')->value('name'))
        ->toBe('Beatrix Palomar')
        ->and($file->parties()->where('role', 'coagent')->value('firm'))
        ->toBe('Harborstone Homes')
        ->and($file->papers()->pluck('form_number')->all())
        ->toContain('M-230')
        ->toContain('M-222')
        ->and($file->papers()->pluck('title')->all())
        ->toContain('Septic inspection report');
});

it('opens a file by address or by name too', function (string $first, string $name) {
    $this->as('tomas')
        ->post('/files', ['first' => $first])
        ->assertRedirect();
    $this->seeAll();
    expect(DealFile::query()->firstOrFail()->name)->toBe($name);
})->with([['9 Netloft Lane', '9 Netloft Lane'], ['Imogen Hollis', 'Hollis purchase'], ['', 'New file']]);

it('opens the file also when the exchange is silent or has no such listing, and says so', function (callable $answer, string $told) {
    Http::fake(['*' => $answer()]);
    $this->as('tomas')
        ->post('/files', ['first' => 'TR-26-99999'])
        ->assertRedirect()
        ->assertSessionHas('refused', fn (string $text) => str_contains($text, $told));
    $this->seeAll();
    expect(DealFile::query()->count())->toBe(1);
})->with([
    'no such listing' => [fn () => Http::response(['value' => []]), 'has no listing'],
    'an error' => [fn () => Http::response('oops', 500), 'could not read'],
    'no JSON' => [fn () => Http::response('<html>'), 'could not read'],
    'not reachable' => [fn () => Http::failedConnection(), 'does not answer'],
]);

it('keeps what was entered by hand when a listing is read again', function () use ($listing) {
    Http::fake(['*' => Http::response(['value' => [$listing]])]);
    $file = $this->aFile(['property.year_built' => '1961']);
    $this->as('tomas')
        ->post("/files/{$file->key}/listing", ['number' => 'TR-26-04182'])
        ->assertRedirect();
    $this->seeAll();
    expect($file->knownFacts()->where('name', 'property.year_built')->value('value'))
        ->toBe('1961')
        ->and($file->knownFacts()->where('name', 'property.zip')->value('value'))
        ->toBe('20417');
});

it('stores a term as it is typed, and answers with what follows', function () {
    $file = $this->aFile();
    $response = $this->as('tomas')
        ->put("/files/{$file->key}/facts?at=opening", ['name' => 'price', 'value' => '450k'], ['HX-Request' => 'true'])
        ->assertOk();
    $trigger = json_decode((string) $response->headers->get('HX-Trigger'), true)['stored'];
    expect($trigger)->toBe(['about' => 'price', 'fault' => null, 'fields' => ['fact-price' => '$450,000']]);
    $response->assertSee('$434,250');
});

it('refuses an unreadable term in words and keeps the one before', function (string $name, string $typed, string $told) {
    $file = $this->aFile();
    $before = $file->knownFacts()->where('name', $name)->value('value');
    $response = $this->as('tomas')
        ->put("/files/{$file->key}/facts", ['name' => $name, 'value' => $typed], ['HX-Request' => 'true'])
        ->assertOk();
    expect(json_decode((string) $response->headers->get('HX-Trigger'), true)['stored']['fault'])
        ->toContain($told)
        ->toContain('It is not saved.');
    $this->seeAll();
    expect($file->knownFacts()->where('name', $name)->value('value'))->toBe($before);
})->with([
    ['price', 'a lot', 'could not be read as an amount'],
    ['closing', 'soonish', 'could not be read as a date'],
    ['financing', 'barter', 'Choose one of'],
    ['loan_percent', '140', 'between 0 and 100'],
    ['colour', 'red', 'no term'],
]);

it('writes every change of a term into the history, with before and after', function () {
    $file = $this->aFile();
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '400,000']);
    $this->seeAll();
    $entry = DB::table('history')->where('deal_file_id', $file->id)->orderByDesc('seq')->first();
    expect($entry->what)
        ->toBe('Term changed')
        ->and($entry->who)
        ->toBe('Tomás Reyes-Whitlock')
        ->and(json_decode($entry->data, true))
        ->toBe(['name' => 'price', 'after' => '400000.00', 'before' => '412500.00', 'source' => 'entered']);
});

it('changes what is asked for when a fact changes, and takes back only what nobody touched', function () {
    $file = $this->aFile();
    $state = fn (string $form) => $file->papers()->where('form_number', $form)->value('state')->value;
    expect($state('M-230'))->toBe('draft');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.year_built', 'value' => '1990']);
    $this->seeAll();
    expect($state('M-230'))
        ->toBe('void')
        ->and($file->requirements()->where('title', 'Lead-based paint disclosure')->exists())
        ->toBeFalse();
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.year_built', 'value' => '1950']);
    $this->seeAll();
    expect($state('M-230'))
        ->toBe('draft')
        ->and($file->requirements()->where('title', 'Lead-based paint disclosure')->count())
        ->toBe(1);
    $this->as('tomas')
        ->postJson("/papers/{$this->paper($file, 'M-230')->key}/entries", ['blank' => 'known_no', 'value' => 'x', 'key' => 'touch-123'])
        ->assertOk();
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.year_built', 'value' => '1990']);
    $this->seeAll();
    expect($state('M-230'))->toBe('draft');
});

it('is under contract once there is an acceptance', function () {
    $file = $this->aFile();
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'acceptance', 'value' => '2026-11-23']);
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertSee('Under contract')
        ->assertSee('Earnest money');
});

it('seats people, with their signing name and initials, and never prints their addresses', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->put(
            "/files/{$file->key}/parties/buyer.2",
            ['name' => 'José Nguyễn-Ortiz', 'signing_name' => 'J. Nguyễn-Ortiz', 'initials' => 'JN', 'email' => 'jose@eide.example'],
            ['HX-Request' => 'true'],
        )
        ->assertOk();
    $this->seeAll();
    $party = $file->parties()->where('role', 'buyer')->where('number', 2)->firstOrFail();
    expect($party->signing_name)->toBe('J. Nguyễn-Ortiz')->and($party->initials)->toBe('JN');
    foreach (['M-102', 'M-201'] as $form) {
        $pdf = (string) $this->as('tomas')
            ->get("/papers/{$this->paper($file, $form)->key}/pdf")
            ->assertOk()
            ->getContent();
        expect(textOf($pdf))->toContain('José Nguyễn-Ortiz')->not->toContain('@');
        $this->seeAll();
    }
});

it('refuses a wrong seat or email address in words', function (string $seat, array $data, string $told) {
    $file = $this->aFile();
    $response = $this->as('tomas')
        ->put("/files/{$file->key}/parties/{$seat}", $data, ['HX-Request' => 'true'])
        ->assertOk();
    expect(json_decode((string) $response->headers->get('HX-Trigger'), true)['stored']['fault'])->toContain($told);
})->with([['buyer.1', ['name' => 'A', 'email' => 'nonsense'], 'not an email address'], ['king.1', ['name' => 'A'], 'no seat']]);

it('finds a file by fragments of address, person and number, in any order', function (string $query, bool $found) {
    $this->aFile();
    $response = $this->as('tomas')
        ->get('/files?q='.urlencode($query))
        ->assertOk();
    $found ? $response->assertSee('14 Lanternfish Lane') : $response->assertDontSee('14 Lanternfish Lane')->assertSee('No matches');
})->with([
    ['lantern', true],
    ['tidewick 14', true],
    ['eide', true],
    ['palomar lane', true],
    ['zzz', false],
    ["'; DROP", false],
    ['100%', false],
]);

it('shows the file with deal line, board and history within the query budget', function () {
    $file = $this->aFile(['acceptance' => '2026-11-03']);
    $this->aRound($file->refresh(), ['M-102']);
    DB::enableQueryLog();
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertSee('deal-line', false)
        ->assertSee('has to sign');
    expect(count(DB::getQueryLog()))->toBeLessThanOrEqual(25);
});

it('tells an entry of the history as a sentence, with names and not with raw figures', function (string $what, array $data, string $told) {
    expect(Sentence::of($what, $data))->toBe($told);
})->with([
    'an entry on a document' => [
        'Entry',
        ['after' => 'Bench', 'blank' => 'Manager', 'paper' => 'Addendum', 'before' => 'Keel'],
        '“Addendum”: Manager changed from “Keel” to “Bench”',
    ],
    'a first entry' => [
        'Entry',
        ['after' => 'Bench', 'blank' => 'Manager', 'paper' => 'Addendum', 'before' => ''],
        '“Addendum”: Manager filled in: “Bench”',
    ],
    'a first term' => [
        'Term changed',
        ['name' => 'price', 'after' => '412500.00', 'before' => '', 'source' => 'entered'],
        'Price set to $412,500',
    ],
    'a date' => [
        'Term changed',
        ['name' => 'closing', 'after' => '2026-12-09', 'before' => '2026-12-04'],
        'Closing changed from December 4, 2026 to December 9, 2026',
    ],
    'a term taken away' => ['Term changed', ['name' => 'loan_percent', 'after' => '', 'before' => '96.5'], 'Loan removed (was 96.5%)'],
    'a step of a signer' => [
        'Finished signing',
        ['round' => 'Purchase agreement', 'seat' => 'buyer.1'],
        'buyer 1 finished signing “Purchase agreement”',
    ],
    'a moved deadline' => [
        'Date set by hand',
        ['deadline' => 'Inspection deadline', 'from' => '2026-12-04', 'to' => '2026-12-09', 'reason' => 'inspector ill'],
        'Inspection deadline moved from December 4, 2026 to December 9, 2026: inspector ill',
    ],
    'a price' => ['Offer recorded', ['buyers' => 'Leonie Abara', 'price' => '280000.00'], 'Offer from Leonie Abara recorded at $280,000'],
    'dates moved' => [
        'Dates moved',
        ['anchor' => 'Closing', 'from' => '2026-12-18', 'to' => '2026-12-21', 'reason' => 'amendment 1'],
        'Closing moved from December 18, 2026 to December 21, 2026: amendment 1.',
    ],
    'what has no words yet' => ['Something new', ['paper' => 'Addendum', 'sha256' => 'abc'], 'Something new: Addendum'],
    'nothing said' => ['File opened', [], 'File opened'],
]);

it('has words for everything that is written into a history', function () {
    $words = (array) require lang_path('en/history.php');
    $written = [];
    foreach (new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator(app_path())), '/Actions.*\\.php$/') as $path) {
        preg_match_all(
            "/History::(?:add|ofBrokerage)\\([^']*?(?:=== null \\? |\\? )?'([A-Z][^']+)'(?: : '([A-Z][^']+)')?/",
            (string) file_get_contents((string) $path),
            $found,
            PREG_SET_ORDER,
        );
        foreach ($found as $one) {
            array_push($written, ...array_filter(array_slice($one, 1)));
        }
    }
    expect(count($written))
        ->toBeGreaterThan(50)
        ->and(
            array_values(
                array_diff(
                    array_unique($written),
                    array_keys($words),
                    array_map(fn (string $key) => (string) preg_replace('/ \\((first|gone|why)\\)$/', '', $key), array_keys($words)),
                ),
            ),
        )
        ->toBe([]);
});

it('reads the history from the latest entry back to the first, a page at a time', function () {
    $file = $this->aFile();
    foreach (range(1, 70) as $n) {
        History::add($file->brokerage_id, $file->id, "Step {$n} of many", [], SeenBy::everyone());
    }
    $latest = $this->as('tomas')
        ->get("/files/{$file->key}/history")
        ->assertOk()
        ->assertSee('Step 70 of many')
        ->assertDontSee('Step 9 of many')
        ->assertDontSee('File opened');
    expect(preg_match('/before=(\d+)/', (string) $latest->getContent(), $found))->toBe(1);
    $this->as('tomas')
        ->get("/files/{$file->key}/history?before={$found[1]}")
        ->assertOk()
        ->assertSee('Step 9 of many')
        ->assertSee('File opened')
        ->assertDontSee('Step 70 of many')
        ->assertDontSee('Earlier');
    $this->as('tomas')
        ->getJson("/files/{$file->key}/history?before=none")
        ->assertUnprocessable();
});

it('marks a deadline as done and open again', function () {
    $file = $this->aFile(['acceptance' => '2026-11-03']);
    $this->as('tomas')
        ->post("/files/{$file->key}/deadlines/inspection")
        ->assertRedirect();
    $this->seeAll();
    expect($file->knownFacts()->where('name', 'done.inspection')->exists())->toBeTrue();
    $this->as('tomas')->post("/files/{$file->key}/deadlines/inspection");
    $this->as('tomas')->post("/files/{$file->key}/deadlines/inspection", ['done' => '0']);
    $this->as('tomas')
        ->post("/files/{$file->key}/deadlines/nonsense")
        ->assertSessionHas('reason', DateRefusal::NoSuchDeadline->value);
    $this->seeAll();
    expect($file->knownFacts()->where('name', 'done.inspection')->exists())->toBeFalse();
});

it('ends a file with a reason, keeps everything, and takes no more terms', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'terminated', 'reason' => ''])
        ->assertSessionHas('reason', FileRefusal::NoReasonToEnd->value);
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'terminated', 'reason' => 'loan refused'])
        ->assertRedirect();
    $this->as('tomas')->get('/files')->assertDontSee('14 Lanternfish');
    $this->as('tomas')->get('/files?q=status:all')->assertSee('14 Lanternfish');
    $this->as('tomas')
        ->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '1'], ['HX-Request' => 'true'])
        ->assertStatus(409)
        ->assertJsonPath('message', fn (string $told) => str_contains($told, 'What was agreed stays'));
});

it('does not close a file before its disbursement is authorized', function () {
    $file = $this->aFile(['acceptance' => '2026-11-03']);
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'closed'])
        ->assertSessionHas('reason', FileRefusal::NotPaidOut->value);
});

it('has a Today with lanes for everyone', function (string $who) {
    $this->aFile(['acceptance' => '2026-11-03']);
    $this->as($who)->get('/')->assertOk()->assertSee('Waiting on me')->assertSee('Lanes');
})->with(['tomas', 'wendell', 'ines', 'marguerite', 'fenna', 'caleb']);

it('lays out the lanes that close soonest, and all where that is asked', function () {
    $row = (array) DB::table('deal_files')->find($this->aFile(['acceptance' => '2026-11-03'])->id);
    foreach (range(1, 70) as $one) {
        DB::table('deal_files')->insert(array_diff_key($row, ['id' => 0, 'key' => 0, 'mail_code' => 0]) + [
            'key' => strtolower((string) Str::ulid()), 'name' => "{$one} Cooper Way",
        ]);
    }
    $page = $this->as('ines')->get('/')->assertOk()->assertSee('71 open files');
    $page->assertSee('These 60 close soonest.')->assertSee('Show all 71');
    expect(substr_count((string) $page->getContent(), 'class="percent"'))->toBe(60)
        ->and(substr_count((string) $this->as('ines')->get('/?lanes=all')->getContent(), 'class="percent"'))->toBe(71);
    $this->as('ines')->get('/?print=1')->assertOk()->assertSee('71 open files');
});

it('chains the history and tells where it breaks', function () {
    $file = $this->aFile();
    expect(History::fault($file->id))->toBeNull()->and(Artisan::call('history:verify'))->toBe(0);
});
