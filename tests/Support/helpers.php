<?php

declare(strict_types=1);

require_once __DIR__.'/guarded-routes.php';
require_once __DIR__.'/routes-without-file.php';

use App\Intake\Actions\TakeMail;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Requirement;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entered;
use Unanimus\Evidence\TrustList;
use Unanimus\Money\Money;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Parties\PartyDetails;
use Unanimus\Terms\Facts;

function press(): Press
{
    $cache = sys_get_temp_dir().'/unanimus-test-press-'.getmyuid();
    is_dir($cache) || mkdir($cache);

    return new Press(dirname(__DIR__, 2).'/library/fonts', $cache);
}

function textOf(string $pdf): string
{
    $scratch = new Scratch();

    return (new NativeTool())->run(['pdftotext', '-layout', $scratch->put('a.pdf', $pdf), '-']);
}

function isClean(string $pdf): bool
{
    $scratch = new Scratch();

    return str_contains((new NativeTool())->run(['qpdf', '--check', $scratch->put('a.pdf', $pdf)]), 'No syntax or stream encoding errors');
}

/** The folder of the test copy's own certificates. */
function authority(): string
{
    return testState().'/secrets/authority';
}

function ourRoots(): TrustList
{
    return TrustList::fromFiles([authority().'/root.crt'], [authority().'/root.crt']);
}

/** How many dark points a place of 20 by 20 points on a page has, from its upper left corner. */
function darkPoints(string $pdf, int $page, int $x, int $y): int
{
    $scratch = new Scratch();
    (new NativeTool())->run([
        'pdftocairo',
        '-png',
        '-r',
        '72',
        '-singlefile',
        '-f',
        (string) $page,
        '-l',
        (string) $page,
        $scratch->put('a.pdf', $pdf),
        $scratch->path('p'),
    ]);
    $picture = imagecreatefrompng($scratch->path('p.png'));
    $dark = 0;
    for ($i = 0; $i < 400; $i++) {
        $dark += (imagecolorat($picture, $x + ($i % 20), $y + intdiv($i, 20)) & 0xFF) < 128 ? 1 : 0;
    }

    return $dark;
}

/** @return list<string> subjects of the letters to an address */
function lettersTo(string $address): array
{
    return DB::table('letters')->where('recipient', $address)->orderBy('id')->pluck('subject')->all();
}

/** The owner of the database, whom the application never is. */
function owner(): PDO
{
    $to = (array) config('database.connections.pgsql');
    $word = trim((string) file_get_contents(dirname((string) config('unanimus.authority')).'/owner'));

    return new PDO("pgsql:host={$to['host']};port={$to['port']};dbname={$to['database']}", 'unanimus_owner', $word, [
        PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION,
    ]);
}

/** What a test has committed is taken away as only the owner can. */
function emptyAll(PDO $owner): void
{
    foreach (['history', 'brokerage_history', 'paper_entries'] as $kept) {
        $owner->exec("ALTER TABLE {$kept} DISABLE TRIGGER ALL");
    }
    $tables = $owner
        ->query("SELECT string_agg(tablename, ', ') FROM pg_tables WHERE schemaname = 'public' AND tablename <> 'migrations'")
        ->fetchColumn();
    $owner->exec("TRUNCATE {$tables} RESTART IDENTITY CASCADE");
    foreach (['history', 'brokerage_history', 'paper_entries'] as $kept) {
        $owner->exec("ALTER TABLE {$kept} ENABLE TRIGGER ALL");
    }
}

/** Someone who runs another brokerage. */
function anotherOne(): App\Models\User
{
    $id = (int) DB::selectOne("SELECT nextval(pg_get_serial_sequence('brokerages', 'id')) AS id")->id;
    App\Models\Sight::ofBrokerage($id);
    DB::insert('INSERT INTO brokerages (id, key, name) OVERRIDING SYSTEM VALUE VALUES (?, ?, ?)', [
        $id,
        (string) Illuminate\Support\Str::ulid(),
        'Harborstone Homes',
    ]);
    $office = App\Models\Office::create(['brokerage_id' => $id, 'name' => 'Saltreach', 'zone' => 'America/New_York', 'holidays' => []]);
    $user = App\Models\User::create([
        'brokerage_id' => $id,
        'name' => 'Lucian Ferro',
        'email' => 'lucian@harborstone.example',
        'password' => 'x',
    ]);
    foreach (['agent', 'broker', 'administrator'] as $role) {
        App\Models\OfficeRole::create(['brokerage_id' => $id, 'user_id' => $user->id, 'office_id' => $office->id, 'role' => $role]);
    }

    return $user;
}

