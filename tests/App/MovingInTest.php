<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\Import;
use App\Models\Offer;
use App\Models\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Unanimus\Access\AccessRefusal;
use Unanimus\Files\OfferRefusal;
use Unanimus\Files\OfferState;
use Unanimus\Files\PartyRefusal;

/** A table brought in and tried by someone. @param  list<string>  $rows */
function tried(string $who, array $rows, string $heading = 'Address;Agent;Side;Buyer;Price;Listing #'): Import
{
    $test = test();
    $test
        ->as($who)
        ->post('/imports', ['table' => UploadedFile::fake()->createWithContent('files.csv', implode("\r\n", [$heading, ...$rows]))])
        ->assertRedirect();
    $test->seeAll();
    $import = Import::query()->orderByDesc('id')->firstOrFail();
    $test
        ->as($who)
        ->put("/imports/{$import->key}/try", ['matched' => $import->matched, 'office' => $import->office->key])
        ->assertSessionHas('told');
    $test->seeAll();

    return $import->refresh();
}

it('opens files from a table: proposed, tried without effect, reported row by row, once', function () {
    $import = tried('wendell', [
        '1 Ropewalk Lane, Pellingford;Priya Anand;buyer;Mira Ashdown;"412,500";TR-26-7001',
        '2 Ropewalk Lane, Pellingford;nobody@x.example;buyer;A B;1;',
        '3 Ropewalk Lane;caleb@quillmark.example;;;a lot;',
        ';;;;;',
        '1 Ropewalk Ln., Pellingford;;buyer;;;',
        '5 Ropewalk Lane;;seller;;;tr-26-7001',
    ]);
    expect(DealFile::query()->count())
        ->toBe(0)
        ->and($import->lines()->pluck('outcome', 'number')->all())
        ->toBe([2 => 'fit', 3 => 'unfit', 4 => 'unfit', 6 => 'twin', 7 => 'twin'])
        ->and($import->lines()->pluck('told', 'number')->all()[3])
        ->toContain('does not open files here')
        ->and($import->lines()->pluck('told', 'number')->all()[4])
        ->toContain('Price');
    $this->as('wendell')
        ->post("/imports/{$import->key}/start")
        ->assertSessionHas('told');
    $this->work();
    $this->work();
    $file = DealFile::query()->firstOrFail();
    expect(DealFile::query()->count())
        ->toBe(1)
        ->and($file->name)
        ->toBe('1 Ropewalk Lane, Pellingford')
        ->and($file->knownFacts()->where('name', 'price')->first())
        ->toMatchArray(['value' => '412500.00', 'source' => 'table “files.csv”'])
        ->and($file->members()->pluck('role', 'user_id')->all())
        ->toBe([$this->people['priya']->id => Role::Agent, $this->people['wendell']->id => Role::Coordinator])
        ->and($import->refresh()->state)
        ->toBe('done')
        ->and($import->lines()->where('number', 2)->value('outcome'))
        ->toBe('opened');
    $this->as('wendell')
        ->post("/imports/{$import->key}/rows/6")
        ->assertRedirect();
    $this->work();
    expect(DealFile::query()->count())->toBe(2);
    $this->as('wendell')
        ->get("/imports/{$import->key}")
        ->assertOk()
        ->assertSee('does not open files here');
    expect(
        $this->as('wendell')
            ->get("/imports/{$import->key}/left.csv")
            ->streamedContent(),
    )
        ->toContain('Why not')
        ->toContain('a lot');
});

it('goes on where it was when the worker is gone in between', function () {
    $import = tried('priya', array_map(fn (int $n) => "{$n} Ropewalk Lane;;buyer;;;", range(1, 30)));
    $this->as('priya')->post("/imports/{$import->key}/start");
    $this->seeAll();
    DB::table('jobs')->delete();
    $this->as('priya')->post("/imports/{$import->key}/start");
    $this->as('priya')->post("/imports/{$import->key}/start");
    $this->work();
    expect(DealFile::query()->count())
        ->toBe(30)
        ->and($import->refresh()->counts())
        ->toBe(['opened' => 30]);
});

it('remembers how columns were matched', function () {
    $import = tried('priya', ['1 Ropewalk Lane;red'], 'Where;Colour');
    expect($import->matched)->toBe(['', '']);
    $this->as('priya')->put("/imports/{$import->key}/try", ['matched' => ['address', 'labels'], 'office' => $import->office->key]);
    expect(tried('priya', ['2 Ropewalk Lane;red'], 'Colour;WHERE')->matched)->toBe(['labels', 'address']);
});

