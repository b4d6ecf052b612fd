<?php

declare(strict_types=1);

use App\Models\HeldCredential;
use App\Models\Message;
use App\Models\Paper;
use App\Models\ShelfItem;
use App\Signing\Actions\ComposeRound;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Unanimus\Shelf\ShelfRefusal;

/** A document of the coordinator's on the shelf. */
function onShelf(string $title = 'Wire fraud warning', string $says = 'Call before you wire'): ShelfItem
{
    $document = new UploadedFile(brought($says)->getPathname(), 'warning.pdf', 'application/pdf', null, true);
    test()->as('wendell')->post('/office/shelf', ['title' => $title, 'topic' => 'For clients', 'document' => $document])->assertRedirect();
    test()->seeAll();

    return ShelfItem::query()->where('title', $title)->sole();
}

/** A newer version of it. */
function newerOnShelf(ShelfItem $item, string|UploadedFile $says, int $seen): Illuminate\Testing\TestResponse
{
    $document = new UploadedFile((is_string($says) ? brought($says) : $says)->getPathname(), 'warning.pdf', 'application/pdf', null, true);

    return test()->as('wendell')->post("/office/shelf/{$item->key}", ['document' => $document, 'note' => 'New phone', 'seen' => $seen]);
}

it('puts a document on the shelf once, where everybody finds it, and says what is new since they looked', function () {
    $item = onShelf();
    onShelf();
    $this->as('tomas')->get('/office/shelf')->assertOk()->assertSee('Wire fraud warning')->assertSee('new');
    $this->as('tomas')->get('/office/shelf?q=fraud')->assertSee('Wire fraud warning');
    $this->as('tomas')->get('/office/shelf?q=100%25')->assertDontSee('Wire fraud warning</a>', false);
    $this->as('tomas')->get('/find?q=wire+fraud')->assertSee('on the shelf');
    $this->as('tomas')->get("/office/shelf/{$item->key}")->assertOk();
    $this->as('tomas')->get('/office/shelf')->assertDontSee('newer since you looked')->assertDontSee('>new<', false);
    newerOnShelf($item, 'Call the number you know', 1)->assertSessionHas('told');
    $this->as('tomas')->get('/office/shelf')->assertSee('newer since you looked');
    expect($this->as('tomas')->get("/office/shelf/{$item->key}/1.pdf")->assertOk()->headers->get('Content-Type'))->toBe('application/pdf');
    $this->as('tomas')->get("/office/shelf/{$item->key}/9.pdf")->assertNotFound();
});

it('lets no older window and no double press make a version', function () {
    $item = onShelf();
    $second = brought('Second');
    newerOnShelf($item, $second, 1)->assertSessionHas('told');
    newerOnShelf($item, $second, 1)->assertSessionHas('told');
    newerOnShelf($item, 'Third', 1)->assertSessionHas('reason', ShelfRefusal::Changed->value);
    $this->seeAll();
    expect($item->refresh()->version)->toBe(2);
});

it('goes into a file as one of its documents, and is renewed where it may still change', function () {
    $item = onShelf();
    [$open, $sent] = [$this->aFile(), $this->aFile()];
    foreach ([$open, $sent] as $file) {
        foreach ([1, 2] as $press) {
            $this->as('tomas')->post("/office/shelf/{$item->key}/take", ['file' => $file->key])->assertSessionHas('told');
        }
    }
    $this->seeAll();
    expect(Paper::query()->where('shelf_item_id', $item->id)->count())->toBe(2);
    DB::table('papers')->where(['deal_file_id' => $sent->id, 'shelf_item_id' => $item->id])->update(['state' => 'out']);
    $this->as('caleb')->post("/office/shelf/{$item->key}/take", ['file' => $open->key])->assertNotFound();
    newerOnShelf($item, 'Second', 1);
    $this->as('tomas')->get("/office/shelf/{$item->key}")->assertSee('Older copies in files')->assertSee('Renew in that file');
    // Nobody renews in files they do not work on.
    $this->as('caleb')->post("/office/shelf/{$item->key}/renew-all")->assertSessionHas('told', '0 copies were renewed.');
    $this->as('tomas')->post("/office/shelf/{$item->key}/renew-all")->assertSessionHas('told', 'One copy was renewed.');
    $this->seeAll();
    expect(Paper::query()->where('shelf_item_id', $item->id)->orderBy('deal_file_id')->pluck('shelf_version')->all())->toBe([2, 1])
        ->and(DB::table('history')->where('what', 'Paper renewed from the shelf')->count())->toBe(1);
});

