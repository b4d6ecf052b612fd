<?php

declare(strict_types=1);

use App\Intake\Actions\TakeMail;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Paper;
use App\Models\Round;
use App\Papers\PaperPrint;
use App\Terms\FactBook;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Pages\Scratch;

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

/** A contract on a form that is none of ours. */
function otherContract(): string
{
    $rows = [
        'OFFER TO PURCHASE REAL ESTATE',
        'Buyer: Ada Quist and Otto Palomar',
        'Property: 77 Millrace Court, Wennick, MW 20433',
        'Purchase price: $301,500.00 with earnest money of $3,000',
        'The sale closes on or before January 22, 2027.',
        'This offer is open for acceptance until 12/02/2026 at 6 pm.',
    ];

    return MadePdf::page(implode('', array_map(
        fn (string $row, int $at) => MadePdf::text(60, 720 - 24 * $at, $row, 13),
        $rows,
        array_keys($rows),
    )));
}

function sentIn(DealFile $file, string $name, string $pdf): Paper
{
    $scratch = new Scratch();
    $one = new UploadedFile($scratch->put('one.pdf', $pdf), $name, 'application/pdf', null, true);
    test()->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => $one, 'key' => 'said-'.md5($name)], ['Accept' => 'application/json'])
        ->assertOk();
    test()->seeAll();

    return $file->papers()->reorder()->latest('id')->firstOrFail();
}

it('reads what a contract on another form says, shows in which words, and takes what is chosen', function () {
    $file = $this->aFile();
    DB::table('facts')->where('deal_file_id', $file->id)->whereIn('name', ['price', 'closing', 'offer_expiry'])->delete();
    $paper = sentIn($file, 'Offer from the other side.pdf', otherContract());
    $this->as('tomas')->get("/papers/{$paper->key}")->assertOk()->assertSee('It says, and the file does not')
        ->assertSee('$301,500')->assertSee('“Purchase price: $301,500.00”')->assertSee('January 22, 2027')
        // What the file says already is not proposed, but told where it says otherwise.
        ->assertDontSee('value="property.street"', false)
        ->assertSee('The address here is 77 Millrace Court; the file says 14 Lanternfish Lane.')
        ->assertSee('It names Ada Quist as buyer 1');
    $this->as('tomas')->post("/papers/{$paper->key}/terms", ['take' => ['price', 'closing', 'offer_expiry']])->assertSessionHas('told');
    $this->seeAll();
    $facts = FactBook::of($file->fresh(['office', 'knownFacts', 'parties', 'papers', 'members', 'kits']));
    expect($facts->value('price'))->toBe('301500.00')->and($facts->value('closing'))->toBe('2027-01-22')
        ->and($facts->value('offer_expiry'))->toBe('2026-12-02');
});

it('reads the same of a scan, once its words are read', function () {
    $file = $this->aFile();
    DB::table('facts')->where('deal_file_id', $file->id)->where('name', 'price')->delete();
    $paper = sentIn($file, 'Offer, scanned.pdf', MadePdf::scan(otherContract(), new Scratch()));
    $this->as('tomas')->get("/papers/{$paper->key}")->assertOk()->assertDontSee('It says, and the file does not');
    $this->work();
    $this->as('tomas')->get("/papers/{$paper->key}")->assertOk()->assertSee('It says, and the file does not')->assertSee('$301,500');
    $this->as('greta')->post("/papers/{$paper->key}/terms", ['take' => ['price']])->assertNotFound();
});

it('proposes an offer on another form for the listing it came for', function () {
    $file = $this->aFile();
    DB::table('deal_files')->where('id', $file->id)->update(['represents' => 'seller', 'status' => 'active']);
    DB::table('file_members')->where('deal_file_id', $file->id)->update(['side' => 'seller']);
    sentIn($file->fresh(), 'Offer to purchase, Quist.pdf', otherContract());
    $this->as('tomas')->get("/files/{$file->key}/offers")->assertOk()->assertSee('Ada Quist, Otto Palomar')->assertSee('301,500');
});

it('says on the desk that an offer on another form runs out before the last day to sign', function () {
    $file = $this->aFile();
    DB::table('facts')->where('deal_file_id', $file->id)->whereIn('name', ['acceptance', 'offer_expiry'])->delete();
    $paper = sentIn($file, 'Offer from the other side.pdf', otherContract());
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$paper->key]])->assertRedirect();
    $this->seeAll();
    $round = Round::query()->where('deal_file_id', $file->id)->latest('id')->firstOrFail();
    DB::table('rounds')->where('id', $round->id)->update(['last_day' => '2026-12-05']);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()->assertSee('The offer expires Wed, Dec 2');
});

it('prints what a contract on another form says, and refuses in words what is no PDF', function () {
    $scratch = new Scratch();
    expect(Artisan::call('forms:terms', ['file' => $scratch->put('offer.pdf', otherContract())]))->toBe(0);
    $said = json_decode(Artisan::output(), true, flags: JSON_THROW_ON_ERROR);
    expect(array_column($said, 'value', 'name'))->toMatchArray(['price' => '$301,500', 'closing' => 'January 22, 2027'])
        ->and($said[0]['page'])->toBe(1)->and($said[0]['place'])->toHaveCount(4)
        ->and(Artisan::call('forms:terms', ['file' => $scratch->put('no.pdf', 'Dear all,')]))->toBe(1)
        ->and(Artisan::call('forms:terms', ['file' => '/nowhere.pdf']))->toBe(1);
});