it('lets an agent bring in their own files only, and nobody see another\'s table', function () {
    $import = tried('priya', ['1 Ropewalk Lane;Caleb Nakagawa;buyer;;;']);
    expect($import->lines()->value('told'))->toContain('coordinator or broker');
    foreach (
        [
            ['GET', ''],
            ['GET', '/progress'],
            ['GET', '/left.csv'],
            ['POST', '/start'],
            ['POST', '/rows/2'],
            ['PUT', '/try'],
        ] as [$method, $path]
    ) {
        $this->as('caleb')
            ->call($method, "/imports/{$import->key}{$path}", ['matched' => [], 'office' => 'x'])
            ->assertNotFound();
    }
    $this->as('marguerite')->get('/imports')->assertForbidden();
    $this->as('marguerite')->post('/imports', [])->assertForbidden();
});

it('refuses what is no table and keeps nothing', function () {
    $this->as('priya')
        ->post('/imports', ['table' => UploadedFile::fake()->createWithContent('book.csv', "PK\x03\x04")])
        ->assertSessionHas('refused', fn (string $text) => str_contains($text, 'workbook'));
    $this->seeAll();
    expect(Import::query()->count())->toBe(0);
});

it('shows what a listing has otherwise, and takes over only what is ticked', function () {
    $listing = [
        'ListingId' => 'TR-26-04182',
        'ListingKey' => 'k1',
        'StreetNumber' => '14',
        'StreetName' => 'Lanternfish',
        'StreetSuffix' => 'Lane',
        'City' => 'Tidewick',
        'YearBuilt' => 1963,
        'ListPrice' => 399000,
        'PostalCode' => '20417',
    ];
    Http::fake([
        '*/odata/Property*' => Http::response(['value' => [$listing]]),
        '*/odata/Media*' => Http::response([
            'value' => [
                ['MediaURL' => '/papers/survey.pdf', 'MimeType' => 'application/pdf', 'ShortDescription' => 'Boundary survey'],
                ['MediaURL' => 'http://elsewhere.example/x.pdf', 'MimeType' => 'application/pdf'],
            ],
        ]),
        '*/papers/survey.pdf' => Http::response((string) file_get_contents(base_path('stand-ins/listing-exchange/papers/survey.pdf'))),
        '*' => Http::response('', 500),
    ]);
    $file = $this->aFile(['property.year_built' => '1962']);
    $file->update(['listing_number' => 'TR-26-04182']);
    $this->as('tomas')
        ->get("/files/{$file->key}/listing")
        ->assertOk()
        ->assertSee('1963')
        ->assertSee('1962')
        ->assertSee('Boundary survey')
        ->assertDontSee('elsewhere');
    $this->as('tomas')
        ->post("/files/{$file->key}/listing/facts", ['facts' => ['list_price']])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/files/{$file->key}/listing/papers", ['papers' => ['/papers/survey.pdf', '/papers/../secret']])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($file->knownFacts()->where('name', 'property.year_built')->value('value'))
        ->toBe('1962')
        ->and($file->knownFacts()->where('name', 'list_price')->value('value'))
        ->toBe('399000.00')
        ->and($file->papers()->where('title', 'Boundary survey')->value('state')->value)
        ->toBe('ready');
});

