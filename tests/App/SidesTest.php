<?php

declare(strict_types=1);

use App\History\History;
use App\Models\DealFile;
use App\Models\JoinRequest;
use App\Models\Sight;
use Illuminate\Support\Facades\DB;
use Unanimus\Access\AccessRefusal;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;

it('shows each side what is common and its own, never the other\'s: in the database', function () {
    $file = bothSides();
    $own = $file
        ->papers()
        ->create([
            'brokerage_id' => $file->brokerage_id,
            'title' => 'Buyers’ strategy',
            'stage' => 'offer',
            'state' => 'ready',
            'position' => 1,
            'side' => 'buyer',
        ]);
    DB::table('paper_entries')->insert([
        'brokerage_id' => $file->brokerage_id,
        'deal_file_id' => $file->id,
        'paper_id' => $own->id,
        'blank' => 'x',
        'value' => 'secret',
        'client_key' => 'side-test',
    ]);
    DB::table('commissions')->insert([
        [
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'side' => 'buyer',
            'rate' => '2.5',
            'agent_share' => '70',
            'fee_name' => 'Fee',
        ],
        [
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'side' => 'seller',
            'rate' => '2.75',
            'agent_share' => '70',
            'fee_name' => 'Fee',
        ],
    ]);
    History::add($file->brokerage_id, $file->id, 'Buyers’ affair', [], SeenBy::side(Side::Buyer));
    $sees = function (string $who) use ($file): array {
        Sight::ofPerson(test()->people[$who]->fresh());
        $seen = [
            'papers' => DB::table('papers')
                ->where('deal_file_id', $file->id)
                ->whereNotNull('side')
                ->orderBy('side')
                ->distinct()
                ->pluck('side')
                ->all(),
            'entries' => DB::table('paper_entries')->where('client_key', 'side-test')->count(),
            'mail' => DB::table('party_contacts')
                ->where('deal_file_id', $file->id)
                ->whereNotNull('side')
                ->orderBy('email')
                ->pluck('email')
                ->all(),
            'rates' => DB::table('commissions')->where('deal_file_id', $file->id)->orderBy('rate')->pluck('side')->all(),
            'payoff' => DB::table('facts')->where('deal_file_id', $file->id)->where('name', 'payoff')->count(),
            'opened' => DB::table('history')->where('deal_file_id', $file->id)->where('what', 'File opened')->count(),
            'affair' => DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Buyers’ affair')->count(),
        ];
        test()->seeAll();

        return $seen;
    };
    expect($sees('caleb'))
        ->toBe([
            'papers' => ['buyer'],
            'entries' => 1,
            'mail' => ['leonie@abara.example'],
            'rates' => ['buyer'],
            'payoff' => 0,
            'opened' => 0,
            'affair' => 1,
        ])
        ->and($sees('priya'))
        ->toBe([
            'papers' => ['seller'],
            'entries' => 0,
            'mail' => ['idris@vantongeren.example'],
            'rates' => ['seller'],
            'payoff' => 1,
            'opened' => 1,
            'affair' => 0,
        ])
        ->and($sees('ines'))
        ->toBe([
            'papers' => ['buyer', 'seller'],
            'entries' => 1,
            'mail' => ['idris@vantongeren.example', 'leonie@abara.example'],
            'rates' => ['buyer', 'seller'],
            'payoff' => 1,
            'opened' => 1,
            'affair' => 1,
        ])
        ->and($sees('tomas'))
        ->toBe(['papers' => [], 'entries' => 0, 'mail' => [], 'rates' => [], 'payoff' => 0, 'opened' => 0, 'affair' => 0])
        ->and(History::fault($file->id))
        ->toBeNull();
});

