<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Requirement;
use App\Models\StoredKit;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Review\ReviewState;

function lineOf(DealFile $file, string $title): Requirement
{
    test()->seeAll();

    return Requirement::query()->where('deal_file_id', $file->id)->where('title', $title)->firstOrFail();
}

function bring(DealFile $file, string $name): Paper
{
    $test = test();
    $pdf = UploadedFile::fake()->createWithContent("{$name}.pdf", MadePdf::page(MadePdf::text(72, 700, $name)));
    $test->as('tomas')->post("/files/{$file->key}/papers", ['pdf' => $pdf, 'key' => 'bring-'.md5($name)], ['Accept' => 'application/json']);
    $test->seeAll();

    return Paper::query()->where('deal_file_id', $file->id)->where('title', $name)->firstOrFail();
}

it('has days for what is asked for, which move with the deal, and says what is late where one looks', function () {
    // Accepted the day before, whichever day it is: nothing else of the deal is late before the disclosure.
    $file = $this->aFile(['acceptance' => now()->subDay()->toDateString()]);
    $line = lineOf($file, 'Agency disclosure');
    expect($line->due_on?->iso())->toBe($file->created_at->setTimezone($file->office->zone)->addDays(2)->toDateString());
    $this->travel(4)->days();
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('1 late');
    $this->as('tomas')->get('/')->assertSee('Agency disclosure')->assertSee('2 days late');
    $this->as('tomas')->get('/files?q=late:papers')->assertSee($file->name);
    $this->seeAll();
    Requirement::query()->where('deal_file_id', $file->id)->update(['review_state' => ReviewState::Accepted]);
    $this->as('tomas')->get('/files?q=late:papers')->assertDontSee("/files/{$file->key}");
});

it('asks whether a line applies: granted it is settled, refused whoever asked reads why', function () {
    $file = $this->aFile();
    $line = lineOf($file, 'Agency disclosure');
    $this->as('tomas')->get("/requirements/{$line->key}/more")->assertOk()->assertSee('Why it does not apply');
    $this->as('tomas')->post("/requirements/{$line->key}/off", ['reason' => ' '])->assertSessionHasErrors('reason');
    $this->as('tomas')->post("/requirements/{$line->key}/off", ['reason' => 'They are our own agents'])->assertSessionHas('told');
    $this->as('tomas')->post("/requirements/{$line->key}/off", ['reason' => 'They are our own agents']);
    $this->seeAll();
    expect(DB::table('history')->where('what', 'Asked whether it applies')->count())->toBe(1);
    $this->as('ines')->get('/review')->assertSee('asks whether it applies');
    $this->as('ines')->get("/review/{$line->key}")->assertSee('They are our own agents');
    // Whoever asks does not decide.
    $this->as('tomas')->post("/requirements/{$line->key}/applies", ['reason' => 'no'])->assertForbidden();
    $this->as('tomas')->post("/requirements/{$line->key}/waive", ['reason' => 'no'])->assertForbidden();
    $this->as('ines')->post("/requirements/{$line->key}/applies", ['reason' => 'The law asks for it'])->assertSessionHas('told');
    $this->as('ines')->post("/requirements/{$line->key}/applies", ['reason' => 'The law asks for it'])
        ->assertSessionHas('reason', ReviewRefusal::NotAsked->value);
    $this->seeAll();
    expect($line->refresh()->off_asked_at)->toBeNull()
        ->and($line->note)->toBe('The law asks for it')
        ->and(DB::table('letters')->where('subject', 'like', '%Agency disclosure%')->count())->toBe(1);
    $this->as('tomas')->post("/requirements/{$line->key}/off", ['reason' => 'Still']);
    $this->as('tomas')->delete("/requirements/{$line->key}/off")->assertSessionHas('told');
    $this->as('tomas')->post("/requirements/{$line->key}/off", ['reason' => 'Once more']);
    $this->as('ines')->post("/requirements/{$line->key}/waive", ['reason' => 'Once more'])->assertRedirect();
    $this->seeAll();
    expect($line->refresh()->review_state)->toBe(ReviewState::DoesNotApply)->and($line->off_asked_at)->toBeNull();
    $this->as('tomas')->post("/requirements/{$line->key}/off", ['reason' => 'x'])
        ->assertSessionHas('reason', ReviewRefusal::AlreadySettled->value);
});