it('lays offers side by side, counters, chooses one and keeps the others', function () {
    $file = $this->aFile(['price' => '']);
    $file->update(['represents' => 'seller', 'status' => 'active']);
    $terms = [
        'price' => '541,000',
        'financing' => 'conventional',
        'loan_percent' => '80',
        'closing' => '1/15/2027',
        'inspection_days' => '10',
    ];
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'payoff', 'value' => '200,000']);
    $this->as('tomas')->get("/files/{$file->key}/offers")->assertOk()->assertSee('Record the first offer below');
    $this->as('tomas')
        ->post("/files/{$file->key}/offers", [
            'buyers' => 'Halvard Ostergaard and Mina Ostergaard',
            'agent' => 'Lucian Ferro',
            'terms' => $terms,
        ])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/files/{$file->key}/offers", ['buyers' => 'Renata Quillfeather', 'terms' => ['price' => '529,500', 'financing' => 'cash']])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/files/{$file->key}/offers", ['buyers' => 'X', 'terms' => ['price' => 'a lot']])
        ->assertSessionHas('refused');
    $this->as('tomas')
        ->get("/files/{$file->key}/offers")
        ->assertSee('$341,000')
        ->assertSee('$11,500 less')
        ->assertSee('cash, no lender')
        ->assertSee('20% down');
    $this->seeAll();
    [$first, $second] = Offer::query()->orderBy('id')->get()->all();
    $this->as('tomas')->post("/files/{$file->key}/offers", [
        'buyers' => $first->buyers,
        'counters' => $first->key,
        'terms' => [...$terms, 'price' => '545,000'],
    ]);
    $this->as('tomas')
        ->put("/files/{$file->key}/offers/{$first->key}", ['do' => 'choose'])
        ->assertSessionHas('reason', OfferRefusal::WasCountered->value);
    $this->seeAll();
    $counter = Offer::query()->where('counters', $first->id)->firstOrFail();
    $this->as('tomas')
        ->put("/files/{$file->key}/offers/{$counter->key}", ['do' => 'choose', 'on' => '11/23/2026'])
        ->assertRedirect("/files/{$file->key}");
    $this->as('tomas')
        ->put("/files/{$file->key}/offers/{$second->key}", ['do' => 'choose'])
        ->assertSessionHas('reason', OfferRefusal::AnotherIsTheContract->value);
    $this->seeAll();
    expect($file->refresh()->status->value)
        ->toBe('under_contract')
        ->and($file->knownFacts()->where('name', 'price')->first())
        ->toMatchArray(['value' => '545000.00', 'source' => 'offer of Halvard Ostergaard and Mina Ostergaard'])
        ->and($file->parties()->where('role', 'buyer')->orderBy('number')->pluck('name')->all())
        ->toBe(['Halvard Ostergaard', 'Mina Ostergaard'])
        ->and(Offer::query()->orderBy('id')->pluck('state')->all())
        ->toBe([OfferState::Countered, OfferState::Open, OfferState::Chosen]);
    $this->as('caleb')
        ->put("/files/{$file->key}/offers/{$second->key}", ['do' => 'decline'])
        ->assertNotFound();
});

it('works the net sheet out from the terms as they are typed', function () {
    $file = $this->aFile(['price' => '400,000']);
    $this->as('tomas')
        ->get("/files/{$file->key}/net")
        ->assertOk()
        ->assertSee('$400,000.00');
    $this->as('tomas')
        ->put("/files/{$file->key}/facts?at=net", ['name' => 'listing_commission', 'value' => '2.5'], ['HX-Request' => 'true'])
        ->assertOk()
        ->assertSee('−$10,000.00')
        ->assertSee('$390,000.00')
        ->assertSee('$400,000 × 2.5');
});

it('finds files also when mistyped, by fields, out as CSV, in kept views', function () {
    $file = $this->aFile(['closing' => '2026-12-18']);
    foreach (
        [
            'lanternfsh',
            'eide tidew',
            'nguyen',
            'status:contract',
            'agent:tomas',
            'agent:me side:buyer',
            'closes:2026-12',
            'needs:paper',
            'purchase agreement',
        ] as $query
    ) {
        $file->update(['status' => 'under_contract']);
        $this->as('tomas')
            ->get('/files?q='.urlencode($query))
            ->assertSee('14 Lanternfish Lane');
    }
    foreach (['status:closed', 'agent:priya', 'closes:2026-11', 'needs:review', 'side:seller', 'zebra'] as $query) {
        $this->as('tomas')
            ->get('/files?q='.urlencode($query))
            ->assertDontSee('14 Lanternfish Lane');
    }
    $this->as('caleb')->get('/files?q=lanternfish')->assertDontSee('14 Lanternfish Lane');
    $this->as('caleb')->get('/find?q=lantern')->assertDontSee('14 Lanternfish Lane');
    $this->as('tomas')->get('/find?q=lantern')->assertSee('14 Lanternfish Lane');
    $this->as('tomas')->get('/find?q=stat')->assertSee('status:');
    $this->seeAll();
    $file
        ->parties()
        ->where('role', 'buyer')
        ->where('number', 1)
        ->update(['name' => '=HYPERLINK("x")']);
    $file->update(['name' => '=HYPERLINK("x")']);
    $csv = $this->as('tomas')->get('/files.csv?q=status:all&columns=status,closing,price')->streamedContent();
    expect($csv)->toStartWith("\u{FEFF}File,Status,Closing,Price")->toContain("'=HYPERLINK")->toContain('2026-12-18,412500.00');
    $this->as('tomas')
        ->post('/views', ['name' => 'Mine', 'query' => 'agent:me', 'shared' => 1])
        ->assertSessionHas('told');
    $this->as('caleb')->get('/files')->assertSee('Mine (shared)');
    $this->seeAll();
    $key = DB::table('saved_views')->value('key');
    $this->as('caleb')
        ->delete("/views/{$key}")
        ->assertSessionHas('reason', AccessRefusal::NotOwnView->value);
    $this->as('tomas')
        ->delete("/views/{$key}")
        ->assertSessionHas('told');
});