it('shows each side the same in its pages', function () {
    $file = bothSides();
    $own = $file->papers()->where('title', 'Listing agreement')->firstOrFail();
    $this->as('priya')
        ->get("/files/{$file->key}")
        ->assertSee('Listing agreement')
        ->assertSee('Leonie Abara');
    $this->as('caleb')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertDontSee('Listing agreement')
        ->assertDontSee('123456');
    $this->as('caleb')
        ->get("/papers/{$own->key}")
        ->assertNotFound();
    $this->as('caleb')
        ->get("/files/{$file->key}/offers")
        ->assertNotFound();
    $this->as('caleb')
        ->get("/files/{$file->key}/net")
        ->assertNotFound();
    $this->as('caleb')
        ->get("/files/{$file->key}/opening")
        ->assertSee('leonie@abara.example')
        ->assertDontSee('idris@vantongeren.example');
    $this->as('caleb')
        ->get("/files/{$file->key}/people.vcf")
        ->assertDontSee('idris@vantongeren.example');
});

it('keeps a commission for each side, and closes when both are authorized', function () {
    $file = bothSides();
    $this->as('caleb')
        ->put("/files/{$file->key}/commission", [
            'rate' => '2.5',
            'agent_share' => '60',
            'fee' => '100',
            'fee_name' => 'Fee',
            'side' => 'seller',
        ])
        ->assertRedirect("/files/{$file->key}/commission?side=buyer");
    $this->as('priya')
        ->put("/files/{$file->key}/commission", ['rate' => '2.75', 'agent_share' => '70', 'fee' => '', 'fee_name' => ''])
        ->assertRedirect("/files/{$file->key}/commission?side=seller");
    $this->seeAll();
    expect(DB::table('commissions')->where('deal_file_id', $file->id)->orderBy('side')->pluck('rate', 'side')->all())->toBe([
        'buyer' => '2.5000',
        'seller' => '2.7500',
    ]);
    $this->as('caleb')
        ->get("/files/{$file->key}/commission")
        ->assertSee('Caleb Nakagawa')
        ->assertSee('$7,175.00')
        ->assertDontSee('$7,892.50');
    $this->as('ines')
        ->get("/files/{$file->key}/commission?side=seller")
        ->assertSee('$7,892.50');
});

it('lets an entry of one side bring the other side\'s papers, unseen by the one who made it', function () {
    $file = bothSides();
    $this->as('caleb')->put("/files/{$file->key}/facts", ['name' => 'acceptance', 'value' => '2026-11-20']);
    $this->seeAll();
    expect($file->refresh()->status->value)
        ->toBe('under_contract')
        ->and($file->papers()->where('form_number', 'M-201')->where('state', 'draft')->exists())
        ->toBeTrue();
});

