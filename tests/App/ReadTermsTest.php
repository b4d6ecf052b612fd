<?php

declare(strict_types=1);

use App\Intake\Actions\TakeMail;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Paper;
use App\Papers\PaperPrint;
use App\Terms\FactBook;

/** The contract of a file, printed as it is filled. */
function printedContract(): string
{
    $file = test()->aFile();
    $paper = test()->paper($file, 'M-201')->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'values']);

    return app(PaperPrint::class)->of($paper);
}

it('opens a file with a contract that came by mail, and takes from it what it says', function () {
    $pdf = chunk_split(base64_encode(printedContract()));
    $this->seeAll();
    $head = "From: x@y.example\r\nTo: p@q.example\r\nSubject: New deal\r\nMessage-ID: <n@x>\r\n";
    app(TakeMail::class)(
        $this->people['tomas']->brokerage_id,
        "{$head}Content-Type: application/pdf; name=contract.pdf\r\nContent-Transfer-Encoding: base64\r\n\r\n{$pdf}",
    );
    $this->seeAll();
    $item = InboundItem::query()->sole();
    $before = DealFile::query()->max('id');
    $answer = $this->as('wendell')->post("/inbox/{$item->key}/open", ['represents' => 'buyer'])->assertRedirect();
    $this->seeAll();
    $file = DealFile::query()->where('id', '>', $before)->sole();
    $paper = $file->papers()->whereNotNull('latest_version_id')->sole();
    expect($answer->headers->get('Location'))->toContain("/papers/{$paper->key}");
    $this->as('wendell')->get("/papers/{$paper->key}")->assertOk()->assertSee('It says, and the file does not')
        ->assertSee('412,500')->assertSee('Buyer 2');
    $this->as('wendell')->post("/papers/{$paper->key}/terms", ['take' => []])->assertSessionHasErrors('take');
    $this->as('wendell')->post("/papers/{$paper->key}/terms", ['take' => ['price', 'property.street', 'buyer.1', 'nothing.such']])
        ->assertSessionHas('told');
    $this->seeAll();
    $facts = FactBook::of($file->fresh(['office', 'knownFacts', 'parties', 'papers', 'members', 'kits']));
    expect($facts->value('price'))->toBe('412500.00')->and($facts->value('property.street'))->toBe('14 Lanternfish Lane')
        ->and($file->parties()->where(['role' => 'buyer', 'number' => 1])->exists())->toBeTrue()
        ->and($file->parties()->where(['role' => 'buyer', 'number' => 2])->exists())->toBeFalse();
    // Taken, it is proposed no more; what the file says otherwise is not overwritten.
    $this->as('wendell')->get("/papers/{$paper->key}")->assertDontSee('value="price"', false)->assertSee('value="buyer.2"', false);
    expect(Paper::query()->whereKey($paper->id)->exists())->toBeTrue();
});
