<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\Round;
use Illuminate\Http\UploadedFile;
use Tests\Support\MadePdf;
use Unanimus\Files\FileRefusal;
use Unanimus\Parties\DealKind;
use Unanimus\Signing\SigningRefusal;

function loose(object $test, string $who = 'tomas', ?string $bytes = null): Illuminate\Testing\TestResponse
{
    $bytes ??= MadePdf::page(MadePdf::text(72, 300, 'Buyer: ______________________________  Date: ______________', 10));

    return $test->as($who)->post('/loose-papers', ['paper' => UploadedFile::fake()->createWithContent('Referral terms.pdf', $bytes)]);
}

it('has a paper signed that has no deal, and puts it into its file once there is one', function () {
    loose($this)->assertSessionHas('told');
    loose($this);
    $this->seeAll();
    $papers = DealFile::query()->where('kind', DealKind::Papers)->sole();
    $round = Round::query()->where('deal_file_id', $papers->id)->sole();
    expect($papers->name)->toBe('Referral terms')
        ->and($papers->papers()->count())->toBe(1)
        ->and($papers->requirements()->count())->toBe(0)
        ->and($papers->kits()->count())->toBe(0);
    // Who signs is said on the desk; the place that names a buyer is theirs then.
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('Someone else');
    $this->as('tomas')->post("/rounds/{$round->key}/people", ['role' => 'buyer', 'name' => 'Oda Eide', 'email' => 'oda@eide.example']);
    expect(marksOf($round))->toBe(['signature buyer.1 in pencil', 'date buyer.1 in pencil']);
    placed($round, ['do' => 'keep'])->assertOk();
    $this->as('tomas')->get("/files/{$papers->key}")->assertOk()->assertSee('Papers without a deal')->assertSee('No deal yet');
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $to = $this->aFile();
    $put = fn (string $name) => $this->as('tomas')->post("/files/{$papers->key}/put-into", ['to' => $name]);
    $put($to->name)->assertSessionHas('reason', FileRefusal::StillOut->value);
    $this->as('tomas')->get('/')->assertSee('Oda Eide');
    $this->seeAll();
    $this->signs($round->refresh(), 'buyer.1');
    $this->work();
    $put('Nowhere')->assertSessionHas('reason', FileRefusal::NotAFileOfYours->value);
    $put($to->name)->assertRedirect("/files/{$to->key}");
    $put($to->name);
    $this->seeAll();
    $copy = $to->papers()->where('title', 'Referral terms')->sole();
    expect($copy->latest->sha256)->toBe($papers->papers()->sole()->latest->sha256)
        ->and($papers->refresh()->put_into)->toBe($to->id)
        ->and($papers->status->isOpen())->toBeFalse();
    $this->as('tomas')->get("/files/{$papers->key}")->assertSee('These papers are in');
    $other = $this->aFile();
    $this->seeAll();
    $other->update(['name' => 'Another file']);
    $put('Another file')->assertSessionHas('refused');
});

it('keeps what has no deal out of the lanes, and refuses what cannot be taken before anything is made', function () {
    loose($this, bytes: 'no pdf')->assertSessionHas('refused');
    loose($this, bytes: '{\\rtf1 x}')->assertSessionHas('reason', SigningRefusal::AskedAsPdf->value);
    loose($this, 'marguerite')->assertForbidden();
    $this->seeAll();
    expect(DealFile::query()->where('kind', DealKind::Papers)->count())->toBe(0);
    loose($this);
    $this->seeAll();
    $papers = DealFile::query()->where('kind', DealKind::Papers)->sole();
    $this->as('tomas')->get('/')->assertOk()->assertDontSee("href=\"/files/{$papers->key}\"", false);
    $this->as('priya')->get("/files/{$papers->key}")->assertNotFound();
    $deal = $this->aFile();
    $this->as('tomas')
        ->post("/files/{$deal->key}/put-into", ['to' => $papers->name])
        ->assertSessionHas('reason', FileRefusal::NotLoosePapers->value);
});

it('starts from a form of the library, too', function () {
    $this->as('tomas')->post('/loose-papers')->assertRedirect();
    $this->seeAll();
    $papers = DealFile::query()->where('kind', DealKind::Papers)->sole();
    $this->as('tomas')->get("/files/{$papers->key}/forms")->assertOk();
    $this->as('tomas')->post("/files/{$papers->key}/forms/M-310", ['what' => 'take'])->assertOk();
    $this->seeAll();
    expect($papers->papers()->pluck('form_number')->all())->toBe(['M-310']);
});

it('takes two papers of one name for two, and a paper pressed twice for one', function () {
    $page = fn (string $text) => MadePdf::page(MadePdf::text(72, 300, $text, 10));
    loose($this, bytes: $page('The first scan'));
    loose($this, bytes: $page('The first scan'));
    loose($this, bytes: $page('The second scan'));
    $this->seeAll();
    expect(DealFile::query()->where('kind', DealKind::Papers)->pluck('name')->all())->toBe(['Referral terms', 'Referral terms']);
});

it('calls papers by their heading where the file is called scan0012', function () {
    $bytes = MadePdf::page(MadePdf::text(72, 700, 'REFERRAL TERMS', 16).MadePdf::text(72, 660, 'Each side pays its own costs.', 10).
        MadePdf::text(72, 300, 'Buyer: ______________________________  Date: ______________', 10));
    $this->as('tomas')->post('/loose-papers', ['paper' => UploadedFile::fake()->createWithContent('scan0012.pdf', $bytes)])
        ->assertSessionHas('told');
    $this->seeAll();
    $papers = DealFile::query()->where('kind', DealKind::Papers)->sole();
    expect($papers->name)->toBe('Referral terms')->and($papers->papers()->sole()->title)->toBe('Referral terms');
});
