<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\OfficeRule;
use App\Models\StoredKit;
use Illuminate\Support\Facades\DB;
use Unanimus\Requirements\KitRefusal;

/** A kit of Tomás's own, as a copy of the land kit. */
function ownKit(string $who = 'tomas', string $of = 'me'): StoredKit
{
    test()
        ->as($who)
        ->post('/kits', ['name' => 'Mine', 'of' => $of, 'copy' => 'land-buyer'])
        ->assertRedirect();
    test()->seeAll();

    return StoredKit::query()->orderByDesc('id')->firstOrFail();
}

it('changes a kit in versions, and brings an earlier one back', function () {
    $kit = ownKit();
    $this->as('tomas')
        ->put("/kits/{$kit->key}", [
            'part' => 'tasks',
            'seen' => 1,
            'lines' => [
                [
                    'at' => 1,
                    'title' => 'Walk the boundary',
                    'days' => '5',
                    'unit' => 'business',
                    'anchor' => 'acceptance',
                    'for' => 'agent',
                ],
                ['title' => ''],
            ],
        ])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($kit->refresh()->version)
        ->toBe(2)
        ->and($kit->versions()->firstOrFail()->definition['tasks'])
        ->toBe([['for' => 'agent', 'days' => 5, 'unit' => 'business', 'title' => 'Walk the boundary', 'anchor' => 'acceptance']]);
    $this->as('tomas')
        ->post("/kits/{$kit->key}/versions/1")
        ->assertSessionHas('told');
    $this->seeAll();
    expect($kit->refresh()->version)
        ->toBe(3)
        ->and($kit->versions()->firstOrFail()->definition['tasks'])
        ->toHaveCount(2);
});

it('refuses a change made from an older version, and one that cannot be read', function (array $change, string $told) {
    $kit = ownKit();
    $this->as('tomas')
        ->put("/kits/{$kit->key}", [...$change, 'seen' => $change['seen'] ?? 1])
        ->assertSessionHas('refused', fn (string $text) => str_contains($text, $told));
    $this->seeAll();
    expect($kit->refresh()->version)->toBe(1);
})->with([
    'two tabs' => [['part' => 'fees', 'seen' => 7, 'lines' => []], 'Look at theirs'],
    'a client' => [['part' => 'contacts', 'lines' => [['role' => 'buyer', 'name' => 'Sunniva Eide']]], 'Clients belong to a deal'],
    'a circle' => [
        [
            'part' => 'deadlines',
            'lines' => [
                ['name' => 'a', 'anchor' => 'b', 'days' => 1, 'label' => 'A'],
                ['name' => 'b', 'anchor' => 'a', 'days' => 1, 'label' => 'B'],
            ],
        ],
        'counts from itself',
    ],
    'no fee' => [['part' => 'fees', 'lines' => [['label' => 'x', 'amount' => 'much']]], 'A fee is'],
]);

it('takes generic answers on the form, and refuses what is a deal\'s own', function () {
    $kit = ownKit();
    $this->as('tomas')
        ->get("/kits/{$kit->key}/forms/M-102")
        ->assertOk()
        ->assertSee('/library/M-102/pages/1.webp');
    $this->as('tomas')->get('/library/M-102/pages/1.webp')->assertOk();
    $this->as('tomas')
        ->put("/kits/{$kit->key}", [
            'part' => 'answers',
            'seen' => 1,
            'form' => 'M-201',
            'answers' => ['for_buyer' => 'x', 'title_days' => '15'],
        ])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($kit->versions()->firstOrFail()->definition['answers']['M-201'])->toBe(['for_buyer' => 'x', 'title_days' => '15']);
    $bound = collect(app(Unanimus\Forms\Library::class)->form('M-201')->blanks)->first(fn ($blank) => $blank->binding === 'price');
    $this->as('tomas')
        ->put("/kits/{$kit->key}", ['part' => 'answers', 'seen' => 2, 'form' => 'M-201', 'answers' => [$bound->name => '400,000']])
        ->assertSessionHas('reason', KitRefusal::HoldsDealData->value);
});