it('is met by something done: said, submitted and confirmed as a paper is', function () {
    $this->as('tomas')->post('/kits', ['name' => 'Marked', 'of' => 'me']);
    $this->seeAll();
    $kit = StoredKit::query()->sole();
    $lines = [['at' => '10', 'form' => 'action', 'title' => 'Sign placed', 'stage' => 'listing', 'due' => 'closing', 'due_days' => '-3',
        'required_asked' => '1', 'required' => '1', 'reason' => 'so that it is found']];
    $this->as('tomas')->put("/kits/{$kit->key}", ['part' => 'items', 'seen' => 1, 'lines' => $lines])->assertSessionMissing('refused');
    $this->as('tomas')->get("/kits/{$kit->key}")->assertOk()->assertSee('Sign placed');
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/kits/{$kit->key}")->assertRedirect();
    $line = lineOf($file, 'Sign placed');
    expect($line->due_on?->iso())->toBe('2026-12-15')->and($line->paper?->is_action)->toBeTrue();
    $paper = $line->paper;
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Mark as done');
    $this->as('tomas')->post("/requirements/{$line->key}/submit")->assertSessionHas('reason', ReviewRefusal::NotArrived->value);
    $this->as('tomas')->post("/papers/{$paper->key}/done", ['note' => 'Put up on Friday'])->assertSessionHas('told');
    $this->as('tomas')->post("/papers/{$paper->key}/done", ['note' => 'Again']);
    $this->as('tomas')->delete("/papers/{$paper->key}/done");
    $this->seeAll();
    expect($paper->refresh()->state->value)->toBe('expected');
    $this->as('tomas')->post("/papers/{$paper->key}/done", ['note' => 'Put up on Monday']);
    $this->as('tomas')->post("/requirements/{$line->key}/submit")->assertSessionMissing('refused');
    $this->as('ines')->get("/review/{$line->key}")->assertOk()->assertSee('Put up on Monday');
    $this->as('tomas')->delete("/papers/{$paper->key}/done")->assertSessionHas('refused');
    $this->as('ines')->post("/requirements/{$line->key}/accept")->assertRedirect();
    expect(lineOf($file, 'Sign placed')->review_state)->toBe(ReviewState::Accepted);
    $other = $this->paper($file, 'M-102');
    $this->as('tomas')->post("/papers/{$other->key}/done")->assertSessionHas('reason', ReviewRefusal::NoAction->value);
});

it('is met by further papers though its own has not come, and one paper counts for several', function () {
    $file = $this->aFile(['property.year_built' => '1962']);
    $this->seeAll();
    $line = Requirement::query()->where('deal_file_id', $file->id)
        ->whereHas('paper', static fn ($paper) => $paper->where('state', 'expected'))->orderBy('position')->firstOrFail();
    $two = Requirement::query()->where('deal_file_id', $file->id)->whereKeyNot($line->id)
        ->whereHas('paper', static fn ($paper) => $paper->where('state', 'expected'))->orderBy('position')->firstOrFail();
    $paper = bring($file, 'Both in one letter');
    $this->as('tomas')->post("/requirements/{$line->key}/submit")->assertSessionHas('reason', ReviewRefusal::NotArrived->value);
    $this->as('tomas')->post("/requirements/{$line->key}/papers", ['paper' => $paper->key])->assertSessionHas('told');
    $this->as('tomas')->post("/requirements/{$line->key}/papers", ['paper' => $paper->key]);
    $this->as('tomas')->post("/requirements/{$two->key}/papers", ['paper' => $paper->key])->assertSessionHas('told');
    $this->seeAll();
    expect(DB::table('requirement_papers')->count())->toBe(2)
        ->and(DB::table('history')->where('what', 'Counts for')->count())->toBe(2);
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('with Both in one letter');
    $this->as('tomas')->post("/requirements/{$line->key}/submit")->assertSessionMissing('refused');
    $this->as('ines')->get("/review/{$line->key}")->assertOk()->assertSee('Both in one letter');
    $this->as('tomas')->delete("/requirements/{$line->key}/papers/{$paper->key}")->assertSessionHas('refused');
    $this->as('tomas')->delete("/requirements/{$two->key}/papers/{$paper->key}")->assertSessionHas('told');
    $own = $this->paper($file, 'M-102');
    $this->as('tomas')->post('/requirements/'.lineOf($file, 'Agency disclosure')->key.'/papers', ['paper' => $own->key])
        ->assertSessionHas('reason', ReviewRefusal::SameRequirement->value);
});

it('submits a stage as far as it is there, and tells the reviewer what is still to come', function () {
    $file = $this->aFile();
    $this->seeAll();
    $lines = Requirement::query()->where('deal_file_id', $file->id)
        ->whereHas('paper', static fn ($paper) => $paper->where('state', 'expected'))->orderBy('position')->get();
    expect($lines->count())->toBeGreaterThan(1);
    $pdf = UploadedFile::fake()->createWithContent('Letter.pdf', MadePdf::page(MadePdf::text(72, 700, 'A letter')));
    $this->as('tomas')->post("/files/{$file->key}/papers", ['pdf' => $pdf, 'key' => 'stage-one-1', 'paper' => $lines[0]->paper->key],
        ['Accept' => 'application/json'])->assertOk();
    $this->as('tomas')->post("/files/{$file->key}/stages", ['stage' => 'nowhere'])->assertSessionHasErrors('stage');
    $this->as('tomas')->post("/files/{$file->key}/stages", ['stage' => '', 'rest' => 'Friday'])->assertSessionHas('told');
    $this->seeAll();
    expect($lines[0]->refresh()->review_state)->toBe(ReviewState::Submitted)
        ->and(array_column($lines[0]->coming, 'title'))->toContain($lines[1]->title)
        ->and($lines[1]->refresh()->review_state)->toBe(ReviewState::NotSubmitted);
    $this->as('ines')->get("/review/{$lines[0]->key}")->assertSee('Still to come')->assertSee('Friday');
    $this->as('tomas')->post("/files/{$file->key}/stages", ['stage' => $lines[1]->stage])->assertSessionHas('refused');
});
