<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Round;
use App\Storage\Bytes;
use Unanimus\Files\MadeBy;
use Unanimus\Pages\LayerRefusal;
use Unanimus\Signing\SigningRefusal;

/** A paper of a round that everybody has signed. */
function signedPaper(object $test): Paper
{
    $round = $test->aRound($test->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $test->work();
        $test->signs($round, $seat);
    }
    $test->work();
    $test->seeAll();

    return $round->papers()->sole()->paper;
}

it('changes a signed paper: words struck go out for initials alone, and come back as its next version', function () {
    $signed = signedPaper($this);
    $before = $signed->latest;
    $this->as('tomas')->get("/papers/{$signed->key}")->assertSee('Change what is signed');
    $this->as('tomas')->post("/papers/{$signed->key}/changes")->assertSessionHas('told');
    $this->as('tomas')->post("/papers/{$signed->key}/changes");
    $this->seeAll();
    $change = Paper::query()->where('change_of', $signed->id)->sole();
    expect($change->title)->toBe('Agency disclosure, change 1')
        ->and($change->latest->pages)->toBe($before->pages)
        // The signatures stand on the pages that are changed, the record does not.
        ->and(textOf(app(Bytes::class)->read($change->latest->sha256)))->toContain('Sunniva Eide')->not->toContain('Evidence record');
    $write = fn (array $piece) => $this->as('tomas')->postJson("/papers/{$change->key}/pieces", [
        'key' => 'piece-'.$piece['kind'],
        ...$piece,
    ]);
    $write(['kind' => 'cover', 'page' => 1, 'place' => [72, 200, 200, 14]])
        ->assertStatus(409)
        ->assertJsonPath('reason', LayerRefusal::CoversSigned->value);
    $write(['kind' => 'line', 'page' => 1, 'place' => [72, 200, 200, 14]])->assertOk();
    $write(['kind' => 'text', 'page' => 1, 'place' => [300, 198, 100, 14], 'text' => 'and the shed'])->assertOk();
    $this->as('tomas')->get("/papers/{$change->key}")->assertSee('Send for initials');
    $this->as('tomas')->post("/files/{$change->file->key}/rounds", ['papers' => [$change->key]])->assertRedirect();
    $this->seeAll();
    $round = Round::query()->orderByDesc('id')->firstOrFail();
    expect($round->marks()->orderBy('x')->get()->map(fn ($mark) => "{$mark->kind->value} {$mark->seat} {$mark->page}")->all())
        ->toBe(['initials buyer.1 1', 'initials buyer.2 1', 'initials agent.1 1']);
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $this->seeAll();
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->work();
        $this->signs($round->refresh(), $seat);
    }
    $this->work();
    $this->seeAll();
    $signed->refresh();
    expect($signed->state->value)->toBe('signed')
        ->and($signed->versions()->where('made_by', MadeBy::Signed)->count())->toBe(2)
        ->and(textOf(app(Bytes::class)->read($signed->latest->sha256)))->toContain('and the shed')
        // What was signed first is kept, byte for byte.
        ->and($signed->versions()->where('sha256', $before->sha256)->exists())->toBeTrue()
        ->and($change->refresh()->state->value)->toBe('void');
    $this->as('tomas')->post("/papers/{$signed->key}/changes")->assertSessionHas('told');
    $this->seeAll();
    expect(Paper::query()->where('change_of', $signed->id)->orderByDesc('id')->firstOrFail()->title)->toBe('Agency disclosure, change 2');
});

it('leaves a change beside a paper over which another version came meanwhile', function () {
    $signed = signedPaper($this);
    $this->as('tomas')->post("/papers/{$signed->key}/changes");
    $this->seeAll();
    $change = Paper::query()->where('change_of', $signed->id)->sole();
    $piece = ['key' => 'piece-one', 'kind' => 'text', 'page' => 1, 'place' => [300, 198, 100, 14], 'text' => 'and the shed'];
    $this->as('tomas')->postJson("/papers/{$change->key}/pieces", $piece)->assertOk();
    $this->as('tomas')->post("/files/{$change->file->key}/rounds", ['papers' => [$change->key]]);
    $this->seeAll();
    $round = Round::query()->orderByDesc('id')->firstOrFail();
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $this->as('tomas')->post("/papers/{$signed->key}/versions", ['file' => brought('A newer scan')])->assertSessionHas('told');
    $this->seeAll();
    $newer = $signed->refresh()->latest->sha256;
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->work();
        $this->signs($round->refresh(), $seat);
    }
    $this->work();
    $this->seeAll();
    expect($signed->refresh()->latest->sha256)->toBe($newer)->and($change->refresh()->state->value)->toBe('signed');
});

it('changes nothing that was not signed here', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')->post("/papers/{$paper->key}/changes")->assertSessionHas('reason', SigningRefusal::NotSignedHere->value);
    $this->as('tomas')->get("/papers/{$paper->key}")->assertDontSee('Change what is signed');
});
