<?php

declare(strict_types=1);

use App\Models\Contact;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Round;
use Tests\Support\MadePdf;
use Unanimus\Signing\SigningRefusal;

/** A round in which Ola Varga is asked, who is nobody of its file, with one place to sign. */
function roundWithVarga(object $test): Round
{
    $round = roundOfPaper($test->aFile(), MadePdf::text(72, 740, 'A paper with nothing on it that says who signs.'));
    $test->as('tomas')->post("/rounds/{$round->key}/people", ['role' => 'signer', 'name' => 'Ola Varga', 'email' => 'ola@varga.example']);
    $test->as('tomas')->post("/rounds/{$round->key}/people", ['role' => 'signer', 'name' => 'ola varga', 'email' => 'ola@varga.example']);
    $test->seeAll();
    placed($round, [
        'do' => 'put', 'mark' => str_repeat('A', 26), 'paper' => 0, 'page' => 1, 'seat' => 'signer.1', 'kind' => 'signature',
        'place' => [72, 600, 150, 18],
    ])->assertOk();
    $test->seeAll();

    return $round->refresh();
}

it('asks somebody who is in no file, seals what they signed, and leaves the file’s people as they were', function () {
    $round = roundWithVarga($this);
    $people = fn () => Party::query()->where('deal_file_id', $round->deal_file_id)->pluck('name')->all();
    $before = $people();
    expect($round->signers()->where('name', 'Ola Varga')->sole()->party_id)
        ->toBeNull()
        ->and($before)->not->toContain('Ola Varga')
        ->and(Contact::query()->where('name', 'Ola Varga')->exists())->toBeFalse();
    // Their address is mended like anybody's.
    $signer = $round->signers()->where('seat', 'signer.1')->sole();
    $this->as('tomas')->put("/rounds/{$round->key}", ['addresses' => [$signer->key => 'ola.varga@varga.example']]);
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $this->seeAll();
    expect($signer->refresh()->email)->toBe('ola.varga@varga.example');
    $this->as('tomas')->get('/')->assertOk()->assertSee('Ola Varga');
    $this->as('tomas')->get("/files/{$round->file->key}")->assertOk();
    $this->signs($round, 'signer.1');
    $this->work();
    $this->seeAll();
    expect($round->refresh()->status->value)->toBe('complete')->and($people())->toBe($before);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()->assertSee('Ola Varga');
    $this->as('tomas')->get("/files/{$round->file->key}/people.vcf")->assertOk()->assertDontSee('Ola Varga');
});

it('asks them again for the initials at a change, and in what is started again from the same set', function () {
    $round = roundWithVarga($this);
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $this->seeAll();
    $this->signs($round->refresh(), 'signer.1');
    $this->work();
    $this->seeAll();
    $paper = $round->papers()->sole()->paper;
    $this->as('tomas')->post("/papers/{$paper->key}/changes")->assertSessionHas('told');
    $this->seeAll();
    $change = Paper::query()->where('change_of', $paper->id)->sole();
    $piece = ['key' => 'piece-line', 'kind' => 'line', 'page' => 1, 'place' => [72, 700, 200, 14]];
    $this->as('tomas')->postJson("/papers/{$change->key}/pieces", $piece)->assertOk();
    $this->as('tomas')->post("/files/{$change->file->key}/rounds", ['papers' => [$change->key]])->assertRedirect();
    $this->seeAll();
    $again = Round::query()->orderByDesc('id')->firstOrFail();
    expect(marksOf($again))->toBe(['initials signer.1'])
        ->and($again->signers()->pluck('name')->all())->toBe(['Ola Varga']);
});

it('puts them in the file where somebody says so, with their places, once', function () {
    $round = roundWithVarga($this);
    $signer = $round->signers()->where('seat', 'signer.1')->sole();
    $path = "/rounds/{$round->key}/signers/{$signer->key}/into-file";
    $this->as('caleb')->post($path)->assertStatus(404);
    $this->as('tomas')->post($path)->assertSessionHas('told');
    $this->as('tomas')->post($path)->assertSessionHas('reason', SigningRefusal::InFileAlready->value);
    $this->seeAll();
    expect(Party::query()->where('deal_file_id', $round->deal_file_id)->where('name', 'Ola Varga')->sole()->email)
        ->toBe('ola@varga.example')
        ->and(marksOf($round))->toBe(['signature other.1'])
        ->and($signer->refresh()->seat)->toBe('other.1');
});
