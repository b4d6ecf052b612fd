<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\FillRequest;
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
