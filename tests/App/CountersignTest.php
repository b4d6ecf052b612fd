<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Requirement;
use App\Models\Round;
use App\Storage\Bytes;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Files\MadeBy;
use Unanimus\Review\ReviewState;
use Unanimus\Signing\SigningRefusal;

/** A paper from outside at a row that waited for one, submitted. */
function submittedPaper(string $text): Requirement
{
    $test = test();
    $file = $test->aFile();
    $test->seeAll();
    $line = Requirement::query()->where('deal_file_id', $file->id)
        ->whereHas('paper', static fn ($paper) => $paper->where('state', 'expected'))->orderBy('position')->firstOrFail();
    $pdf = UploadedFile::fake()->createWithContent('Consent.pdf', MadePdf::page(MadePdf::text(72, 300, $text, 10)));
    $test->as('tomas')->post(
        "/files/{$file->key}/papers",
        ['pdf' => $pdf, 'key' => 'countersigned', 'paper' => $line->paper->key],
        ['Accept' => 'application/json'],
    )->assertOk();
    $test->work();
    $test->as('tomas')->post("/requirements/{$line->key}/submit")->assertSessionMissing('refused');
    $test->seeAll();

    return $line->refresh();
}

const SIGNS = ['name' => 'Ines Halloran', 'initials' => 'IH', 'hand' => 'flowing', 'agree' => '1'];

it('signs what was submitted where it has a place for the broker, sealed, and leaves it submitted', function () {
    $line = submittedPaper('Broker: ______________________________  Date: ______________');
    // The file has no broker among its people: whoever reads it is.
    App\Models\Party::query()->where('deal_file_id', $line->deal_file_id)->where('role', 'broker')->delete();
    $this->as('ines')->get("/requirements/{$line->key}/countersign")->assertOk()->assertSee('2 places');
    $this->as('tomas')->get("/requirements/{$line->key}/countersign")->assertForbidden();
    $this->as('tomas')->post("/requirements/{$line->key}/countersign", SIGNS)->assertForbidden();
    $this->as('ines')->post("/requirements/{$line->key}/countersign", [...SIGNS, 'agree' => ''])->assertSessionHasErrors('agree');
    $this->as('ines')->post("/requirements/{$line->key}/countersign", SIGNS)->assertSessionHas('told');
    $this->as('ines')->post("/requirements/{$line->key}/countersign", SIGNS);
    $this->seeAll();
    expect(Round::query()->where('countersigns', $line->paper_id)->count())->toBe(1)
        ->and(DB::table('letters')->where('subject', 'like', '%Countersignature%')->count())->toBe(0);
    $this->work();
    $this->seeAll();
    $paper = $line->refresh()->paper->load('latest');
    expect($paper->latest->made_by)->toBe(MadeBy::Signed)
        ->and($paper->state->value)->toBe('signed')
        ->and(textOf(app(Bytes::class)->read($paper->latest->sha256)))->toContain('Ines Halloran')->toContain('Evidence record')
        ->and($line->review_state)->toBe(ReviewState::Submitted);
    // What she signed with the last time is offered, and nothing is left to sign.
    $this->as('ines')->get("/requirements/{$line->key}/countersign")
        ->assertSee('It says nowhere')->assertSee('aria-label="Ines Halloran"', false);
    $this->as('ines')->post("/requirements/{$line->key}/countersign", ['name' => 'I', 'initials' => 'I', 'agree' => '1'])
        ->assertSessionHas('reason', SigningRefusal::NowhereToSign->value);
    $this->as('ines')->post("/requirements/{$line->key}/accept")->assertRedirect();
    $this->seeAll();
    expect($line->refresh()->review_state)->toBe(ReviewState::Accepted);
});

it('signs over what was signed and sealed before, at the place that is pointed at; the signatures under it stay', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->work();
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    $paper = $round->papers()->sole()->paper;
    $before = $paper->load('latest')->latest;
    $line = $paper->requirement;
    $this->as('tomas')->post("/requirements/{$line->key}/submit")->assertSessionMissing('refused');
    $this->as('ines')->post("/requirements/{$line->key}/countersign", [...SIGNS, 'page' => 1, 'x' => 72, 'y' => 740])
        ->assertSessionHas('told');
    $this->work();
    $this->seeAll();
    $after = Paper::query()->findOrFail($paper->id)->load('latest')->latest;
    $text = textOf(app(Bytes::class)->read($after->sha256));
    expect($after->id)->not->toBe($before->id)
        ->and($text)->toContain('Sunniva Eide')->toContain('Ines Halloran')
        ->and($line->refresh()->review_state)->toBe(ReviewState::Submitted)
        ->and($paper->versions()->where('sha256', $before->sha256)->exists())->toBeTrue();
});
