<?php

declare(strict_types=1);

use App\Files\Agenda;
use App\Files\SignedAmendment;
use App\Models\DealFile;
use App\Models\Paper;
use App\Terms\FactBook;
use Illuminate\Http\UploadedFile;
use Unanimus\Files\FileRefusal;
use Unanimus\Forms\FormRefusal;
use Unanimus\Pages\Scratch;

/** An amendment in a file, filled and come back signed on paper. @param  array<string, string>  $entries */
function signedAmendment(object $case, DealFile $file, array $entries): Paper
{
    $case->as('tomas')->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])->assertSuccessful();
    $case->seeAll();
    $paper = $case->paper($file, 'M-207');
    foreach (['number' => '1', ...$entries] as $blank => $value) {
        $case->as('tomas')
            ->postJson("/papers/{$paper->key}/entries", ['blank' => $blank, 'value' => $value, 'key' => "amend-{$blank}"])
            ->assertOk();
    }
    $scratch = new Scratch();
    $pdf = $case->as('tomas')->get("/papers/{$paper->key}/pdf")->assertOk()->getContent();
    $one = new UploadedFile($scratch->put('signed.pdf', $pdf), 'signed.pdf', 'application/pdf', null, true);
    $case->as('tomas')->post("/papers/{$paper->key}/versions", ['file' => $one, 'board' => '1'])->assertRedirect();
    $case->seeAll();

    return $paper->refresh();
}

function termsOf(DealFile $file): Unanimus\Terms\Facts
{
    return FactBook::of(DealFile::query()->with(['office', 'knownFacts', 'parties', 'papers'])->findOrFail($file->id));
}

it('offers what a signed amendment changes, applies it once with what moves, and says so', function () {
    $file = $this->aFile(['acceptance' => 'yesterday', 'closing' => '+30', 'possession' => '+33', 'price' => '400,000']);
    $closing = $file->office->today()->plusDays(44);
    $walk = fn () => Agenda::of(DealFile::query()->with(['office', 'knownFacts', 'kits'])->findOrFail($file->id))
        ->deadline('walk')?->due
        ->iso();
    $before = $walk();
    $paper = signedAmendment($this, $file, ['new_price' => '395,500', 'new_closing' => $closing->iso(), 'repairs' => 'the porch step']);
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertSee('Apply signed change')
        ->assertSee('$395,500')
        ->assertSee('Possession moves too')
        ->assertSee('These dates move with it');
    $this->as('tomas')->post("/papers/{$paper->key}/amendment", ['possession' => '1'])->assertSessionHas('told');
    $this->seeAll();
    $facts = termsOf($file);
    expect($facts->value('price'))
        ->toBe('395500.00')
        ->and($facts->value('closing'))
        ->toBe($closing->iso())
        ->and($facts->value('possession'))
        ->toBe($closing->plusDays(3)->iso())
        ->and($walk())
        ->not->toBe($before);
    $told = DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Amendment applied')->pluck('data');
    expect($told)->toHaveCount(1)->and($told[0])->toContain('Price from $400,000 to $395,500');
    // A second press, and a second tab: nothing more.
    $this->as('tomas')->post("/papers/{$paper->key}/amendment", [])->assertSessionHas('reason', FormRefusal::AmendmentNotOpen->value);
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('Apply signed change');
});

it('leaves the terms where a person says so, and asks no more', function () {
    $file = $this->aFile(['acceptance' => 'yesterday', 'closing' => '+30', 'price' => '400,000']);
    $paper = signedAmendment($this, $file, ['new_price' => '1']);
    $this->as('tomas')->post("/papers/{$paper->key}/amendment", ['leave' => '1'])->assertSessionHas('told');
    $this->seeAll();
    expect(termsOf($file)->value('price'))->toBe('400000.00');
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('Apply signed change');
});

