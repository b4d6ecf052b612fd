<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Remark;
use App\Models\Requirement;
use App\Models\Upload;
use App\Review\ReviewFindings;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Forms\Library;
use Unanimus\Pages\Scratch;
use Unanimus\Review\ReviewFinding;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Review\ReviewState;

/** A disclosure that came back as a scan, with nobody's ink on it, submitted to the broker. */
function scanOnTheDesk(DealFile $file): Requirement
{
    $test = test();
    $form = (new Library(base_path('library')))->form('M-102');
    $scan = MadePdf::scan((string) file_get_contents($form->pdf), new Scratch());
    $test->as('tomas')->post("/papers/{$test->paper($file, 'M-102')->key}/versions", [
        'file' => UploadedFile::fake()->createWithContent('scan.pdf', $scan),
    ])->assertSessionMissing('refused');
    $test->work();
    $requirement = $file->requirements()->where('title', 'Agency disclosure')->firstOrFail();
    $test->as('tomas')->post("/requirements/{$requirement->key}/submit")->assertSessionMissing('refused');
    $test->seeAll();

    return $requirement->refresh();
}

/** @return list<ReviewFinding> */
function foundOn(Requirement $requirement): array
{
    test()->seeAll();

    return ReviewFindings::of($requirement->fresh(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'paper.latest']));
}

it('finds on a scan who has not signed, and lets each be made a remark or set aside', function () {
    $file = $this->aFile();
    $requirement = scanOnTheDesk($file);
    $found = foundOn($requirement);
    $buyer = $file->parties()->where(['role' => 'buyer', 'number' => 1])->sole()->name;
    $texts = array_map(static fn (ReviewFinding $one) => $one->text, $found);
    expect($texts)->toContain("The signature of {$buyer} (buyer 1) is missing.");
    $first = $found[(int) array_search("The signature of {$buyer} (buyer 1) is missing.", $texts, true)];
    $this->as('ines')->get("/review/{$requirement->key}")->assertOk()
        ->assertSee('Found by the machine')->assertSee("The signature of {$buyer} (buyer 1) is missing.")->assertSee('no ink at its place');
    $this->as('ines')->post("/requirements/{$requirement->key}/findings/{$first->id()}", ['do' => 'remark'])->assertRedirect();
    $this->as('ines')->post("/requirements/{$requirement->key}/findings/{$first->id()}", ['do' => 'remark'])->assertRedirect();
    $other = foundOn($requirement)[0];
    $this->as('ines')->post("/requirements/{$requirement->key}/findings/{$other->id()}", ['do' => 'aside'])->assertRedirect();
    $this->seeAll();
    $remark = $requirement->remarks()->sole();
    expect($remark->text)->toBe($first->text)->and($remark->page)->toBe($first->page)->and($remark->sent_at)->toBeNull()
        ->and(count(foundOn($requirement)))->toBe(count($found) - 2);
    // Noted, it is the desk's own: the agent is told nothing yet.
    $this->as('tomas')->get("/papers/{$requirement->paper->key}")->assertDontSee('Remark, page');
    $this->as('ines')->post("/requirements/{$requirement->key}/send-back")->assertRedirect('/review');
    $this->seeAll();
    $letter = Letter::query()->where('once_key', "sent-back:{$requirement->key}:1")->sole();
    expect($letter->recipient)->toBe('tomas@quillmark.example')->and($letter->body)->toContain($first->text);
    $this->as('tomas')->get("/papers/{$requirement->paper->key}")->assertSee('Remark, page')->assertSee($buyer);
});

