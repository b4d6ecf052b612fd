<?php

declare(strict_types=1);

use App\Storage\Bytes;
use App\Storage\BytesMissing;
use App\Storage\LocalStore;
use App\Storage\S3Store;
use GuzzleHttp\Client;
use GuzzleHttp\Handler\MockHandler;
use GuzzleHttp\HandlerStack;
use GuzzleHttp\Middleware;
use GuzzleHttp\Psr7\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperRefusal;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Scratch;

$entry = static fn (string $blank, string $value, array $more = []) => [
    'blank' => $blank,
    'value' => $value,
    'key' => 'k-'.bin2hex(random_bytes(6)),
    ...$more,
];

it('stores an entry, computes what follows and says what is still missing', function () use ($entry) {
    $paper = $this->paper($this->aFile(), 'M-201');
    $body = $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('further_earnest', '2k'))
        ->assertOk()
        ->json();
    expect($body['blanks']['further_earnest']['shown'])
        ->toBe('2,000')
        ->and($body['blanks']['balance']['shown'])
        ->toBe('4,437.50')
        ->and($body['stored'])
        ->toMatch('/^\d{1,2}:\d\d [ap]m$/')
        ->and($body['ask'])
        ->toBeNull();
});

it('stores the same entry once, however often it is sent', function () use ($entry) {
    $paper = $this->paper($this->aFile(), 'M-201');
    $sent = $entry('excluded', 'lamp');
    foreach (range(1, 3) as $try) {
        $this->as('tomas')
            ->postJson("/papers/{$paper->key}/entries", $sent)
            ->assertOk();
    }
    $this->seeAll();
    expect(DB::table('paper_entries')->where('paper_id', $paper->id)->where('blank', 'excluded')->count())->toBe(1);
});

it('keeps every earlier entry as its own event', function () use ($entry) {
    $paper = $this->paper($this->aFile(), 'M-201');
    foreach (['lamp', 'lamp and mirror', ''] as $value) {
        $this->as('tomas')
            ->postJson("/papers/{$paper->key}/entries", $entry('known', $value))
            ->assertOk();
    }
    $this->seeAll();
    expect(
        DB::table('paper_entries')->where('paper_id', $paper->id)->where('blank', 'known')->orderBy('id')->pluck('value')->all(),
    )->toBe(['lamp', 'lamp and mirror', '']);
});

it('asks whether the term changed or only this page, and does as told', function () use ($entry) {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $ask = $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('price', '420,000'))
        ->json('ask');
    expect($ask)->toMatchArray(['blank' => 'price', 'term' => 'Price', 'here' => '420,000', 'there' => '412,500']);
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('price', '420,000', ['scope' => 'term']))
        ->assertOk();
    $this->seeAll();
    expect($file->knownFacts()->where('name', 'price')->value('value'))->toBe('420000.00');
    $other = $this->as('tomas')
        ->get("/papers/{$this->paper($file, 'M-215')->key}")
        ->assertOk();
    $other->assertSee('value="420,000"', false);
});

it('follows the term again when told', function () use ($entry) {
    $paper = $this->paper($this->aFile(), 'M-201');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('price', '1'))
        ->assertOk();
    $body = $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('price', '', ['scope' => 'follow']))
        ->json();
    expect($body['blanks']['price'])->toMatchArray(['shown' => '412,500', 'departs' => false]);
});

it('clears the other ticks of a group, also one that follows a term', function () use ($entry) {
    $paper = $this->paper($this->aFile(), 'M-201');
    $body = $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('fin_cash', 'x'))
        ->json('blanks');
    expect($body['fin_cash']['shown'])->toBe('x')->and($body['fin_government']['shown'])->toBe('');
});

it('refuses an unreadable entry with how to write it, and the one before stands', function () use ($entry) {
    $paper = $this->paper($this->aFile(), 'M-201');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('repair_cap', '1500'))
        ->assertOk();
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('repair_cap', 'plenty'))
        ->assertStatus(422)
        ->assertJsonPath('message', fn (string $text) => str_contains($text, 'Write it as'));
    $this->seeAll();
    expect(DB::table('paper_values')->where('paper_id', $paper->id)->where('blank', 'repair_cap')->value('value'))->toBe('1500.00');
});

it('takes no entry for a blank that is not there, or on a paper that is out', function () use ($entry) {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('nonsense', 'x'))
        ->assertStatus(409);
    $this->seeAll();
    $this->aRound($file, ['M-102']);
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", $entry('property', 'x'))
        ->assertStatus(409)
        ->assertJsonPath('message', fn (string $text) => str_contains($text, 'out for signature'));
});

it('shows the page with every blank at its place', function () {
    $paper = $this->paper($this->aFile(), 'M-201');
    $html = (string) $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->getContent();
    expect(substr_count($html, 'data-blank='))
        ->toBe(count($paper->form()->blanks))
        ->and($html)
        ->toContain('Sunniva Eide and José Nguyễn-Ortiz');
});

it('gives a picture for each page of a paper and none beyond', function () {
    $paper = $this->paper($this->aFile(), 'M-230');
    $this->as('tomas')
        ->get("/papers/{$paper->key}/pages/1.webp")
        ->assertOk()
        ->assertHeader('Content-Type', 'image/webp');
    $this->as('tomas')
        ->get("/papers/{$paper->key}/pages/9.webp")
        ->assertNotFound();
    $this->as('tomas')
        ->get("/papers/{$paper->key}/pages/0.webp")
        ->assertNotFound();
});