/** Priya lists, Caleb comes in for the buyers. */
function bothSides(): DealFile
{
    $test = test();
    Illuminate\Support\Facades\Auth::setUser($test->people['priya']);
    $file = app(App\Files\Actions\OpenFile::class)($test->people['priya'], \Unanimus\Parties\Representation::Seller);
    $file->update(['listing_number' => 'TR-26-03544']);
    app(App\Files\Actions\SetParty::class)($file, Unanimus\Signing\Seat::of('seller.1'), new PartyDetails(
        name: 'Idris Vantongeren',
        email: 'idris@vantongeren.example',
    ));
    app(App\Files\Actions\SetFact::class)->many($file, [
        'property.street' => '77 Millrace Court',
        'property.unit' => '3B',
        'property.zip' => '20410',
        'price' => '287,000',
        'payoff' => '123,456',
    ]);
    Illuminate\Support\Facades\Auth::setUser($test->people['caleb']);
    $file = app(App\Files\Actions\OpenFile::class)->joinOtherSide($file->id, $test->people['caleb']);
    app(App\Files\Actions\SetParty::class)($file, Unanimus\Signing\Seat::of('buyer.1'), new PartyDetails(
        name: 'Leonie Abara',
        email: 'leonie@abara.example',
    ));
    Illuminate\Support\Facades\Auth::forgetGuards();
    $test->seeAll();

    return $file->refresh();
}

/** The test copy's database as its owner sees it, to look at what really stands there. */
function ledger(): PDO
{
    static $pdo = null;
    $state = testState();
    $env = parse_ini_file("{$state}/.env", false, INI_SCANNER_RAW) ?: [];

    return $pdo ??= new PDO(
        "pgsql:host=127.0.0.1;port={$env['DB_PORT']};dbname=unanimus",
        'unanimus_owner',
        trim((string) file_get_contents("{$state}/secrets/owner")),
        [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
    );
}

function one(string $query): mixed
{
    return ledger()->query($query)->fetchColumn();
}

/** @param  array<string, mixed>  $entry */
function entry(App\Models\Paper $paper, array $entry, int $status = 200): mixed
{
    $answer = test()
        ->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['value' => '', ...$entry])
        ->assertStatus($status)
        ->json();
    test()->seeAll();

    return $answer;
}

function brought(string $text): Illuminate\Http\UploadedFile
{
    $path = (string) tempnam(sys_get_temp_dir(), 'once');
    file_put_contents($path, press()->print([(new Unanimus\Pages\Drawing(612, 792))->text(72, 90, 14, $text)]));

    return new Illuminate\Http\UploadedFile($path, "{$text}.pdf", 'application/pdf', null, true);
}

/** Every paper waived, the commission entered and authorized. */
function authorized(DealFile $file): void
{
    foreach ($file->requirements()->get() as $requirement) {
        test()
            ->as('ines')
            ->post("/requirements/{$requirement->key}/waive", ['reason' => 'for this test']);
    }
    test()->seeAll();
    DB::table('commissions')->where('deal_file_id', $file->id)->exists() ||
        test()
            ->as('tomas')
            ->put("/files/{$file->key}/commission", ['rate' => '2.75', 'agent_share' => '70', 'fee' => '395', 'fee_name' => 'Fee'])
            ->assertSessionHas('told');
    test()
        ->as('ines')
        ->post("/files/{$file->key}/commission/authorize")
        ->assertSessionHas('told');
    test()->seeAll();
}

/** A paper from outside, brought into a file, with a round composed of it. */
function roundOfPaper(DealFile $file, string $content): App\Models\Round
{
    $test = test();
    $bytes = str_starts_with($content, '%PDF') ? $content : Tests\Support\MadePdf::page($content);
    $pdf = Illuminate\Http\UploadedFile::fake()->createWithContent('Their addendum.pdf', $bytes);
    $test->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => $pdf, 'key' => 'outside-paper-1'], ['Accept' => 'application/json'])
        ->assertOk();
    $test->seeAll();
    $paper = App\Models\Paper::query()->where('title', 'Their addendum')->sole();
    $test->as('tomas')
        ->post("/files/{$file->key}/rounds", ['papers' => [$paper->key]])
        ->assertRedirect();
    $test->seeAll();

    return App\Models\Round::query()->orderByDesc('id')->firstOrFail();
}