it('asks for one paper of a kit only under conditions of its own', function () {
    $kit = ownKit();
    $this->as('tomas')
        ->get("/kits/{$kit->key}/papers/2")
        ->assertOk()
        ->assertSee('Survey');
    $this->as('tomas')
        ->get("/kits/{$kit->key}/papers/99")
        ->assertNotFound();
    $this->as('tomas')
        ->put("/kits/{$kit->key}", [
            'part' => 'item',
            'place' => 2,
            'seen' => 1,
            'mode' => 'any',
            'when' => [['fact' => 'price', 'operator' => 'above', 'value' => '100000', 'group' => '0']],
        ])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->put("/kits/{$kit->key}", ['part' => 'item', 'place' => 99, 'seen' => 2, 'when' => []])
        ->assertSessionHas('reason', KitRefusal::NoSuchItem->value);
    $this->seeAll();
    $items = $kit->refresh()->versions()->firstOrFail()->definition['items'];
    expect($items[2]['when'])
        ->toBe(['any' => [['price', 'above', '100000']]])
        ->and($items[2]['title'])
        ->toBe('Survey')
        ->and(count($items))
        ->toBe(8);
    $this->as('caleb')
        ->get("/kits/{$kit->key}/papers/2")
        ->assertSessionHas('reason', KitRefusal::NoSuchKit->value);
});

it('lets nobody change a kit of another, nor an office\'s without running it', function () {
    $kit = ownKit();
    $this->as('caleb')
        ->get("/kits/{$kit->key}")
        ->assertSessionHas('reason', KitRefusal::NoSuchKit->value);
    $this->as('caleb')
        ->put("/kits/{$kit->key}", ['part' => 'fees', 'seen' => 1])
        ->assertNotFound();
    $this->as('tomas')
        ->post('/kits', ['name' => 'For all', 'of' => 'all'])
        ->assertSessionHas('reason', KitRefusal::OfficeKit->value);
    $office = ownKit('fenna', 'all');
    $this->as('tomas')
        ->get("/kits/{$office->key}")
        ->assertOk();
    $this->as('tomas')
        ->put("/kits/{$office->key}", ['part' => 'fees', 'seen' => 1])
        ->assertForbidden();
    $this->as('marguerite')->get('/kits')->assertForbidden();
    $this->as('fenna')
        ->delete("/kits/{$office->key}")
        ->assertSessionHas('told');
    $this->as('fenna')->get('/kits')->assertDontSee('For all');
});

it('applies a kit to an open file: shows first what it adds, and keeps what is there', function () {
    $file = $this->aFile();
    $before = $file->papers()->pluck('key')->all();
    $this->as('tomas')
        ->get("/files/{$file->key}/kits/new-construction")
        ->assertOk()
        ->assertSee('Certificate of occupancy')
        ->assertDontSee('Purchase agreement');
    $this->as('tomas')
        ->post("/files/{$file->key}/kits/new-construction")
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/files/{$file->key}/kits/new-construction")
        ->assertSessionHas('told');
    $this->seeAll();
    expect($file->papers()->whereIn('key', $before)->count())
        ->toBe(count($before))
        ->and($file->papers()->where('title', 'Certificate of occupancy')->count())
        ->toBe(1)
        ->and($file->tasks()->where('origin', 'new-construction')->count())
        ->toBe(1)
        ->and($file->kits()->where('kit', 'new-construction')->count())
        ->toBe(1);
});

it('applies kits by themselves as facts come in, and takes one back that no longer fits', function () {
    $file = $this->aFile();
    expect($file->kits()->pluck('kit')->all())->toBe(['purchase-buyer']);
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.kind', 'value' => 'condo']);
    $this->seeAll();
    expect($file->kits()->pluck('kit')->all())
        ->toBe(['condo-buyer'])
        ->and($file->papers()->where('title', 'Association budget and minutes')->value('state')->value)
        ->toBe('expected')
        ->and($file->papers()->where('form_number', 'M-202')->value('state')->value)
        ->toBe('draft');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.kind', 'value' => 'single family']);
    $this->seeAll();
    expect($file->kits()->pluck('kit')->all())
        ->toBe(['purchase-buyer'])
        ->and($file->papers()->where('title', 'Association budget and minutes')->value('state')->value)
        ->toBe('void');
});

it('keeps a file on the version of a kit it started with', function () {
    $kit = ownKit();
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/kits/{$kit->key}");
    $this->as('tomas')
        ->put("/kits/{$kit->key}", [
            'part' => 'items',
            'seen' => 1,
            'lines' => [['title' => 'Something else', 'stage' => 'offer', 'required_asked' => 1]],
        ])
        ->assertSessionHas('told');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '401,000']);
    $this->seeAll();
    expect($file->kits()->where('kit', $kit->key)->value('version'))
        ->toBe(1)
        ->and($file->papers()->where('title', 'Something else')->exists())
        ->toBeFalse()
        ->and($file->papers()->where('title', 'Zoning letter')->exists())
        ->toBeTrue();
});

