<?php

declare(strict_types=1);

use App\Models\KnownFact;
use App\Models\Office;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Files\PaperState;
use Unanimus\Pages\Scratch;
use Unanimus\Terms\TermRefusal;

it('prefers a form to others like it where a broker or administrator of the office says so', function () {
    $office = Office::query()->where('name', 'Tidewick')->firstOrFail();
    $path = "/offices/{$office->key}/forms/M-214";
    $this->as('tomas')->post($path, ['on' => '1'])->assertForbidden();
    $this->as('wendell')->post($path, ['on' => '1'])->assertForbidden();
    $elsewhere = Office::query()->where('name', 'Pellingford')->firstOrFail();
    $this->as('dario')->post("/offices/{$elsewhere->key}/forms/M-214", ['on' => '1'])->assertForbidden();
    $this->as('dario')->post($path, ['on' => '1'])->assertNoContent();
    $this->seeAll();
    expect($office->fresh()->preferred_forms)->toBe(['M-214']);
    $file = $this->aFile();
    $this->as('tomas')
        ->get("/files/{$file->key}/forms?q=financing")
        ->assertOk()
        ->assertSee('preferred here')
        ->assertDontSee('Stop preferring');
    $this->as('dario')->post($path, ['on' => '0'])->assertNoContent();
    $this->seeAll();
    expect($office->fresh()->preferred_forms)
        ->toBe([])
        ->and(DB::table('brokerage_history')->whereIn('what', ['Form preferred', 'Form no longer preferred'])->count())
        ->toBe(2);
});

it('undoes the removal of a form with what was filled in', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])->assertOk();
    $this->seeAll();
    $paper = $this->paper($file, 'M-207');
    entry($paper, ['blank' => 'repairs', 'value' => 'the porch step', 'key' => 'undo-0001']);
    $this->as('tomas')->post("/files/{$file->key}/forms/M-207", ['what' => 'out'])->assertSee('Removed. What was filled in '.
        'is kept.')->assertSee('Undo');
    $this->as('tomas')->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])->assertDontSee('Undo');
    $this->seeAll();
    expect($paper->fresh()->state->value)->toBe('draft')->and($paper->fresh()->entries()['repairs'])->toBe('the porch step');
});

it('lists facts of a contract that nobody has checked before it is sent, and remembers who checked them against what', function () {
    $file = $this->aFile();
    KnownFact::query()
        ->where('deal_file_id', $file->id)
        ->whereIn('name', ['property.street', 'property.county'])
        ->update(['source' => 'Three Rivers Listing Exchange, Nov 20']);
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-201')->key]])->assertRedirect();
    $this->seeAll();
    $round = $file->rounds()->latest('id')->firstOrFail();
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('On the contract and not checked yet')->assertSee('Mark as checked');
    $path = "/files/{$file->key}/checked-facts";
    $this->as('tomas')
        ->post($path, ['facts' => ['property.street'], 'against' => ' '])
        ->assertSessionHas('reason', TermRefusal::CheckedAgainstNothing->value);
    $this->as('tomas')
        ->post($path, ['facts' => ['property.street', 'property.county', 'price'], 'against' => 'county record'])
        ->assertSessionHas('told', '2 facts marked as checked.');
    $this->as('tomas')
        ->post($path, ['facts' => ['property.street'], 'against' => 'deed'])
        ->assertSessionHas('reason', TermRefusal::NothingToCheck->value);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertDontSee('not checked yet');
    $this->seeAll();
    $fact = KnownFact::query()->where('deal_file_id', $file->id)->where('name', 'property.street')->sole();
    expect($fact->checked_against)->toBe('county record')->and($fact->checked_at)->not->toBeNull();
    // Another value has not been checked.
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.street', 'value' => '15 Lanternfish Lane']);
    $this->seeAll();
    expect($fact->fresh()->checked_at)->toBeNull();
});

it('finds a file by what stands on a paper brought into it, for those who see the paper alone', function () {
    $file = bothSides();
    $scratch = new Scratch();
    $pdf = $scratch->put('report.pdf', MadePdf::page(MadePdf::text(72, 700, 'A cistern of oak lies below the porch, as we saw.')));
    $this->as('caleb')->post("/files/{$file->key}/papers", [
        'pdf' => UploadedFile::fake()->createWithContent('report.pdf', (string) file_get_contents($pdf)),
    ]);
    $this->work();
    $this->seeAll();
    $paper = $file->papers()->whereHas('latest', static fn ($latest) => $latest->where('first_page', 1))->latest('id')->firstOrFail();
    $said = 'page 1: A cistern of oak lies below the porch, as we …';
    $look = fn (string $who, string $typed) => $this->as($who)->get('/files?'.http_build_query(['q' => $typed]))->assertOk();
    $look('caleb', 'says:"Oak lies"')->assertSee($file->name)->assertSee($said);
    $look('caleb', 'says:cister')->assertSee($file->name);
    $look('caleb', 'says:"lies oak"')->assertDontSee($file->name)->assertSee('No matches');
    $look('caleb', '-says:cistern')->assertDontSee($said);
    $look('caleb', 'cistern')->assertSee('Search the papers')->assertSee(rawurlencode('says:"cistern"'));
    $look('tomas', 'says:cistern')->assertDontSee($said)->assertDontSee($file->name);
    // Of a paper that is the other side's own, nothing is said, though the file is in sight.
    $this->seeAll();
    $paper->update(['side' => 'seller']);
    $look('caleb', 'says:cistern')->assertDontSee($said);
    $this->seeAll();
    $paper->update(['side' => null, 'state' => PaperState::Void]);
    $look('caleb', 'says:cistern')->assertDontSee($said);
});