/** A second brokerage with one person, in the same installation. */
function anotherBrokerage(): App\Models\User
{
    $id = (int) Illuminate\Support\Facades\DB::selectOne("SELECT nextval(pg_get_serial_sequence('brokerages', 'id')) AS id")->id;
    App\Models\Sight::ofBrokerage($id);
    Illuminate\Support\Facades\DB::insert(
        'INSERT INTO brokerages (id, key, name, intake_hash, sender_name, sender_address) OVERRIDING SYSTEM VALUE VALUES (?, ?, ?, '.
            '?, ?, ?)',
        [
            $id,
            (string) Illuminate\Support\Str::ulid(),
            'Harborstone Homes',
            hash('sha256', 'their-token'),
            'Harborstone Homes',
            'deals@harborstone.example',
        ],
    );
    $office = App\Models\Office::create(['brokerage_id' => $id, 'name' => 'Saltreach', 'zone' => 'America/New_York', 'holidays' => []]);
    $user = App\Models\User::create([
        'brokerage_id' => $id,
        'name' => 'Lucian Ferro',
        'email' => 'lucian@harborstone.example',
        'password' => Illuminate\Support\Facades\Hash::make('x'),
    ]);
    App\Models\OfficeRole::create(['brokerage_id' => $id, 'user_id' => $user->id, 'office_id' => $office->id, 'role' => 'agent']);

    return $user;
}

/**
 * Lines as they are printed on a page: from the left, from the foot, and what they say.
 *
 * @param list<array{int, int, string}> $lines
 */
function written(array $lines): string
{
    return implode('', array_map(static fn (array $line) => Tests\Support\MadePdf::text($line[0], $line[1], $line[2], 10), $lines));
}

/** @param  array<string, mixed>  $change */
function placed(App\Models\Round $round, array $change, string $who = 'tomas'): Illuminate\Testing\TestResponse
{
    static $number = 0;

    return test()->as($who)->postJson("/rounds/{$round->key}/marks", ['key' => 'change-key-'.(++$number), ...$change]);
}

/** @return list<string> */
function marksOf(App\Models\Round $round): array
{
    test()->seeAll();

    return array_values(
        $round->marks()
            ->orderBy('y')
            ->orderBy('x')
            ->get()
            ->map(static fn ($mark) => "{$mark->kind->value} {$mark->seat}".($mark->sure === null ? '' : ' in pencil'))
            ->all(),
    );
}

/** What the sealed set of a round says. */
function sealedText(App\Models\Round $round): string
{
    $set = App\Models\SealedSet::query()->where('round_id', $round->id)->whereNull('round_paper_id')->sole();

    return (string) preg_replace('/\s+/', ' ', textOf(app(App\Storage\Bytes::class)->read($set->sha256)));
}

/** A letter with a paper, to that address. */
function mailArrivesTo(string $address, string $subject): InboundItem
{
    test()->seeAll();
    $pdf = chunk_split(base64_encode(MadePdf::page(MadePdf::text(72, 700, "Paper of {$subject}"))));
    app(TakeMail::class)(
        test()->people['tomas']->brokerage_id,
        "From: x@y.example\r\nTo: {$address}\r\nSubject: {$subject}\r\nMessage-ID: <".md5($subject)."@x>\r\n".
            "Content-Type: application/pdf; name=paper.pdf\r\nContent-Transfer-Encoding: base64\r\n\r\n{$pdf}",
    );
    test()->seeAll();

    return InboundItem::query()->orderByDesc('id')->firstOrFail();
}

/** A file whose agency disclosure is signed and sealed. */
function aSignedFile(array $terms = []): DealFile
{
    $file = test()->aFile($terms);
    $round = test()->aRound($file);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        test()->signs($round, $seat);
    }
    test()->work();

    return $file;
}

function requirement(DealFile $file, string $title): Requirement
{
    return $file->requirements()->where('title', $title)->firstOrFail();
}

/**
 * A sheet of one agent.
 *
 * @param array<string, mixed> $more what is entered besides
 * @param array<string, string> $facts
 */
function oneSheet(string $price, string $rate, string $share, string $fee, array $more = [], array $facts = []): CommissionSheet
{
    $entered = Entered::read([
        'rate' => $rate,
        ...$more,
        'fees' => [['label' => 'Fee', 'amount' => $fee], ...$more['fees'] ?? []],
    ]);
    $given = $entered->given(Facts::from($facts), $price, '2026-11-28', ['agent:T' => ['plan' => ['rate' => $share]]]);

    return CommissionSheet::of(Money::of($price), $given, [
        'agent:T' => ['Tomás Reyes-Whitlock', 'agent'],
        'company' => ['Quillmark Realty', 'company'],
        'client' => ['Credit to the client', 'client'],
    ]);
}