it('says to which files conditions would apply', function () {
    $this->aFile(['property.year_built' => '1962']);
    $this->as('tomas')
        ->post('/conditions/preview', [
            'mode' => 'all',
            'when' => [
                ['fact' => 'property.year_built', 'operator' => 'below', 'value' => '1978', 'group' => '0'],
                ['fact' => 'financing', 'operator' => 'is', 'value' => 'cash', 'group' => '1'],
                ['fact' => 'represents', 'operator' => 'is', 'value' => 'buyer', 'group' => '1'],
            ],
            'inner' => ['1' => 'any'],
        ])
        ->assertOk()
        ->assertSee('this one')
        ->assertSee('14 Lanternfish Lane')
        ->assertSee('Year built: 1962');
    $this->as('tomas')
        ->post('/conditions/preview', [
            'mode' => 'all',
            'when' => [['fact' => 'price', 'operator' => 'below', 'value' => '', 'group' => '0']],
        ])
        ->assertOk()
        ->assertSee('Give a value');
    $this->as('caleb')
        ->post('/conditions/preview', [
            'mode' => 'all',
            'when' => [['fact' => 'represents', 'operator' => 'is', 'value' => 'buyer', 'group' => '0']],
        ])
        ->assertSee('apply to none')
        ->assertDontSee('Lanternfish');
});

it('keeps the rules of the brokerage, tried on a file, on and off', function () {
    $file = $this->aFile(['property.year_built' => '1962']);
    $this->as('tomas')->get('/rules')->assertForbidden();
    $this->as('fenna')->get('/rules')->assertSee('Built before 1978');
    $this->as('fenna')
        ->get("/rules/try?file={$file->key}")
        ->assertOk()
        ->assertSee('Year built: 1962')
        ->assertSee('holds');
    $this->as('fenna')
        ->post('/rules', [
            'name' => 'Dear',
            'mode' => 'all',
            'when' => [['fact' => 'price', 'operator' => 'above', 'value' => '400000', 'group' => '0']],
            'title' => 'Proof of wealth',
            'stage' => 'offer',
            'reason' => 'costs {price}',
            'required' => 1,
        ])
        ->assertRedirect('/rules');
    $this->as('fenna')
        ->post('/rules', ['name' => 'Always', 'mode' => 'all', 'when' => [], 'title' => 'x', 'stage' => 'offer'])
        ->assertSessionHas('refused');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '412,000']);
    $this->seeAll();
    expect($file->papers()->where('title', 'Proof of wealth')->value('reason'))
        ->toBe('costs $412,000')
        ->and(OfficeRule::query()->count())
        ->toBe(20);
    $rule = OfficeRule::query()->orderByDesc('id')->firstOrFail();
    $this->as('fenna')->post("/rules/{$rule->key}/active");
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '413,000']);
    $this->seeAll();
    expect($file->papers()->where('title', 'Proof of wealth')->value('state')->value)->toBe('void');
    $this->as('tomas')
        ->post("/rules/{$rule->key}/active")
        ->assertForbidden();
    $this->as('tomas')
        ->delete("/rules/{$rule->key}")
        ->assertForbidden();
    $this->as('tomas')
        ->post('/rules', ['name' => 'x', 'stage' => 'offer'])
        ->assertForbidden();
    $this->as('fenna')
        ->delete("/rules/{$rule->key}")
        ->assertRedirect('/rules');
});

it('puts standing fees of the kit into the commission', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->get("/files/{$file->key}/commission")
        ->assertSee('Transaction fee')
        ->assertSee('395');
    $kit = ownKit();
    $this->as('tomas')
        ->put("/kits/{$kit->key}", [
            'part' => 'fees',
            'seen' => 1,
            'lines' => [['label' => 'Sign and box', 'amount' => '60'], ['label' => 'Photographs', 'amount' => '']],
        ])
        ->assertSessionHas('told');
    $this->as('tomas')->post("/files/{$file->key}/kits/{$kit->key}");
    $this->as('tomas')
        ->get("/files/{$file->key}/commission")
        ->assertSee('Transaction fee and Sign and box')
        ->assertSee('455');
});

it('opens a lease and a referral with their own papers', function (string $kind, string $side, string $paper) {
    $this->as('priya')
        ->post('/files', ['first' => 'Noor Petterson', 'represents' => $side, 'kind' => $kind])
        ->assertRedirect();
    $this->seeAll();
    $file = DealFile::query()->firstOrFail();
    expect($file->papers()->pluck('title')->all())
        ->toContain($paper)
        ->and(DB::table('parties')->where('deal_file_id', $file->id)->where('role', $side)->value('name'))
        ->toBe('Noor Petterson');
    $this->as('priya')
        ->get("/files/{$file->key}/opening")
        ->assertOk()
        ->assertSee("Terms of the {$kind}");
})->with([['lease', 'tenant', 'Move-in condition report'], ['lease', 'landlord', 'Lease'], ['referral', 'buyer', 'Referral agreement']]);
