<?php

declare(strict_types=1);

use App\Models\KeptSentence;
use App\Models\Requirement;
use App\Models\Sight;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Review\ReviewState;

/** @return list<Requirement> two papers from outside, submitted */
function twoSubmitted(): array
{
    $test = test();
    $file = $test->aFile();
    $test->seeAll();
    $lines = Requirement::query()->where('deal_file_id', $file->id)
        ->whereHas('paper', static fn ($paper) => $paper->where('state', 'expected'))->orderBy('position')->limit(2)->get();
    foreach ($lines as $index => $line) {
        $pdf = UploadedFile::fake()->createWithContent("P{$index}.pdf", MadePdf::page(MadePdf::text(72, 700, "A letter, number {$index}")));
        $test->as('tomas')->post(
            "/files/{$file->key}/papers",
            ['pdf' => $pdf, 'key' => "together-{$index}", 'paper' => $line->paper->key],
            ['Accept' => 'application/json'],
        )->assertOk();
        $test->as('tomas')->post("/requirements/{$line->key}/submit")->assertSessionMissing('refused');
    }
    $test->work();
    $test->seeAll();

    return array_values($lines->map(static fn (Requirement $one) => $one->refresh()->load('paper.latest'))->all());
}

it('accepts together what was looked at and in which nothing was found, nothing else', function () {
    [$one, $two] = twoSubmitted();
    $seen = [$one->key => $one->paper->latest->sha256, $two->key => $two->paper->latest->sha256];
    $this->as('ines')->get('/review')->assertDontSee('You have looked at');
    $this->as('ines')->post('/review/accept-looked', ['looked' => $seen])->assertSessionHas('told', 'Accepted 0 papers.');
    $this->as('ines')->get("/review/{$one->key}")->assertOk();
    $this->as('ines')->get('/review')->assertSee('You have looked at')->assertSee('Accept it');
    $this->as('tomas')->post('/review/accept-looked', ['looked' => $seen])->assertForbidden();
    // What is otherwise by now was not looked at.
    $this->as('ines')->post('/review/accept-looked', ['looked' => [$one->key => str_repeat('0', 64)]])->assertSessionHas('refused');
    $this->as('ines')->post('/review/accept-looked', ['looked' => $seen])->assertSessionHas('told', 'Accepted 1 paper.');
    $this->seeAll();
    expect($one->refresh()->review_state)->toBe(ReviewState::Accepted)
        ->and($two->refresh()->review_state)->toBe(ReviewState::Submitted);
});

it('accepts with a note that whoever works on it reads, and shows another paper beside the one that is read', function () {
    [$one, $two] = twoSubmitted();
    $this->as('ines')->get("/review/{$one->key}")->assertOk()->assertSee('Show beside it')->assertSee($two->title);
    $this->as('ines')->get("/review/{$one->key}/beside?of={$two->paper->key}")->assertOk()->assertSee("/papers/{$two->paper->key}/pages/1");
    $this->as('ines')->get("/review/{$one->key}/beside?of=")->assertOk()->assertDontSee('/papers/');
    $this->as('tomas')->get("/review/{$one->key}/beside?of={$two->paper->key}")->assertForbidden();
    $this->as('ines')->post("/requirements/{$one->key}/accept", ['note' => 'Keep the original in the vault.'])->assertRedirect();
    $this->as('tomas')->get("/requirements/{$one->key}/more")->assertSee('Keep the original in the vault.');
    $this->seeAll();
    expect(DB::table('history')->where('what', 'Accepted')->value('data'))->toContain('vault');
});

it('keeps sentences with fields, for oneself or for everyone who reviews', function () {
    [$one] = twoSubmitted();
    $keep = fn (array $given) => $this->as('ines')->post('/review/sentences', $given);
    $keep(['text' => ''])->assertSessionHasErrors('text');
    $keep(['text' => 'The {prise} is wrong'])->assertSessionHas('reason', ReviewRefusal::NoSuchField->value);
    $keep(['text' => 'The price is {price}.'])->assertSessionHas('told');
    $keep(['text' => 'The price is {price}.']);
    $this->seeAll();
    $own = KeptSentence::query()->sole();
    $this->as('ines')->get("/review/{$one->key}")->assertSee('The price is $412,500.');
    $this->as('tomas')->post('/review/sentences', ['text' => 'x'])->assertForbidden();
    $this->as('tomas')->delete("/review/sentences/{$own->key}")->assertNotFound();
    $keep(['text' => 'Initial every page.', 'everyone' => '1']);
    Sight::ofPerson($this->people['tomas']->refresh());
    expect(KeptSentence::query()->pluck('text')->all())->toBe(['Initial every page.']);
    $this->as('ines')->delete("/review/sentences/{$own->key}")->assertSessionHas('told');
    $this->seeAll();
    expect(KeptSentence::query()->pluck('text')->all())->toBe(['Initial every page.'])
        ->and(DB::table('brokerage_history')->where('what', 'Sentence kept')->count())->toBe(1);
});

it('asks for a second reader where the office asks for one for an agent, and says who reviewed what and how long it took', function () {
    [$one] = twoSubmitted();
    $office = $one->file->office;
    $office->update(['review' => ['agents' => [$this->people['tomas']->key]]]);
    $this->as('ines')->post("/requirements/{$one->key}/accept")->assertRedirect();
    $this->seeAll();
    expect($one->refresh()->review_state)->toBe(ReviewState::Submitted)->and($one->first_accepted_by)->toBe($this->people['ines']->id);
    $office->update(['review' => []]);
    $one->update(['first_accepted_by' => null]);
    $this->travel(3)->hours();
    $this->as('ines')->post("/requirements/{$one->key}/accept")->assertRedirect();
    $this->as('ines')->get('/review/done')->assertOk()
        ->assertSee($one->title)->assertSee($this->people['ines']->name)->assertSee('3 hours');
    $this->as('tomas')->get('/review/done')->assertForbidden();
});