it('offers nothing before an amendment is signed, and nothing that it does not change', function () {
    $file = $this->aFile(['acceptance' => 'yesterday', 'closing' => '+30', 'price' => '400,000']);
    $this->as('tomas')->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])->assertSuccessful();
    $this->seeAll();
    $draft = $this->paper($file, 'M-207');
    $this->as('tomas')->post("/papers/{$draft->key}/amendment", [])->assertSessionHas('reason', FormRefusal::AmendmentNotOpen->value);
    $same = $this->aFile(['acceptance' => 'yesterday', 'closing' => '+30', 'price' => '400,000']);
    signedAmendment($this, $same, ['new_price' => '400,000']);
    $whole = DealFile::query()
        ->with(['office', 'knownFacts', 'kits', 'parties', 'papers.values', 'papers.latest', 'rounds.papers', 'rounds.signers'])
        ->findOrFail($same->id);
    expect(SignedAmendment::waiting($whole, FactBook::of($whole)))->toBe([]);
});

it('keeps possession at closing as what was said, and moves it with closing', function () {
    $file = $this->aFile(['acceptance' => 'yesterday', 'closing' => '+30']);
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'possession', 'value' => 'at closing'])->assertRedirect();
    $this->seeAll();
    $day = $file->office->today()->plusDays(30);
    expect(termsOf($file)->value('possession'))->toBe($day->iso());
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('at closing');
    $this->as('tomas')->get("/files/{$file->key}/history")->assertOk()->assertSee('Possession changed from December 21, 2026 to at '.
        'closing');
    $this->as('tomas')
        ->post("/files/{$file->key}/shift", ['anchor' => 'closing', 'day' => $day->plusDays(7)->iso(), 'reason' => 'agreed'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect(termsOf($file)->value('possession'))->toBe($day->plusDays(7)->iso());
    // On the page of a contract it is read as well.
    $paper = $this->paper($file, 'M-201');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'possession', 'value' => ''])->assertRedirect();
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'possession', 'value' => 'at closing', 'key' => 'same-as-01'])
        ->assertOk();
    $this->seeAll();
    expect(termsOf($file)->value('possession'))->toBe($day->plusDays(7)->iso());
});

it('says what is still open before a file is closed, and closes it when that was seen', function () {
    $file = $this->aFile(['acceptance' => 'yesterday', 'closing' => '+30']);
    authorized($file);
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Close this file?')->assertSee('which has not come yet');
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'closed'])
        ->assertSessionHas('reason', FileRefusal::StillOpen->value);
    $this->seeAll();
    expect($file->fresh()->status->value)->toBe('under_contract');
    $this->as('tomas')->post("/files/{$file->key}/status", ['status' => 'closed', 'sure' => '1'])->assertSessionHas('told');
    $this->seeAll();
    expect($file->fresh()->status->value)->toBe('closed');
});

it('says beside a new value how it was until now, and leaves what a person has written there', function () {
    $file = $this->aFile(['acceptance' => 'yesterday', 'closing' => '+30', 'price' => '400,000']);
    $this->as('tomas')->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])->assertSuccessful();
    $this->seeAll();
    $paper = $this->paper($file, 'M-207');
    $enter = function (string $blank, string $value) use ($paper) {
        $answer = $this
            ->as('tomas')
            ->postJson("/papers/{$paper->key}/entries", ['blank' => $blank, 'value' => $value, 'key' => "until-{$blank}"]);
        $answer->assertOk();
        $this->seeAll();

        return [$answer->getContent(), $paper->refresh()->load('values')->entries()];
    };
    expect($enter('old_price', '401,000')[1])->not->toHaveKey('old_closing');
    expect($enter('new_price', '395,500')[1]['old_price'])->toBe('401000.00');
    $closing = termsOf($file)->value('closing');
    [$answer, $entries] = $enter('new_closing', $file->office->today()->plusDays(44)->iso());
    expect($entries['old_closing'])
        ->toBe($closing)
        ->and($entries)
        ->not->toHaveKey('old_possession')
        ->and(json_decode($answer, true)['blanks']['old_closing']['source'])
        ->toBe('from the file’s terms');
    $inspection = Agenda::of(DealFile::query()->with(['office', 'knownFacts', 'kits'])->findOrFail($file->id))->deadline('inspection');
    $entries = $enter('new_inspection', $file->office->today()->plusDays(12)->iso())[1];
    expect($entries['old_inspection'] ?? null)->toBe($inspection?->due->iso());
    // What the file knows nothing of stays open for a person.
    $possession = termsOf($file)->value('possession');
    $entries = $enter('new_possession', $file->office->today()->plusDays(46)->iso())[1];
    expect($entries['old_possession'] ?? null)->toBe($possession);
});
