<?php

declare(strict_types=1);

use App\Intake\Actions\TakeMail;
use App\Models\InboundItem;
use App\Models\Offer;
use App\Models\Sight;
use App\Papers\PaperPrint;
use Illuminate\Support\Facades\DB;

/** A letter of one page, and of what came along. */
function letterArrives(string $subject, string $html, string $pdf = ''): InboundItem
{
    $part = $pdf === '' ? '' : "--e\r\nContent-Type: application/pdf; name=contract.pdf\r\nContent-Transfer-Encoding: base64\r\n\r\n".
        chunk_split(base64_encode($pdf));
    app(TakeMail::class)(
        test()->people['tomas']->brokerage_id,
        "From: Nadia <nadia@anchorfield.example>\r\nTo: papers@quillmark.example\r\nSubject: {$subject}\r\nMessage-ID: <".md5($subject).
            "@x.example>\r\nContent-Type: multipart/mixed; boundary=e\r\n\r\n--e\r\nContent-Type: text/html\r\n\r\n{$html}\r\n".
            "{$part}--e--\r\n",
    );
    test()->seeAll();

    return InboundItem::query()->orderByDesc('id')->firstOrFail();
}

it('keeps a letter without papers with its file, cleaned, for those who see the file', function () {
    $file = $this->aFile();
    $item = letterArrives('Wire instructions', '<p>The account <b>changed</b>.<img src="https://t.example/1.gif"></p><script>x()</script>');
    $this->as('wendell')->post("/inbox/{$item->key}/file", ['to' => $file->name])->assertRedirect("/files/{$file->key}/messages");
    $this->as('wendell')->post("/inbox/{$item->key}/file", ['to' => $file->name])->assertRedirect("/files/{$file->key}/messages");
    $this->seeAll();
    expect(DB::table('history')->where('what', 'Mail filed')->count())->toBe(1);
    $this->as('tomas')->get("/files/{$file->key}/messages")->assertOk()->assertSee('Wire instructions')->assertSee('call before you act');
    $this->as('tomas')->get("/files/{$file->key}/mail/{$item->key}")
        ->assertOk()
        ->assertSee('<p>The account <b>changed</b>.</p>', false)
        ->assertDontSee('t.example')
        ->assertDontSee('x()', false)
        ->assertSee('Call the sender at a number you already');
    // Who does not see the file does not see its mail, by the page or in the database.
    $this->as('caleb')->get("/files/{$file->key}/mail/{$item->key}")->assertNotFound();
    Sight::ofPerson($this->people['caleb']->refresh());
    expect(InboundItem::query()->whereKey($item->id)->exists())->toBeFalse();
    $this->seeAll();
    $other = $this->aFile(['property.street' => '9 Other Road']);
    $this->as('tomas')->get("/files/{$other->key}/mail/{$item->key}")->assertNotFound();
});

it('keeps a letter that one side filed from the other side', function () {
    $file = $this->aFile();
    $item = letterArrives('About our price', '<p>Not a cent more.</p>');
    $this->as('wendell')->post("/inbox/{$item->key}/file", ['to' => $file->name]);
    $this->seeAll();
    $file->update(['represents' => 'both']);
    $file->members()->where('user_id', $this->people['tomas']->id)->update(['side' => 'buyer']);
    $item->update(['filed_side' => 'seller']);
    $this->as('tomas')->get("/files/{$file->key}/messages")->assertOk()->assertDontSee("/mail/{$item->key}");
    $this->as('tomas')->get("/files/{$file->key}/mail/{$item->key}")->assertNotFound();
    $this->seeAll();
    $item->update(['filed_side' => 'buyer']);
    $this->as('tomas')->get("/files/{$file->key}/mail/{$item->key}")->assertOk()->assertSee('Not a cent more');
});

it('proposes an offer that came for a listing, with what it says, and records it once', function () {
    $buyers = $this->aFile();
    $paper = $this->paper($buyers, 'M-201')->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'values']);
    $pdf = app(PaperPrint::class)->of($paper);
    $this->as('priya')->post('/files', ['first' => '77 Millrace Court 3B, Pellingford, MW 20410', 'represents' => 'seller']);
    $this->seeAll();
    $listing = App\Models\DealFile::query()->orderByDesc('id')->firstOrFail();
    $listing->members()->create([
        'brokerage_id' => $listing->brokerage_id,
        'user_id' => $this->people['wendell']->id,
        'role' => 'coordinator',
    ]);
    $item = letterArrives('An offer', '<p>Here it is.</p>', $pdf);
    $this->as('wendell')->post("/inbox/{$item->key}/file", ['to' => $listing->key])->assertSessionHas('told');
    $this->work();
    $this->as('priya')->get("/files/{$listing->key}")->assertOk()->assertSee('reads as an offer from')->assertSee('Sunniva Eide');
    $came = $this->as('priya')->get("/files/{$listing->key}/offers")->assertOk()->assertSee('Record it')->assertSee('412,500');
    preg_match('/\?paper=([0-9A-Z]{26})#record/', (string) $came->getContent(), $m);
    $form = $this->as('priya')->get("/files/{$listing->key}/offers?paper={$m[1]}")->assertOk()->assertSee('Look it over');
    expect((string) $form->getContent())->toContain('value="Sunniva Eide, José Nguyễn-Ortiz"');
    $record = ['buyers' => 'Sunniva Eide, José Nguyễn-Ortiz', 'terms' => ['price' => '412,500'], 'paper' => $m[1]];
    $this->as('priya')->post("/files/{$listing->key}/offers", $record)->assertSessionHas('told');
    $this->as('priya')->post("/files/{$listing->key}/offers", $record);
    $this->seeAll();
    expect(Offer::query()->where('deal_file_id', $listing->id)->sole()->facts['price'])->toBe('412500.00');
    $this->as('priya')->get("/files/{$listing->key}")->assertDontSee('reads as an offer');
    $this->as('priya')->post("/files/{$buyers->key}/offers", $record)->assertNotFound();
});
