<?php

declare(strict_types=1);

use App\Files\Actions\OpenFile;
use App\Models\DealFile;
use App\Models\Sight;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PartyRefusal;
use Unanimus\Files\SightRefusal;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Side;

it('refuses in words what is the other side\'s affair, and offers no field for it', function () {
    $file = bothSides();
    $fault = static fn ($response) => json_decode((string) $response->headers->get('HX-Trigger'), true)['stored']['fault'];
    expect(
        $fault(
            $this->as('caleb')
                ->put("/files/{$file->key}/facts", ['name' => 'payoff', 'value' => '1'], ['HX-Request' => 'true'])
                ->assertOk(),
        ),
    )
        ->toContain('belongs to the sellers’ side')
        ->and(
            $fault(
                $this->as('priya')
                    ->put("/files/{$file->key}/facts", ['name' => 'buyer_costs', 'value' => '1'], ['HX-Request' => 'true'])
                    ->assertOk(),
            ),
        )
        ->toContain('belongs to the buyers’ side')
        ->and(
            $fault(
                $this->as('priya')
                    ->put("/files/{$file->key}/parties/buyer.1", ['name' => 'Leonie Abara', 'email' => ''], ['HX-Request' => 'true'])
                    ->assertOk(),
            ),
        )
        ->toContain('Only their own agent can change');
    $this->as('priya')
        ->post("/files/{$file->key}/parties/buyer/order", ['keys' => [$file->parties()->where('role', 'buyer')->value('key')]])
        ->assertSessionHas('reason', PartyRefusal::OtherSides->value);
    $this->as('priya')
        ->get("/files/{$file->key}/opening")
        ->assertDontSee('id="buyer.1-name"', false)
        ->assertDontSee('fact-buyer_costs', false)
        ->assertSee('id="seller.1-name"', false);
    $this->seeAll();
    expect($file->parties()->where('role', 'buyer')->firstOrFail()->email)
        ->toBe('leonie@abara.example')
        ->and($file->knownFacts()->where('name', 'payoff')->value('value'))
        ->toBe('123456.00');
});

it('gives papers brought in before to the side that brought them, with their line of the checklist', function () {
    $this->as('priya')->post('/files', ['first' => '5 Quarryside, Pellingford, MW 20410', 'represents' => 'seller']);
    $this->seeAll();
    $file = DealFile::query()->firstOrFail();
    $paper = $file
        ->papers()
        ->create([
            'brokerage_id' => $file->brokerage_id,
            'title' => 'Inspection of 2024',
            'stage' => 'listing',
            'state' => 'ready',
            'position' => 1,
        ]);
    $file
        ->requirements()
        ->create([
            'brokerage_id' => $file->brokerage_id,
            'paper_id' => $paper->id,
            'title' => $paper->title,
            'stage' => 'listing',
            'position' => 1,
        ]);
    $this->actingAs($this->people['caleb']->fresh());
    app(OpenFile::class)->joinOtherSide($file->id, $this->people['caleb']->fresh());
    $this->as('caleb')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertDontSee('Inspection of 2024');
    $this->seeAll();
    expect(DB::table('requirements')->where('paper_id', $paper->id)->value('side'))->toBe('seller');
});

it('keeps what one side takes or brings to that side until it shows the other, and lets nobody hide what is common', function () {
    $file = bothSides();
    $this->as('caleb')
        ->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])
        ->assertOk();
    $this->seeAll();
    $paper = $this->paper($file, 'M-207');
    expect($paper->side)->toBe(Side::Buyer);
    $this->as('priya')
        ->get("/papers/{$paper->key}")
        ->assertNotFound();
    $this->as('priya')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertDontSee($paper->key);
    $this->as('caleb')
        ->post("/papers/{$paper->key}/seen-by", ['side' => 'seller'])
        ->assertSessionHas('reason', SightRefusal::OutOfOwnSight->value);
    $this->as('caleb')
        ->post("/papers/{$paper->key}/seen-by", ['side' => ''])
        ->assertSessionHas('told');
    $this->as('priya')
        ->get("/papers/{$paper->key}")
        ->assertOk();
    $this->as('priya')
        ->post("/papers/{$paper->key}/seen-by", ['side' => 'seller'])
        ->assertSessionHas('reason', SightRefusal::BothSidesSeeIt->value);
    $this->as('priya')
        ->post("/papers/{$paper->key}/seen-by", ['staff' => '1'])
        ->assertSessionHas('reason', SightRefusal::OnlyStaff->value);
    $this->seeAll();
    expect($paper->refresh()->side)->toBeNull()->and($paper->staff_only)->toBeFalse();
});

it('keeps entries of one side’s paper out of what the other side reads of the history', function () {
    $file = bothSides();
    $this->as('caleb')->post("/files/{$file->key}/forms/M-207", ['what' => 'take']);
    $this->seeAll();
    $paper = $this->paper($file, 'M-207');
    $this->as('caleb')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'new_price', 'value' => '301,000', 'key' => 'side-entry-1'])
        ->assertOk();
    foreach (['caleb' => 1, 'priya' => 0] as $who => $seen) {
        Sight::ofPerson($this->people[$who]->fresh());
        expect(
            DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Entry')->where('data', 'like', '%301000%')->count(),
        )->toBe($seen, $who);
    }
});

