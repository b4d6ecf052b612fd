<?php

declare(strict_types=1);

use App\Files\Actions\OpenFile;
use App\History\History;
use App\Models\DealFile;
use App\Models\JoinRequest;
use App\Models\Sight;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;

it('shows each side what is common and its own, never the other\'s: in the database', function () {
    $file = bothSides();
    $own = $file->papers()->create(['brokerage_id' => $file->brokerage_id, 'title' => 'Buyers’ strategy', 'stage' => 'offer', 'state' => 'ready', 'position' => 1, 'side' => 'buyer']);
    DB::table('paper_entries')->insert(['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'paper_id' => $own->id, 'blank' => 'x', 'value' => 'secret', 'client_key' => 'side-test']);
    DB::table('commissions')->insert([['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'side' => 'buyer', 'rate' => '2.5', 'agent_share' => '70', 'fee_name' => 'Fee'], ['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'side' => 'seller', 'rate' => '2.75', 'agent_share' => '70', 'fee_name' => 'Fee']]);
    History::add($file->brokerage_id, $file->id, 'Buyers’ affair', [], SeenBy::side('buyer'));
    $sees = function (string $who) use ($file): array {
        Sight::ofPerson(test()->people[$who]->fresh());
        $seen = ['papers' => DB::table('papers')->where('deal_file_id', $file->id)->whereNotNull('side')->orderBy('side')->distinct()->pluck('side')->all(), 'entries' => DB::table('paper_entries')->where('client_key', 'side-test')->count(), 'mail' => DB::table('party_contacts')->where('deal_file_id', $file->id)->whereNotNull('side')->orderBy('email')->pluck('email')->all(),
            'rates' => DB::table('commissions')->where('deal_file_id', $file->id)->orderBy('rate')->pluck('side')->all(), 'payoff' => DB::table('facts')->where('deal_file_id', $file->id)->where('name', 'payoff')->count(), 'opened' => DB::table('history')->where('deal_file_id', $file->id)->where('what', 'File opened')->count(), 'affair' => DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Buyers’ affair')->count()];
        test()->seeAll();

        return $seen;
    };
    expect($sees('caleb'))->toBe(['papers' => ['buyer'], 'entries' => 1, 'mail' => ['leonie@abara.example'], 'rates' => ['buyer'], 'payoff' => 0, 'opened' => 0, 'affair' => 1])
        ->and($sees('priya'))->toBe(['papers' => ['seller'], 'entries' => 0, 'mail' => ['idris@vantongeren.example'], 'rates' => ['seller'], 'payoff' => 1, 'opened' => 1, 'affair' => 0])
        ->and($sees('ines'))->toBe(['papers' => ['buyer', 'seller'], 'entries' => 1, 'mail' => ['idris@vantongeren.example', 'leonie@abara.example'], 'rates' => ['buyer', 'seller'], 'payoff' => 1, 'opened' => 1, 'affair' => 1])
        ->and($sees('tomas'))->toBe(['papers' => [], 'entries' => 0, 'mail' => [], 'rates' => [], 'payoff' => 0, 'opened' => 0, 'affair' => 0])
        ->and(History::fault($file->id))->toBeNull();
});

it('shows each side the same in its pages', function () {
    $file = bothSides();
    $own = $file->papers()->where('title', 'Listing agreement')->firstOrFail();
    $this->as('priya')->get("/files/{$file->key}")->assertSee('Listing agreement')->assertSee('Leonie Abara');
    $this->as('caleb')->get("/files/{$file->key}")->assertOk()->assertDontSee('Listing agreement')->assertDontSee('123456');
    $this->as('caleb')->get("/papers/{$own->key}")->assertNotFound();
    $this->as('caleb')->get("/files/{$file->key}/offers")->assertNotFound();
    $this->as('caleb')->get("/files/{$file->key}/net")->assertNotFound();
    $this->as('caleb')->get("/files/{$file->key}/opening")->assertSee('leonie@abara.example')->assertDontSee('idris@vantongeren.example');
    $this->as('caleb')->get("/files/{$file->key}/people.vcf")->assertDontSee('idris@vantongeren.example');
});

it('keeps a commission for each side, and closes when both are authorized', function () {
    $file = bothSides();
    $this->as('caleb')->put("/files/{$file->key}/commission", ['rate' => '2.5', 'agent_share' => '60', 'fee' => '100', 'fee_name' => 'Fee', 'side' => 'seller'])->assertRedirect("/files/{$file->key}/commission?side=buyer");
    $this->as('priya')->put("/files/{$file->key}/commission", ['rate' => '2.75', 'agent_share' => '70', 'fee' => '', 'fee_name' => ''])->assertRedirect("/files/{$file->key}/commission?side=seller");
    $this->seeAll();
    expect(DB::table('commissions')->where('deal_file_id', $file->id)->orderBy('side')->pluck('rate', 'side')->all())->toBe(['buyer' => '2.5000', 'seller' => '2.7500']);
    $this->as('caleb')->get("/files/{$file->key}/commission")->assertSee('Caleb Nakagawa')->assertSee('$7,175.00')->assertDontSee('$7,892.50');
    $this->as('ines')->get("/files/{$file->key}/commission?side=seller")->assertSee('$7,892.50');
});

it('lets an entry of one side bring the other side\'s papers, unseen by the one who made it', function () {
    $file = bothSides();
    $this->as('caleb')->put("/files/{$file->key}/facts", ['name' => 'acceptance', 'value' => '2026-11-20']);
    $this->seeAll();
    expect($file->refresh()->status->value)->toBe('under_contract')->and($file->papers()->where('form_number', 'M-201')->where('state', 'draft')->exists())->toBeTrue();
});

it('lets a colleague ask for the other side of a listing, and only the file\'s own agent or broker let them in', function () {
    $this->as('priya')->post('/files', ['first' => '77 Millrace Court 3B, Pellingford, MW 20410', 'side' => 'seller']);
    $this->seeAll();
    $listing = DealFile::query()->firstOrFail();
    $this->as('caleb')->post('/files', ['first' => '77 millrace ct #3B, Pellingford, MW 20410', 'side' => 'buyer']);
    $this->seeAll();
    $begun = DealFile::query()->orderByDesc('id')->firstOrFail();
    expect($begun->address_key)->toBe($listing->address_key)->not->toBe('');
    $this->as('caleb')->get("/files/{$begun->key}/opening")->assertSee('Priya Anand of Pellingford already has a file on this listing')->assertSee('Ask to join');
    $this->as('caleb')->post("/files/{$begun->key}/join/{$listing->key}")->assertRedirect("/files/{$begun->key}/opening")->assertSessionHas('told');
    $this->as('caleb')->post("/files/{$begun->key}/join/{$listing->key}")->assertSessionHas('refused', fn (string $told) => str_contains($told, 'already asked'));
    // Asking opens and changes nothing.
    $this->as('caleb')->get("/files/{$listing->key}")->assertNotFound();
    $this->as('caleb')->post("/files/{$listing->key}/status", ['status' => 'withdrawn', 'reason' => 'mine'])->assertNotFound();
    $this->seeAll();
    $asked = JoinRequest::query()->sole();
    expect($listing->refresh()->side)->toBe('seller')->and($begun->refresh()->status->value)->toBe('preparing')->and(lettersTo('priya@quillmark.example'))->toBe(['Caleb Nakagawa asks to join 77 Millrace Court 3B, Pellingford']);
    $this->as('caleb')->post("/join-requests/{$asked->key}", ['in' => 1])->assertNotFound();
    $this->as('greta')->post("/join-requests/{$asked->key}", ['in' => 1])->assertNotFound();
    $this->as('priya')->get("/files/{$listing->key}")->assertSee('asks to join this file');
    $this->as('priya')->post("/join-requests/{$asked->key}", ['in' => 1])->assertRedirect("/files/{$listing->key}");
    $this->seeAll();
    expect($listing->refresh()->side)->toBe('both')->and($listing->members()->where('user_id', $this->people['caleb']->id)->value('side'))->toBe('buyer')->and($listing->members()->where('user_id', $this->people['priya']->id)->value('side'))->toBe('seller')->and($begun->refresh()->status->value)->toBe('withdrawn')
        ->and(DB::table('history')->where('deal_file_id', $listing->id)->where('what', 'Joined the file')->value('who'))->toBe('Priya Anand');
    // Inside, the listing stays the listing side's.
    $this->as('caleb')->post("/files/{$listing->key}/status", ['status' => 'withdrawn', 'reason' => 'mine'])->assertSessionHas('refused', fn (string $told) => str_contains($told, 'own agent'));
    $this->as('caleb')->put("/files/{$listing->key}/facts", ['name' => 'property.street', 'value' => '1 Elsewhere'], ['HX-Request' => 'true'])->assertOk();
    $this->seeAll();
    expect($listing->knownFacts()->where('name', 'property.street')->value('value'))->toBe('77 Millrace Court');
    $this->as('caleb')->delete("/files/{$listing->key}/members/{$this->people['priya']->key}")->assertSessionHas('refused');
    $this->as('priya')->delete("/files/{$listing->key}/members/{$this->people['caleb']->key}")->assertSessionHas('refused', fn (string $told) => str_contains($told, 'Someone has to work'));
    $this->as('ines')->delete("/files/{$listing->key}/members/{$this->people['caleb']->key}")->assertSessionHas('told');
    $this->as('caleb')->get("/files/{$listing->key}")->assertNotFound();
});

it('keeps offers and all that is said of them from the buyers\' agent', function () {
    $file = bothSides();
    $this->as('priya')->post("/files/{$file->key}/offers", ['buyers' => 'Halvard Ostergaard', 'agent' => 'Lucian Ferro', 'terms' => ['price' => '401,000']])->assertRedirect();
    $this->seeAll();
    expect(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Offer recorded')->value('side'))->toBe('seller');
    $this->as('caleb')->get("/files/{$file->key}/history")->assertOk()->assertDontSee('Offer from')->assertDontSee('Halvard');
    $this->as('priya')->get("/files/{$file->key}/history")->assertOk()->assertSee('Offer from Halvard');
});

it('tells of another buyers\' file without a word of whose it is', function () {
    $this->as('priya')->post('/files', ['first' => '9 Netloft Lane, Pellingford, MW 20410', 'side' => 'buyer']);
    $this->as('caleb')->post('/files', ['first' => '9 Netloft Ln, Pellingford, MW 20410', 'side' => 'buyer']);
    $this->seeAll();
    [$first, $begun] = DealFile::query()->orderBy('id')->get()->all();
    $this->as('caleb')->get("/files/{$begun->key}/opening")->assertSee('A colleague also has a file')->assertDontSee('Ask to join');
    $this->as('caleb')->post("/files/{$begun->key}/join/{$first->key}")->assertSessionHas('refused');
    $this->as('caleb')->get("/files/{$first->key}")->assertNotFound();
    $this->as('wendell')->get("/files/{$begun->key}/opening")->assertNotFound();
});

it('refuses in words what is the other side\'s affair, and offers no field for it', function () {
    $file = bothSides();
    $fault = static fn ($response) => json_decode((string) $response->headers->get('HX-Trigger'), true)['stored']['fault'];
    expect($fault($this->as('caleb')->put("/files/{$file->key}/facts", ['name' => 'payoff', 'value' => '1'], ['HX-Request' => 'true'])->assertOk()))->toContain('belongs to the sellers’ side')
        ->and($fault($this->as('priya')->put("/files/{$file->key}/facts", ['name' => 'buyer_costs', 'value' => '1'], ['HX-Request' => 'true'])->assertOk()))->toContain('belongs to the buyers’ side')
        ->and($fault($this->as('priya')->put("/files/{$file->key}/parties/buyer.1", ['name' => 'Leonie Abara', 'email' => ''], ['HX-Request' => 'true'])->assertOk()))->toContain('Only their own agent can change');
    $this->as('priya')->post("/files/{$file->key}/parties/buyer/order", ['keys' => [$file->parties()->where('role', 'buyer')->value('key')]])->assertSessionHas('refused');
    $this->as('priya')->get("/files/{$file->key}/opening")->assertDontSee('id="buyer.1-name"', false)->assertDontSee('fact-buyer_costs', false)->assertSee('id="seller.1-name"', false);
    $this->seeAll();
    expect($file->parties()->where('role', 'buyer')->firstOrFail()->email)->toBe('leonie@abara.example')->and($file->knownFacts()->where('name', 'payoff')->value('value'))->toBe('123456.00');
});

it('gives papers brought in before to the side that brought them, with their line of the checklist', function () {
    $this->as('priya')->post('/files', ['first' => '5 Quarryside, Pellingford, MW 20410', 'side' => 'seller']);
    $this->seeAll();
    $file = DealFile::query()->firstOrFail();
    $paper = $file->papers()->create(['brokerage_id' => $file->brokerage_id, 'title' => 'Inspection of 2024', 'stage' => 'listing', 'state' => 'ready', 'position' => 1]);
    $file->requirements()->create(['brokerage_id' => $file->brokerage_id, 'paper_id' => $paper->id, 'title' => $paper->title, 'stage' => 'listing', 'position' => 1]);
    $this->actingAs($this->people['caleb']->fresh());
    app(OpenFile::class)->joinOtherSide($file->id, $this->people['caleb']->fresh());
    $this->as('caleb')->get("/files/{$file->key}")->assertOk()->assertDontSee('Inspection of 2024');
    $this->seeAll();
    expect(DB::table('requirements')->where('paper_id', $paper->id)->value('side'))->toBe('seller');
});

it('keeps what one side takes or brings to that side until it shows the other, and lets nobody hide what is common', function () {
    $file = bothSides();
    $this->as('caleb')->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])->assertOk();
    $this->seeAll();
    $paper = $this->paper($file, 'M-207');
    expect($paper->side)->toBe('buyer');
    $this->as('priya')->get("/papers/{$paper->key}")->assertNotFound();
    $this->as('priya')->get("/files/{$file->key}")->assertOk()->assertDontSee($paper->key);
    $this->as('caleb')->post("/papers/{$paper->key}/seen-by", ['side' => 'seller'])->assertSessionHas('refused', fn (string $told) => str_contains($told, 'still be able to see it'));
    $this->as('caleb')->post("/papers/{$paper->key}/seen-by", ['side' => ''])->assertSessionHas('told');
    $this->as('priya')->get("/papers/{$paper->key}")->assertOk();
    $this->as('priya')->post("/papers/{$paper->key}/seen-by", ['side' => 'seller'])->assertSessionHas('refused', fn (string $told) => str_contains($told, 'Both sides see this paper'));
    $this->as('priya')->post("/papers/{$paper->key}/seen-by", ['staff' => '1'])->assertSessionHas('refused', fn (string $told) => str_contains($told, 'limit a paper to the office'));
    $this->seeAll();
    expect($paper->refresh()->side)->toBeNull()->and($paper->staff_only)->toBeFalse();
});

it('keeps entries of one side’s paper out of what the other side reads of the history', function () {
    $file = bothSides();
    $this->as('caleb')->post("/files/{$file->key}/forms/M-207", ['what' => 'take']);
    $this->seeAll();
    $paper = $this->paper($file, 'M-207');
    $this->as('caleb')->postJson("/papers/{$paper->key}/entries", ['blank' => 'new_price', 'value' => '301,000', 'key' => 'side-entry-1'])->assertOk();
    foreach (['caleb' => 1, 'priya' => 0] as $who => $seen) {
        Sight::ofPerson($this->people[$who]->fresh());
        expect(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Entry')->where('data', 'like', '%301000%')->count())->toBe($seen, $who);
    }
});

it('keeps a paper to the office: its agents see neither it, nor its line, nor what was done with it', function () {
    $file = $this->aFile();
    $this->as('wendell')->post("/files/{$file->key}/forms/M-270", ['what' => 'take'])->assertOk();
    $this->seeAll();
    $paper = $this->paper($file, 'M-270');
    $this->as('tomas')->get("/papers/{$paper->key}")->assertOk()->assertDontSee('the office only');
    $this->as('wendell')->get("/papers/{$paper->key}")->assertSee('the office only');
    $this->as('wendell')->post("/papers/{$paper->key}/seen-by", ['staff' => '1'])->assertSessionHas('told');
    $this->as('wendell')->put("/papers/{$paper->key}", ['title' => 'Kept to the office', 'stage' => 'closing'])->assertSessionHas('told');
    foreach (['wendell' => true, 'ines' => true, 'marguerite' => true, 'tomas' => false] as $who => $sees) {
        $answer = $this->as($who)->get("/files/{$file->key}")->assertOk();
        $sees ? $answer->assertSee('Kept to the office') : $answer->assertDontSee('Kept to the office');
        $this->as($who)->get("/papers/{$paper->key}")->assertStatus($sees ? 200 : 404);
    }
    Sight::ofPerson($this->people['tomas']->fresh());
    expect(DB::table('papers')->where('id', $paper->id)->count())->toBe(0)->and(DB::table('history')->where('deal_file_id', $file->id)->where('data', 'like', '%Kept to the office%')->count())->toBe(0);
    $this->as('wendell')->post("/files/{$file->key}/sets", ['papers' => [$paper->key]])->assertSessionMissing('refused');
    $this->seeAll();
    $set = DB::table('assembled_sets')->where('deal_file_id', $file->id)->value('key');
    $this->as('tomas')->get("/sets/{$set}")->assertNotFound();
    expect(Artisan::call('history:verify'))->toBe(0);
});

it('lets one side\'s agent send what both sides sign, without showing them the other side\'s address', function () {
    $file = bothSides();
    $this->as('caleb')->put("/files/{$file->key}/facts", ['name' => 'acceptance', 'value' => '2026-11-20']);
    $this->seeAll();
    $paper = $this->paper($file, 'M-201');
    Auth::setUser($this->people['caleb']);
    Sight::ofPerson($this->people['caleb']->fresh());
    $round = app(App\Signing\Actions\ComposeRound::class)(DealFile::query()->with(['parties', 'members', 'office'])->findOrFail($file->id), [$paper], $this->people['caleb']);
    expect($round->signers()->pluck('seat')->all())->toContain('buyer.1', 'seller.1')->and($round->signers()->where('seat', 'seller.1')->value('email'))->not->toBeNull()
        ->and(array_filter(App\Signing\Actions\ComposeRound::faults($round->load(['file.knownFacts', 'file.members', 'file.office', 'signers', 'papers.paper.values', 'marks'])), static fn (array $fault) => $fault['signer'] !== null))->toBe([]);
    $this->seeAll();
    $address = (string) $round->signers()->where('seat', 'seller.1')->value('email');
    $this->as('caleb')->get("/rounds/{$round->key}")->assertOk()->assertDontSee($address)->assertSee('their own agent has');
});

it('asks both clients of a lease of which both sides are ours, and calls the file by the landlord', function () {
    Auth::setUser($this->people['priya']);
    $file = app(App\Files\Actions\OpenFile::class)($this->people['priya'], 'both', 'lease');
    foreach (['landlord.1' => 'Idris Vantongeren', 'tenant.1' => 'Leonie Abara'] as $seat => $name) {
        app(App\Files\Actions\SetParty::class)($file, Unanimus\Signing\Seat::of($seat), ['name' => $name, 'email' => strtolower(explode(' ', $name)[0]).'@clients.example']);
    }
    $file->refresh()->load(['parties', 'papers', 'office', 'knownFacts', 'members']);
    expect($file->name)->toBe('Vantongeren lease');
    $paper = $file->papers->first(static fn ($paper) => $paper->isDraft() && array_filter($paper->form()->marks ?? [], static fn ($mark) => $mark->seat->role === 'tenant') !== []);
    expect($paper)->not->toBeNull();
    $round = app(App\Signing\Actions\ComposeRound::class)($file, [$paper], $this->people['priya']);
    expect($round->signers()->pluck('seat')->all())->toContain('tenant.1', 'landlord.1');
});