it('lets a colleague ask for the other side of a listing, and only the file\'s own agent or broker let them in', function () {
    $this->as('priya')->post('/files', ['first' => '77 Millrace Court 3B, Pellingford, MW 20410', 'represents' => 'seller']);
    $this->seeAll();
    $listing = DealFile::query()->firstOrFail();
    $this->as('caleb')->post('/files', ['first' => '77 millrace ct #3B, Pellingford, MW 20410', 'represents' => 'buyer']);
    $this->seeAll();
    $begun = DealFile::query()->orderByDesc('id')->firstOrFail();
    expect($begun->address_key)->toBe($listing->address_key)->not->toBe('');
    $this->as('caleb')
        ->get("/files/{$begun->key}/opening")
        ->assertSee('Priya Anand of Pellingford already has a file on this listing')
        ->assertSee('Ask to join');
    $this->as('caleb')
        ->post("/files/{$begun->key}/join/{$listing->key}")
        ->assertRedirect("/files/{$begun->key}/opening")
        ->assertSessionHas('told');
    $this->as('caleb')
        ->post("/files/{$begun->key}/join/{$listing->key}")
        ->assertSessionHas('reason', AccessRefusal::AlreadyAsked->value);
    // Asking opens and changes nothing.
    $this->as('caleb')
        ->get("/files/{$listing->key}")
        ->assertNotFound();
    $this->as('caleb')
        ->post("/files/{$listing->key}/status", ['status' => 'withdrawn', 'reason' => 'mine'])
        ->assertNotFound();
    $this->seeAll();
    $asked = JoinRequest::query()->sole();
    expect($listing->refresh()->represents)
        ->toBe(Representation::Seller)
        ->and($begun->refresh()->status->value)
        ->toBe('preparing')
        ->and(lettersTo('priya@quillmark.example'))
        ->toBe(['Caleb Nakagawa asks to join 77 Millrace Court 3B, Pellingford']);
    $this->as('caleb')
        ->post("/join-requests/{$asked->key}", ['in' => 1])
        ->assertNotFound();
    $this->as('greta')
        ->post("/join-requests/{$asked->key}", ['in' => 1])
        ->assertNotFound();
    $this->as('priya')
        ->get("/files/{$listing->key}")
        ->assertSee('asks to join this file');
    $this->as('priya')
        ->post("/join-requests/{$asked->key}", ['in' => 1])
        ->assertRedirect("/files/{$listing->key}");
    $this->seeAll();
    expect($listing->refresh()->represents)
        ->toBe(Representation::Both)
        ->and($listing->members()->where('user_id', $this->people['caleb']->id)->value('side'))
        ->toBe(Side::Buyer)
        ->and($listing->members()->where('user_id', $this->people['priya']->id)->value('side'))
        ->toBe(Side::Seller)
        ->and($begun->refresh()->status->value)
        ->toBe('withdrawn')
        ->and(DB::table('history')->where('deal_file_id', $listing->id)->where('what', 'Joined the file')->value('who'))
        ->toBe('Priya Anand');
    // Inside, the listing stays the listing side's.
    $this->as('caleb')
        ->post("/files/{$listing->key}/status", ['status' => 'withdrawn', 'reason' => 'mine'])
        ->assertSessionHas('reason', FileRefusal::NotOwnListing->value);
    $this->as('caleb')
        ->put("/files/{$listing->key}/facts", ['name' => 'property.street', 'value' => '1 Elsewhere'], ['HX-Request' => 'true'])
        ->assertOk();
    $this->seeAll();
    expect($listing->knownFacts()->where('name', 'property.street')->value('value'))->toBe('77 Millrace Court');
    $this->as('caleb')
        ->delete("/files/{$listing->key}/members/{$this->people['priya']->key}")
        ->assertSessionHas('reason', AccessRefusal::MayNotRemove->value);
    $this->as('priya')
        ->delete("/files/{$listing->key}/members/{$this->people['caleb']->key}")
        ->assertSessionHas('reason', AccessRefusal::LastOfTheirSide->value);
    $this->as('ines')
        ->delete("/files/{$listing->key}/members/{$this->people['caleb']->key}")
        ->assertSessionHas('told');
    $this->as('caleb')
        ->get("/files/{$listing->key}")
        ->assertNotFound();
});

it('keeps offers and all that is said of them from the buyers\' agent', function () {
    $file = bothSides();
    $this->as('priya')
        ->post("/files/{$file->key}/offers", [
            'buyers' => 'Halvard Ostergaard',
            'agent' => 'Lucian Ferro',
            'terms' => ['price' => '401,000'],
        ])
        ->assertRedirect();
    $this->seeAll();
    expect(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Offer recorded')->value('side'))->toBe('seller');
    $this->as('caleb')
        ->get("/files/{$file->key}/history")
        ->assertOk()
        ->assertDontSee('Offer from')
        ->assertDontSee('Halvard');
    $this->as('priya')
        ->get("/files/{$file->key}/history")
        ->assertOk()
        ->assertSee('Offer from Halvard');
});

it('tells of another buyers\' file without a word of whose it is', function () {
    $this->as('priya')->post('/files', ['first' => '9 Netloft Lane, Pellingford, MW 20410', 'represents' => 'buyer']);
    $this->as('caleb')->post('/files', ['first' => '9 Netloft Ln, Pellingford, MW 20410', 'represents' => 'buyer']);
    $this->seeAll();
    [$first, $begun] = DealFile::query()->orderBy('id')->get()->all();
    $this->as('caleb')
        ->get("/files/{$begun->key}/opening")
        ->assertSee('A colleague also has a file')
        ->assertDontSee('Ask to join');
    $this->as('caleb')
        ->post("/files/{$begun->key}/join/{$first->key}")
        ->assertSessionHas('reason', FileRefusal::NoOpenSide->value);
    $this->as('caleb')
        ->get("/files/{$first->key}")
        ->assertNotFound();
    $this->as('wendell')
        ->get("/files/{$begun->key}/opening")
        ->assertNotFound();
});
