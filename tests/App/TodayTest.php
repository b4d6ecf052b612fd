<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Member;
use Unanimus\Forms\FillRefusal;

it('tells of a client’s answers until whoever asked puts them away', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')
        ->post("/files/{$file->key}/fill-requests", ['to' => ['buyer.1'], 'papers' => [$paper->key], 'last_day' => '+7'])
        ->assertSessionHas('told');
    $this->seeAll();
    $fill = FillRequest::query()->where('deal_file_id', $file->id)->sole();
    $this->as('tomas')->post("/fill-requests/{$fill->key}/seen")->assertSessionHas('reason', FillRefusal::NotFinished->value);
    $this->seeAll();
    $fill->update(['status' => 'finished', 'finished_at' => now()->subDays(20)]);
    $this->as('tomas')->get('/')->assertSee('Sunniva Eide filled in')->assertSee('Got it');
    $this->as('wendell')->get('/')->assertDontSee('Sunniva Eide filled in');
    $this->as('tomas')->post("/fill-requests/{$fill->key}/seen")->assertRedirect();
    $this->seeAll();
    $first = $fill->fresh()->seen_at;
    $this->as('tomas')->get('/')->assertDontSee('Sunniva Eide filled in');
    $this->as('tomas')->post("/fill-requests/{$fill->key}/seen")->assertRedirect();
    $this->seeAll();
    expect($fill->fresh()->seen_at->eq($first))->toBeTrue();
});

it('says how many open files there are beyond those it covers', function () {
    $file = $this->aFile();
    $this->as('ines')->get('/')->assertOk()->assertDontSee('older ones');
    $this->seeAll();
    $rows = [];
    for ($i = 0; $i < 402; $i++) {
        $rows[] = [
            'key' => str_pad((string) $i, 26, 'X', STR_PAD_LEFT),
            'brokerage_id' => $file->brokerage_id,
            'office_id' => $file->office_id,
            'name' => "{$i} Gannet Steps",
            'represents' => 'buyer',
            'kind' => 'sale',
            'status' => 'preparing',
            'opened_by' => $this->people['tomas']->id,
        ];
    }
    DealFile::query()->insert($rows);
    $this->as('ines')->get('/')->assertOk()->assertSee('3 older ones');
});

it('gives a broker dates of their own files and of those nobody works on, and says how many wait in files of colleagues', function () {
    $theirs = $this->aFile(['acceptance' => $this->day(-40), 'closing' => $this->day(20)]);
    $this->as('tomas')->get('/')->assertOk()->assertSee('Inspection')->assertDontSee('of colleagues');
    $page = $this->as('ines')->get('/')->assertOk()->assertSee('late dates')->assertSee('in a colleague’s file')
        ->assertSee('/files?q=late%3Adeadline', false);
    expect($page->getContent())->not->toContain("/files/{$theirs->key}#deadlines");
    $this->as('marguerite')->get('/')->assertOk()->assertDontSee('colleague’s file');
    $this->seeAll();
    Member::query()->where('deal_file_id', $theirs->id)->delete();
    $this->as('ines')->get('/')->assertOk()->assertSee("/files/{$theirs->key}#deadlines", false)->assertDontSee('in a colleague’s file');
});