it('puts chosen papers together in the chosen order', function () {
    $file = $this->aFile();
    $keys = array_map(fn (string $form) => $this->paper($file, $form)->key, ['M-230', 'M-102']);
    $pdf = (string) $this->as('tomas')
        ->post("/files/{$file->key}/assembled", ['papers' => $keys])
        ->assertOk()
        ->getContent();
    $text = textOf($pdf);
    expect(strpos($text, 'Lead-based paint disclosure'))->toBeLessThan(strpos($text, 'Agency disclosure'))->and($text)->toContain('4/4');
});

it('assembles nothing from nothing, and nothing that has not come in', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->post("/files/{$file->key}/assembled", [])
        ->assertSessionHasErrors('papers');
    $this->seeAll();
    $expected = $file->papers()->where('state', 'expected')->firstOrFail();
    $this->as('tomas')
        ->post("/files/{$file->key}/assembled", ['papers' => [$expected->key]])
        ->assertSessionHas('reason', PaperRefusal::NothingToPrint->value);
    $this->as('tomas')
        ->post("/files/{$file->key}/assembled", ['papers' => ['01ARZ3NDEKTSV4RRFFQ69G5FAV']])
        ->assertSessionHas('reason', PaperRefusal::NoLongerInFile->value);
});

it('brings in a PDF for the placeholder that waits for it', function () {
    $file = $this->aFile();
    $expected = $file->papers()->where('title', 'Earnest money receipt')->firstOrFail();
    $scratch = new Scratch();
    $upload = new UploadedFile(
        $scratch->put('r.pdf', press()->print([new Drawing(612, 792)])),
        'receipt.pdf',
        'application/pdf',
        null,
        true,
    );
    $this->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => $upload, 'paper' => $expected->key])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($expected->refresh()->state->value)
        ->toBe('ready')
        ->and($expected->latest->pages)
        ->toBe(1);
});

it('refuses what is no usable PDF, and nothing changes', function (string $bytes, string $told) {
    $file = $this->aFile();
    $scratch = new Scratch();
    $before = $file->papers()->count();
    $this->as('tomas')
        ->post("/files/{$file->key}/papers", [
            'pdf' => new UploadedFile($scratch->put('x.pdf', $bytes), 'x.pdf', 'application/pdf', null, true),
        ])
        ->assertSessionHas(
            'refused',
            fn (string $text) => str_contains($text, $told) && str_contains($text, 'Nothing in the file was changed'),
        );
    $this->seeAll();
    expect($file->papers()->count())->toBe($before);
})->with([['hello', 'This is not a PDF, a picture'], ["%PDF-1.4\ngarbage", 'cut off: its end is missing']]);

it('stores bytes once under their sum and never gives changed ones out', function () {
    $bytes = app(Bytes::class);
    $id = $this->people['tomas']->brokerage_id;
    $content = random_bytes(500);
    $sum = $bytes->keep($id, $content);
    expect($sum)
        ->toBe(hash('sha256', $content))
        ->and($bytes->keep($id, $content))
        ->toBe($sum)
        ->and($bytes->read($sum))
        ->toBe($content)
        ->and(DB::table('blobs')->where('sha256', $sum)->count())
        ->toBe(1);
    file_put_contents($bytes->path($sum), 'tampered');
    expect(fn () => $bytes->read($sum))->toThrow(BytesMissing::class);
    unlink($bytes->path($sum));
    expect(fn () => $bytes->read($sum))->toThrow(BytesMissing::class);
});

it('speaks S3 with signed requests, and checks what it gets', function () {
    $content = 'paper bytes';
    $sum = hash('sha256', $content);
    $asked = [];
    $stack = HandlerStack::create(
        new MockHandler([
            new Response(200),
            new Response(200, [], $content),
            new Response(200, [], 'changed'),
            new Response(404),
            new Response(404),
            new Response(403),
            new Response(403),
        ]),
    );
    $stack->push(Middleware::history($asked));
    $client = S3Store::client(
        ['endpoint' => 'http://store.example:9000/', 'region' => 'us-east-1', 'key' => 'key', 'secret' => 'secret'],
        ['http_handler' => new Aws\Handler\Guzzle\GuzzleHandler(new Client(['handler' => $stack])), 'retries' => 0],
    );
    $scratch = new Scratch();
    $store = static fn (string $near) => new S3Store($client, 'papers', new LocalStore($scratch->path($near)));
    $store('one')->write($sum, $content);
    expect($store('two')->read($sum))
        ->toBe($content)
        ->and(fn () => $store('three')->read($sum))
        ->toThrow(BytesMissing::class)
        ->and($store('four')->has($sum))
        ->toBeFalse()
        ->and(fn () => $store('five')->read($sum))
        ->toThrow(BytesMissing::class)
        ->and(fn () => $store('six')->write($sum, $content))
        ->toThrow(RuntimeException::class, 'did not accept the file')
        ->and(fn () => $store('seven')->has($sum))
        ->toThrow(RuntimeException::class, 'does not answer');
    $put = $asked[0]['request'];
    expect($put->getMethod())
        ->toBe('PUT')
        ->and((string) $put->getUri())
        ->toBe("http://store.example:9000/papers/{$sum}")
        ->and($put->getHeaderLine('x-amz-content-sha256'))
        ->toBe($sum)
        ->and($put->getHeaderLine('Authorization'))
        ->toMatch('~^AWS4-HMAC-SHA256 Credential=key/\d{8}/us-east-1/s3/aws4_request, SignedHeaders=[a-z0-9;-]+, Signature=[0-9a-f]{64}$~');
});
