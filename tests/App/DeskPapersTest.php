<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Round;
use App\Papers\Actions\TakeForm;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\SendRound;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Files\PaperState;
use Unanimus\Signing\RoundFault;
use Unanimus\Signing\RoundFaultKind;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;

it('adds papers to a round, once, and asks whoever signs on them', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, MadePdf::text(72, 740, 'Nothing that says who signs.'));
    expect($round->signers()->count())->toBe(0);
    $paper = $this->paper($file, 'M-102');
    foreach ([1, 2] as $time) {
        $this->as('tomas')->post("/rounds/{$round->key}/papers", ['papers' => [$paper->key]])->assertRedirect("/rounds/{$round->key}");
    }
    $this->seeAll();
    expect($round->papers()->pluck('title')->all())
        ->toBe(['Their addendum', $paper->title])
        ->and($round->signers()->pluck('seat')->all())
        ->toContain('buyer.1', 'buyer.2', 'agent.1')
        ->and($round->marks()->count())
        ->toBe(count($paper->form()->marks ?? []));
});

it('brings a dropped file into the file and the round at once', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, MadePdf::text(72, 740, 'The first one.'));
    $pdf = UploadedFile::fake()->createWithContent('Second.pdf', MadePdf::page(MadePdf::text(72, 300, 'Buyer: __________________', 10)));
    $this->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => $pdf, 'key' => 'dropped-on-desk'], ['Accept' => 'application/json'])
        ->assertOk();
    $this->postJson("/rounds/{$round->key}/papers", ['uploads' => ['dropped-on-desk']])
        ->assertOk()
        ->assertJson(['told' => 'Added 1 paper.']);
    $this->seeAll();
    expect($round->papers()->pluck('title')->all())
        ->toBe(['Their addendum', 'Second'])
        ->and(marksOf($round))
        ->toBe(['signature buyer.1 in pencil']);
});

it('takes a paper out with its marks and whoever signed nothing else, never the last one', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, MadePdf::text(72, 300, 'Buyer: __________________', 10));
    $this->as('tomas')->post("/rounds/{$round->key}/papers", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->delete("/rounds/{$round->key}/papers/1")->assertRedirect("/rounds/{$round->key}");
    $this->delete("/rounds/{$round->key}/papers/1")->assertRedirect("/rounds/{$round->key}");
    $this->seeAll();
    expect($round->papers()->pluck('position')->all())->toBe([0])->and($round->signers()->pluck('seat')->all())->toBe(['buyer.1']);
    $this->as('tomas')->delete("/rounds/{$round->key}/papers/0")->assertSessionHas('reason', SigningRefusal::NoPapers->value);
    expect(Paper::query()->where('form_number', 'M-102')->where('deal_file_id', $file->id)->sole()->state)->toBe(PaperState::Draft);
});

it('puts papers in order; what they are called stays, so that a change under way finds its paper', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, MadePdf::text(72, 740, 'Nothing that says who signs.'));
    $this->as('tomas')->post("/rounds/{$round->key}/papers", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->putJson("/rounds/{$round->key}/papers", ['papers' => [1, 0]])->assertNoContent();
    $this->putJson("/rounds/{$round->key}/papers", ['papers' => [1]])
        ->assertStatus(409)
        ->assertJsonPath('reason', SigningRefusal::PapersChanged->value);
    $this->seeAll();
    expect($round->papers()->pluck('position')->all())->toBe([1, 0]);
    placed($round, [
        'do' => 'put',
        'mark' => str_repeat('Q', 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'buyer.1',
        'kind' => 'signature',
        'place' => [72, 500, 170, 22],
    ])->assertOk();
    $this->seeAll();
    $addendum = $round->papers()->where('position', 0)->sole();
    expect($round->marks()->where('key', str_repeat('Q', 26))->sole()->round_paper_id)->toBe($addendum->id);
    Auth::setUser($this->people['tomas']);
    app(SendRound::class)($round->refresh());
    foreach (['putJson' => '', 'deleteJson' => '/0'] as $way => $which) {
        $this->{$way}("/rounds/{$round->key}/papers{$which}", ['papers' => [0, 1]])
            ->assertStatus(409)
            ->assertJsonPath('reason', SigningRefusal::AlreadyOut->value);
    }
});

it('says which pages nobody has looked at, until somebody has', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, MadePdf::text(72, 300, 'Buyer: __________________', 10));
    $unseen = fn () => array_filter(
        ComposeRound::faults($round->refresh()->load(['papers.paper.values', 'signers', 'marks', 'file.knownFacts'])),
        static fn (RoundFault $fault) => $fault->kind === RoundFaultKind::PagesUnseen,
    );
    expect($unseen())->toHaveCount(1);
    $this->as('tomas')->postJson("/rounds/{$round->key}/looked", ['paper' => 0, 'page' => 2])->assertNoContent();
    $this->postJson("/rounds/{$round->key}/looked", ['paper' => 0, 'page' => 1])->assertOk()->assertDontSee('Not looked at');
    $this->postJson("/rounds/{$round->key}/looked", ['paper' => 0, 'page' => 1])->assertNoContent();
    $this->seeAll();
    expect($unseen())->toBe([])->and(DB::table('round_papers')->where('round_id', $round->id)->value('seen'))->toBe('[1]');
    // The last page is told of after the round went out: nothing is changed, and nothing breaks.
    $sent = $this->aRound($this->aFile());
    $this->as('tomas')->postJson("/rounds/{$sent->key}/looked", ['paper' => 0, 'page' => 1])->assertNoContent();
});