it('is kept by those who run an office and coordinators, and an office’s own is nobody else’s', function () {
    $item = onShelf();
    foreach (['tomas', 'marguerite'] as $who) {
        $this->as($who)->post('/office/shelf', ['title' => 'x', 'url' => 'https://x.example'])->assertForbidden();
        $this->as($who)->post("/office/shelf/{$item->key}/away", ['away' => '1'])->assertForbidden();
    }
    $tidewick = $this->people['tomas']->officeRoles->firstOrFail()->office;
    $this->as('wendell')->post('/office/shelf', ['title' => 'Tidewick keys', 'url' => 'https://keys.example', 'office' => $tidewick->key]);
    $this->seeAll();
    $own = ShelfItem::query()->where('title', 'Tidewick keys')->sole();
    $this->as('tomas')->get('/office/shelf')->assertSee('Tidewick keys');
    $this->as('priya')->get('/office/shelf')->assertDontSee('Tidewick keys');
    $this->as('priya')->get("/office/shelf/{$own->key}")->assertNotFound();
    $this->as('wendell')->post('/office/shelf', ['title' => 'Bad', 'url' => 'javascript:alert(1)'])
        ->assertSessionHas('reason', ShelfRefusal::NoLink->value);
    $this->as('wendell')->post('/office/shelf', ['title' => 'Nothing'])->assertSessionHas('reason', ShelfRefusal::NoDocument->value);
    $this->as('wendell')->post("/office/shelf/{$item->key}/away", ['away' => '1'])->assertSessionHas('told');
    $this->seeAll();
    $file = $this->aFile();
    $this->as('tomas')->post("/office/shelf/{$item->key}/take", ['file' => $file->key])
        ->assertSessionHas('reason', ShelfRefusal::PutAway->value);
    $this->as('tomas')->get('/office/shelf')->assertDontSee('Wire fraud warning</a>', false);
});

it('makes each person a sheet of their own, anew when what it says changes, and tells the files that have the older one', function () {
    $this->seeAll();
    HeldCredential::create(['brokerage_id' => $this->people['tomas']->brokerage_id, 'user_id' => $this->people['tomas']->id,
        'kind' => 'license', 'number' => 'MW-55071', 'expires_on' => now()->addYear()->toDateString()]);
    $this->as('tomas')->get('/office/sheet')->assertOk()->assertSee('MW-55071')->assertSee('Dario Velasquez-Thorne');
    foreach ([1, 2] as $press) {
        $this->as('tomas')->put('/office/sheet', ['words' => 'I answer my phone.'])->assertSessionHas('told');
    }
    $this->seeAll();
    $item = ShelfItem::query()->where('user_id', $this->people['tomas']->id)->sole();
    expect($item->version)->toBe(1)->and($item->facts['license'])->toBe('MW-55071');
    // Nobody else finds or takes it.
    $this->as('priya')->get("/office/shelf/{$item->key}")->assertNotFound();
    $this->as('priya')->get("/office/shelf/{$item->key}/1.pdf")->assertNotFound();
    $this->as('priya')->get('/office/shelf')->assertDontSee('About Tom');
    $this->seeAll();
    $file = $this->aFile();
    $this->as('tomas')->post("/office/shelf/{$item->key}/take", ['file' => $file->key])->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('a newer version on the shelf');
    $this->seeAll();
    DB::table('users')->where('id', $this->people['dario']->id)->update(['name' => 'Dario Thorne']);
    expect(Artisan::call('shelf:sweep'))->toBe(0)->and(Artisan::call('shelf:sweep'))->toBe(0);
    $this->seeAll();
    expect($item->refresh()->version)->toBe(2)
        ->and(DB::table('shelf_versions')->where(['shelf_item_id' => $item->id, 'version' => 2])->value('note'))
        ->toBe('Broker: Dario Thorne');
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('a newer version on the shelf');
    $this->as('priya')->post("/files/{$file->key}/shelf")->assertNotFound();
    $this->as('tomas')->post("/files/{$file->key}/shelf")->assertSessionHas('told', 'One document was renewed.');
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('a newer version on the shelf');
    $this->as('tomas')->put('/office/sheet', ['words' => str_repeat("x\n", 60)])
        ->assertSessionHas('reason', ShelfRefusal::SheetFull->value);
});

it('is chosen where papers are chosen: in a round and in a message', function () {
    $item = onShelf();
    $file = $this->aFile();
    $round = app(ComposeRound::class)($file->load('papers'), [$this->paper($file, 'M-102')], $this->people['tomas']);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()->assertSee('From the shelf');
    $this->as('tomas')->post("/rounds/{$round->key}/papers", ['shelf' => $item->key])->assertSessionHas('told', 'Added 1 paper.');
    $this->seeAll();
    expect($round->papers()->pluck('title')->all())->toContain('Wire fraud warning');
    $this->as('tomas')->post("/files/{$file->key}/messages", []);
    $this->seeAll();
    $message = Message::query()->where('deal_file_id', $file->id)->sole();
    $keep = "/files/{$file->key}/messages/{$message->key}/keep";
    $this->as('tomas')->post($keep, ['subject' => 'Before you wire', 'body' => 'Please read.', 'shelf' => $item->key])->assertRedirect();
    $this->seeAll();
    $paper = Paper::query()->where(['deal_file_id' => $file->id, 'shelf_item_id' => $item->id])->sole();
    expect($message->refresh())->subject->toBe('Before you wire')->papers->toBe([$paper->key]);
    // What another office keeps for itself, or another person, is not taken by its key.
    DB::table('shelf_items')->where('id', $item->id)->update(['user_id' => $this->people['priya']->id]);
    $this->as('tomas')->post("/rounds/{$round->key}/papers", ['shelf' => $item->key])->assertSessionHas('told', 'Added 0 papers.');
});