it('seats trusts and attorneys, remembers people, and lets numbers follow the order', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->put(
            "/files/{$file->key}/parties/seller.1",
            [
                'name' => 'The Greywater Family Trust',
                'kind' => 'trust',
                'signed_by' => 'Odalys Greywater',
                'signing_name' => 'Odalys Greywater, trustee',
                'capacity' => 'as trustee',
                'email' => 'odalys@greywater.example',
            ],
            ['HX-Request' => 'true'],
        )
        ->assertOk();
    $this->seeAll();
    expect($file->papers()->where('title', 'Authority to sign for the entity')->value('state')->value)->toBe('expected');
    $this->as('tomas')->get('/contacts/propose?role=seller&name=greyw')->assertSee('The Greywater Family Trust');
    $this->as('caleb')->get('/contacts/propose?role=seller&name=greyw')->assertDontSee('Greywater');
    $this->seeAll();
    [$one, $two] = $file->parties()->where('role', 'buyer')->orderBy('number')->pluck('key')->all();
    $this->as('tomas')
        ->post("/files/{$file->key}/parties/buyer/order", ['keys' => [$two]])
        ->assertSessionHas('reason', PartyRefusal::ListChanged->value);
    $this->as('tomas')
        ->post("/files/{$file->key}/parties/buyer/order", ['keys' => [$two, $one]])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($file->parties()->where('role', 'buyer')->orderBy('number')->pluck('name')->all())->toBe(['José Nguyễn-Ortiz', 'Sunniva Eide']);
    $this->as('tomas')
        ->get("/files/{$file->key}/people.vcf")
        ->assertOk()
        ->assertHeader('Content-Type', 'text/vcard; charset=utf-8')
        ->assertSee('FN:Sunniva Eide');
    $this->as('tomas')
        ->post('/contacts/cards', [
            'cards' => UploadedFile::fake()->createWithContent('a.vcf', "BEGIN:VCARD\nFN:Nadia Petrov\nEMAIL:nadia@a.example\nEND:VCARD"),
        ])
        ->assertSessionHas('told', '1 contact read, 1 added.');
    $this->as('tomas')
        ->post('/contacts/cards', ['cards' => UploadedFile::fake()->createWithContent('a.vcf', 'nothing')])
        ->assertSessionHas('refused');
    $this->as('tomas')
        ->put("/files/{$file->key}/parties/escrow.1", ['name' => 'nadia petrov'], ['HX-Request' => 'true'])
        ->assertOk();
    $this->seeAll();
    expect($file->parties()->where('role', 'escrow')->firstOrFail()->email)->toBe('nadia@a.example');
    $this->as('tomas')
        ->post('/contacts', ['name' => 'X', 'role' => 'escrow', 'standing' => 1])
        ->assertSessionHas('reason', PartyRefusal::MayNotKeepContacts->value);
    $this->as('wendell')
        ->post('/contacts', ['name' => 'Owen Gallagher', 'role' => 'lender', 'standing' => 1])
        ->assertSessionHas('told');
    $this->as('caleb')->get('/contacts')->assertSee('Owen Gallagher')->assertDontSee('Greywater');
    $this->seeAll();
    $key = DB::table('contacts')->where('name', 'Owen Gallagher')->value('key');
    $this->as('caleb')
        ->delete("/contacts/{$key}")
        ->assertForbidden();
});

it('prints how to reach someone only where they allow it', function () {
    $file = $this->aFile();
    $facts = fn () => App\Terms\FactBook::of($file->refresh()->load(['parties', 'knownFacts', 'papers', 'office']))->value('buyer.1.email');
    $this->as('tomas')->put(
        "/files/{$file->key}/parties/buyer.1",
        ['name' => 'Sunniva Eide', 'email' => 'sunniva@eide.example', 'prints_contact' => 0],
        ['HX-Request' => 'true'],
    );
    $this->seeAll();
    expect($facts())->toBeNull();
    $this->as('tomas')->put(
        "/files/{$file->key}/parties/buyer.1",
        ['name' => 'Sunniva Eide', 'prints_contact' => 1],
        ['HX-Request' => 'true'],
    );
    $this->seeAll();
    expect($facts())->toBe('sunniva@eide.example');
});