it('says where a signer is called otherwise in the file now, and takes the name from there', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, MadePdf::text(72, 300, 'Buyer: __________________', 10));
    $this->as('tomas')->put("/files/{$file->key}/parties/buyer.1?at=opening", ['name' => 'Sunniva Eide-Holm'])->assertRedirect();
    $told = 'Sunniva Eide is Sunniva Eide-Holm in the file now.';
    $this->get("/rounds/{$round->key}")->assertSee($told)->assertSee('Use the name in the file');
    expect(placed($round, ['do' => 'names'])->assertOk()->json('faults'))->not->toContain($told);
    $this->seeAll();
    expect($round->signers()->value('name'))->toBe('Sunniva Eide-Holm');
});

it('gives somebody else a seat from the desk, once, and lets them sign', function () {
    $round = roundOfPaper($this->aFile(), Tests\Support\MadePdf::text(72, 700, 'Nothing to sign is said here.'));
    $seat = fn (array $given) => $this->as('tomas')->post("/rounds/{$round->key}/people", $given);
    $seat(['role' => 'other', 'name' => 'Nils Ostrander', 'email' => 'nils@ostrander.example'])->assertSessionHas('told');
    $seat(['role' => 'other', 'name' => 'nils ostrander', 'email' => 'nils@ostrander.example'])->assertSessionHas('told');
    $seat(['role' => 'other', 'name' => 'Nils', 'email' => 'nowhere'])->assertSessionHasErrors('email');
    $seat(['role' => 'other', 'name' => ' '])->assertSessionHasErrors('name');
    $seat(['role' => 'seller', 'name' => 'Their Client'])->assertSessionHas('reason', SigningRefusal::NotAskedByUs->value);
    $seat(['role' => 'agent', 'name' => 'A Colleague'])->assertSessionHas('reason', SigningRefusal::NotAskedByUs->value);
    $this->seeAll();
    $others = $round->file->parties()->where('role', 'other')->get();
    expect($others->pluck('name')->all())->toBe(['Nils Ostrander'])->and($others[0]->email)->toBe('nils@ostrander.example');
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('Nils Ostrander');
    placed($round, [
        'do' => 'put',
        'mark' => str_repeat('C', 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'other.1',
        'kind' => 'signature',
        'place' => [72, 500, 170, 22],
    ])->assertOk();
    $this->seeAll();
    expect($round->signers()->pluck('email', 'seat')->all())->toBe(['other.1' => 'nils@ostrander.example']);
});

it('opens a long draft without what stands further down, and brings that after', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", [
        'papers' => [$this->paper($file, 'M-201')->key, $this->paper($file, 'M-102')->key],
    ]);
    $this->seeAll();
    $round = Round::query()->where('deal_file_id', $file->id)->sole();
    $page = (string) $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()->getContent();
    expect(substr_count($page, 'data-drawn='))->toBe($round->papers()->where('position', 1)->sole()->pages);
    $drawn = $this->as('tomas')->getJson("/rounds/{$round->key}/drawn")->assertOk()->json();
    // All pages with entries, those that came with the page among them.
    expect(array_keys($drawn['pages']))->toContain('0/1', '1/1')->and($drawn['pages']['1/1'])->toContain('Sunniva');
    // A set of this size is looked over before it is shown.
    expect($page)->toContain('Not looked at yet')->not->toContain('Checking what is still')
        ->and($drawn['faults'])->toContain('Not looked at yet');
    $this->seeAll();
    $round->update(['status' => RoundStatus::Recalled]);
    $this->as('tomas')->getJson("/rounds/{$round->key}/drawn")->assertNotFound();
});

it('opens a very long draft before it is looked over, and then tells what is wrong', function () {
    $file = $this->aFile();
    Auth::setUser($this->people['tomas']);
    foreach (['M-201', 'M-202', 'M-203', 'M-205', 'M-206', 'M-207', 'M-214', 'M-102', 'M-103', 'M-105', 'M-106'] as $form) {
        $file->papers()->where('form_number', $form)->exists() || app(TakeForm::class)->take($file->refresh(), $form);
    }
    $keys = $file->papers()->whereNotNull('form_number')->pluck('key')->all();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => $keys])->assertRedirect();
    $this->seeAll();
    $round = Round::query()->where('deal_file_id', $file->id)->sole();
    expect((int) $round->papers()->sum('pages'))->toBeGreaterThan(30);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()
        ->assertSee('Checking what is still')->assertDontSee('required blanks empty');
    $faults = $this->as('tomas')->getJson("/rounds/{$round->key}/drawn")->assertOk()->json('faults');
    expect($faults)->toContain('required blanks empty', 'Not looked at yet', 'Look at them')->not->toContain('Look at it');
    // Sending looks it over whatever its page has shown.
    $this->as('tomas')->put("/rounds/{$round->key}", ['send' => '1'])->assertSessionHas('reason');
});