it('keeps a paper to the office: its agents see neither it, nor its line, nor what was done with it', function () {
    $file = $this->aFile();
    $this->as('wendell')
        ->post("/files/{$file->key}/forms/M-270", ['what' => 'take'])
        ->assertOk();
    $this->seeAll();
    $paper = $this->paper($file, 'M-270');
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertDontSee('the office only');
    $this->as('wendell')
        ->get("/papers/{$paper->key}")
        ->assertSee('the office only');
    $this->as('wendell')
        ->post("/papers/{$paper->key}/seen-by", ['staff' => '1'])
        ->assertSessionHas('told');
    $this->as('wendell')
        ->put("/papers/{$paper->key}", ['title' => 'Kept to the office', 'stage' => 'closing'])
        ->assertSessionHas('told');
    foreach (['wendell' => true, 'ines' => true, 'marguerite' => true, 'tomas' => false] as $who => $sees) {
        $answer = $this->as($who)
            ->get("/files/{$file->key}")
            ->assertOk();
        $sees ? $answer->assertSee('Kept to the office') : $answer->assertDontSee('Kept to the office');
        $this->as($who)
            ->get("/papers/{$paper->key}")
            ->assertStatus($sees ? 200 : 404);
    }
    Sight::ofPerson($this->people['tomas']->fresh());
    expect(DB::table('papers')->where('id', $paper->id)->count())
        ->toBe(0)
        ->and(DB::table('history')->where('deal_file_id', $file->id)->where('data', 'like', '%Kept to the office%')->count())
        ->toBe(0);
    $this->as('wendell')
        ->post("/files/{$file->key}/sets", ['papers' => [$paper->key]])
        ->assertSessionMissing('refused');
    $this->seeAll();
    $set = DB::table('assembled_sets')->where('deal_file_id', $file->id)->value('key');
    $this->as('tomas')
        ->get("/sets/{$set}")
        ->assertNotFound();
    expect(Artisan::call('history:verify'))->toBe(0);
});

it('lets one side\'s agent send what both sides sign, without showing them the other side\'s address', function () {
    $file = bothSides();
    $this->as('caleb')->put("/files/{$file->key}/facts", ['name' => 'acceptance', 'value' => '2026-11-20']);
    $this->seeAll();
    $paper = $this->paper($file, 'M-201');
    Auth::setUser($this->people['caleb']);
    Sight::ofPerson($this->people['caleb']->fresh());
    $round = app(App\Signing\Actions\ComposeRound::class)(
        DealFile::query()
            ->with(['parties', 'members', 'office'])
            ->findOrFail($file->id),
        [$paper],
        $this->people['caleb'],
    );
    expect($round->signers()->pluck('seat')->all())
        ->toContain('buyer.1', 'seller.1')
        ->and($round->signers()->where('seat', 'seller.1')->value('email'))
        ->not->toBeNull()
        ->and(
            array_filter(
                App\Signing\Actions\ComposeRound::faults(
                    $round->load(['file.knownFacts', 'file.members', 'file.office', 'signers', 'papers.paper.values', 'marks']),
                ),
                static fn (Unanimus\Signing\RoundFault $fault) => $fault->signer !== null,
            ),
        )
        ->toBe([]);
    $this->seeAll();
    $address = (string) $round->signers()->where('seat', 'seller.1')->value('email');
    $this->as('caleb')
        ->get("/rounds/{$round->key}")
        ->assertOk()
        ->assertDontSee($address)
        ->assertSee('their own agent has');
});

it('asks both clients of a lease of which both sides are ours, and calls the file by the landlord', function () {
    Auth::setUser($this->people['priya']);
    $file = app(App\Files\Actions\OpenFile::class)(
        $this->people['priya'],
        \Unanimus\Parties\Representation::Both,
        \Unanimus\Parties\DealKind::Lease,
    );
    foreach (['landlord.1' => 'Idris Vantongeren', 'tenant.1' => 'Leonie Abara'] as $seat => $name) {
        app(App\Files\Actions\SetParty::class)($file, Unanimus\Signing\Seat::of($seat), new PartyDetails(
            name: $name,
            email: strtolower(explode(' ', $name)[0]).'@clients.example',
        ));
    }
    $file->refresh()->load(['parties', 'papers', 'office', 'knownFacts', 'members']);
    expect($file->name)->toBe('Vantongeren lease');
    $paper = $file->papers->first(
        static fn ($paper) => $paper->isDraft() &&
            array_filter($paper->form()->marks ?? [], static fn ($mark) => $mark->seat->role === PartyRole::Tenant) !== [],
    );
    expect($paper)->not->toBeNull();
    $round = app(App\Signing\Actions\ComposeRound::class)($file, [$paper], $this->people['priya']);
    expect($round->signers()->pluck('seat')->all())->toContain('tenant.1', 'landlord.1');
});