it('takes remarks through their life: noted, removed, sent, answered, opened again, resolved', function () {
    $file = $this->aFile();
    $requirement = scanOnTheDesk($file);
    $at = "/requirements/{$requirement->key}";
    $this->as('ines')->post("{$at}/remarks", ['remark' => 'Which house is it?', 'page' => 1, 'x' => 100, 'y' => 200])->assertRedirect();
    $this->as('ines')->post("{$at}/remarks", ['remark' => 'Never mind'])->assertRedirect();
    $this->as('ines')->post("{$at}/remarks", ['remark' => '  '])->assertSessionHas('reason', ReviewRefusal::NoRemark->value);
    $this->seeAll();
    [$one, $two] = $requirement->remarks()->get()->all();
    $this->as('ines')->post("/remarks/{$two->key}/settle", ['do' => 'drop'])->assertRedirect();
    $this->as('ines')->post("{$at}/send-back", ['remark' => 'And date it.'])->assertSessionMissing('refused');
    $this->as('ines')->post("/remarks/{$one->key}/settle", ['do' => 'drop'])->assertSessionHas('reason', ReviewRefusal::RemarkSent->value);
    $this->seeAll();
    expect(Remark::query()->count())->toBe(2)->and($requirement->refresh()->times_sent_back)->toBe(1);
    $this->as('tomas')->post("/remarks/{$one->key}/answer", ['answer' => ''])->assertSessionHas('reason', ReviewRefusal::NoAnswer->value);
    $this->as('tomas')->post("/remarks/{$one->key}/answer", ['answer' => 'The one on Lanternfish Lane.'])->assertSessionHas('told');
    $this->as('tomas')->get("/papers/{$requirement->paper->key}")->assertDontSee('Which house is it?')->assertSee('And date it.');
    $this->as('tomas')->post("{$at}/submit")->assertSessionMissing('refused');
    $this->as('ines')->get("/review/{$requirement->key}")->assertSee('The one on Lanternfish Lane.')->assertSee('Open again');
    $this->as('ines')->post("/remarks/{$one->key}/settle", ['do' => 'resolve'])->assertRedirect();
    $this->as('ines')->post("/remarks/{$one->key}/settle", ['do' => 'again'])->assertRedirect();
    $this->seeAll();
    expect($one->refresh()->resolved_at)->toBeNull()->and($one->answered_at)->toBeNull();
    $this->as('ines')->get('/review')->assertSee('sent back before');
    $this->as('ines')->post("{$at}/accept")->assertRedirect();
    $this->seeAll();
    expect(Remark::query()->whereNull('resolved_at')->count())->toBe(0)
        ->and($requirement->refresh()->review_state)->toBe(ReviewState::Accepted);
    $this->as('dario')->get("/files/{$file->key}/history")->assertSee('The one on Lanternfish Lane.');
});

it('shows what changed since it was read, in pages and in values', function () {
    $file = $this->aFile();
    $paper = $file->papers()->create([
        'brokerage_id' => $file->brokerage_id, 'title' => 'Survey', 'stage' => 'contract', 'state' => 'expected', 'position' => 9000,
    ]);
    $requirement = $file->requirements()->create([
        'brokerage_id' => $file->brokerage_id, 'title' => 'Survey', 'stage' => 'contract', 'position' => 900, 'reason' => 'x',
        'paper_id' => $paper->id,
    ]);
    $bring = fn (string $words) => MadePdf::page(MadePdf::text(72, 700, 'Survey of the land').MadePdf::text(72, 500, $words));
    $this->as('tomas')->post("/files/{$file->key}/papers", [
        'pdf' => UploadedFile::fake()->createWithContent('survey.pdf', $bring('Fence stands on the neighbor’s side')),
        'paper' => $paper->key,
    ]);
    $this->as('tomas')->post("/requirements/{$requirement->key}/submit")->assertSessionMissing('refused');
    $this->as('ines')->get("/review/{$requirement->key}/changes")->assertNotFound();
    $this->as('ines')->post("/requirements/{$requirement->key}/send-back", ['remark' => 'Whose fence?']);
    $this->as('tomas')->post("/papers/{$paper->key}/versions", [
        'file' => UploadedFile::fake()->createWithContent('survey 2.pdf', $bring('Fence stands on the line')),
    ]);
    $this->as('tomas')->post("/requirements/{$requirement->key}/submit")->assertSessionMissing('refused');
    $this->as('ines')->get("/review/{$requirement->key}")->assertSee('What changed');
    $this->as('ines')->get("/review/{$requirement->key}/changes")->assertOk()->assertSee('Page 1: 1 place');
    $this->as('ines')->get("/review/{$requirement->key}/before/1.webp")->assertOk();
    $this->as('ines')->get("/review/{$requirement->key}/before/2.webp")->assertNotFound();
});

it('sorts the desk by what is needed soonest, passes on, and lets go of what nobody has begun to read', function () {
    $file = $this->aFile();
    $requirement = scanOnTheDesk($file);
    $at = "/requirements/{$requirement->key}";
    $this->as('caleb')->post("{$at}/withdraw")->assertNotFound();
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Take back');
    $this->as('tomas')->post("{$at}/withdraw")->assertSessionHas('told');
    $this->seeAll();
    expect($requirement->refresh()->review_state)->toBe(ReviewState::NotSubmitted);
    $this->as('tomas')->post("/files/{$file->key}/submissions", [
        'papers' => [$requirement->paper->key], 'needed_day' => $this->day(1), 'needed_time' => '3 pm', 'needed_why' => 'The lender waits',
    ])->assertSessionMissing('refused');
    $this->seeAll();
    expect($requirement->refresh()->needed_by?->setTimezone($file->office->zone)->format('H:i'))->toBe('15:00');
    $other = $this->aFile(['property.street' => '9 Cooper Way']);
    $later = scanOnTheDesk($other);
    $this->as('ines')->get('/review')->assertSeeInOrder(['The lender waits', '9 Cooper Way']);
    $this->as('ines')->get('/review?agent='.$this->people['tomas']->key)->assertSee('The lender waits');
    $this->as('ines')->get('/review?mine=1')->assertDontSee('The lender waits');
    $this->as('ines')->post("/requirements/{$later->key}/pass", ['to' => $this->people['ines']->key])->assertSessionHas('told');
    $this->as('ines')->get('/review?mine=1')->assertSee('9 Cooper Way')->assertDontSee('The lender waits');
    $this->as('ines')->post("/requirements/{$later->key}/pass", ['to' => $this->people['tomas']->key])
        ->assertSessionHas('reason', ReviewRefusal::NotTheirOffice->value);
    $this->as('ines')->get("{$this->app['url']->to('/review/'.$requirement->key)}")->assertOk()->assertSee('Needed by');
    $this->as('tomas')->post("{$at}/withdraw")->assertSessionHas('reason', ReviewRefusal::BeingRead->value);
    $this->as('tomas')->post("/files/{$file->key}/submissions", ['papers' => ['x'], 'needed_time' => 'whenever'])
        ->assertSessionHas('refused');
});

it('keeps findings and their settling from whoever does not review', function () {
    $file = $this->aFile();
    $requirement = scanOnTheDesk($file);
    $found = foundOn($requirement)[0]->id();
    foreach (['tomas' => 403, 'caleb' => 404] as $who => $code) {
        $this->as($who)->get("/review/{$requirement->key}")->assertStatus($code);
        $this->as($who)->post("/requirements/{$requirement->key}/findings/{$found}", ['do' => 'aside'])->assertStatus($code);
        $this->as($who)->post("/requirements/{$requirement->key}/remarks", ['remark' => 'x'])->assertStatus($code);
    }
    $this->seeAll();
    expect(DB::table('findings_set_aside')->count())->toBe(0)->and(Upload::query()->count())->toBe(0);
});

it('asks two readers where the office wants two, nobody where it wants none, and looks at some again', function () {
    $office = $this->people['tomas']->officeRoles->firstOrFail()->office;
    $set = fn (array $review, int $spot = 0) => $this->as('fenna')->put("/offices/{$office->key}", [
        'name' => $office->name, 'zone' => $office->zone, 'review' => $review, 'spot' => $spot,
    ])->assertSessionHas('told');
    $set(['agency' => 'two'], 2);
    $this->seeAll();
    $file = $this->aFile();
    $requirement = scanOnTheDesk($file);
    $accept = fn (string $who) => $this->as($who)->post("/requirements/{$requirement->key}/accept");
    $accept('ines')->assertSessionHas('told');
    $this->seeAll();
    expect($requirement->refresh()->review_state)->toBe(ReviewState::Submitted);
    $accept('ines')->assertSessionHas('reason', ReviewRefusal::SecondReader->value);
    $this->as('ines')->get('/review')->assertDontSee('14 Lanternfish');
    $this->as('dario')->get('/review')->assertSee('second reader');
    $accept('dario')->assertSessionHas('told');
    $this->seeAll();
    expect($requirement->refresh()->review_state)->toBe(ReviewState::Accepted)->and($requirement->spot_at)->toBeNull();
    $this->as('dario')->get("/files/{$file->key}/history")->assertSee('accepted by the first of two readers');
    // The second accepted paper of the office is looked at once more, once.
    $set(['agency' => 'one'], 2);
    $this->seeAll();
    $other = scanOnTheDesk($this->aFile(['property.street' => '9 Cooper Way']));
    $this->as('dario')->post("/requirements/{$other->key}/accept");
    $this->as('ines')->get('/review')->assertSee('Look at these once more')->assertSee('9 Cooper Way');
    $this->as('ines')->post("/requirements/{$other->key}/spot")->assertSessionHas('told');
    $this->as('ines')->get('/review')->assertDontSee('Look at these once more');
    // Nobody reads agency papers now: submitted, they are complete.
    $set(['agency' => 'none']);
    $this->seeAll();
    $third = scanOnTheDesk($this->aFile(['property.street' => '11 Cooper Way']));
    expect($third->review_state)->toBe(ReviewState::Accepted);
    $this->as('ines')->get('/office/history')->assertSee('not read: agency');
    $this->as('tomas')->put("/offices/{$office->key}", ['name' => 'x', 'zone' => $office->zone])->assertForbidden();
});

it('takes a remark pressed twice for one, opens one again once, and decides on nothing but what was read', function () {
    $file = $this->aFile();
    $requirement = scanOnTheDesk($file);
    $at = "/requirements/{$requirement->key}";
    foreach ([1, 2] as $_) {
        $this->as('ines')->post("{$at}/remarks", ['remark' => 'Which house is it?', 'page' => 1, 'x' => 100, 'y' => 200]);
    }
    $this->as('ines')->post("{$at}/remarks", ['remark' => 'Which house is it?', 'page' => 1, 'x' => 100, 'y' => 300]);
    $this->seeAll();
    expect($requirement->remarks()->count())->toBe(2);
    $sha256 = (string) $requirement->paper?->latest?->sha256;
    $this->as('ines')->get("/review/{$requirement->key}")->assertSee('name="seen" value="'.$sha256.'"', false);
    // A tab that was left open over another version.
    foreach (['accept', 'send-back'] as $do) {
        $this->as('ines')->post("{$at}/{$do}", ['seen' => str_repeat('0', 64), 'remark' => 'x'])
            ->assertSessionHas('reason', ReviewRefusal::OtherVersion->value);
    }
    $this->seeAll();
    expect($requirement->refresh()->review_state)->toBe(ReviewState::Submitted);
    $this->as('ines')->post("{$at}/send-back", ['seen' => $sha256])->assertSessionMissing('reason');
    $this->seeAll();
    $remark = $requirement->remarks()->orderBy('id')->firstOrFail();
    foreach ([1, 2] as $_) {
        $this->as('tomas')->post("/remarks/{$remark->key}/answer", ['answer' => 'The one on the corner.']);
    }
    foreach ([1, 2] as $_) {
        $this->as('ines')->post("/remarks/{$remark->key}/settle", ['do' => 'again']);
    }
    $this->seeAll();
    $told = DB::table('history')->where('deal_file_id', $file->id)->pluck('what')->countBy();
    expect($told['Remark answered'])->toBe(1)->and($told['Remark opened again'])->toBe(1);
});
