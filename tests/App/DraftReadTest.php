<?php

declare(strict_types=1);

use App\Models\DraftRead;
use App\Models\DraftRemark;
use App\Models\Sight;
use Illuminate\Support\Facades\DB;
use Unanimus\Review\ReviewRefusal;

it('has a colleague read drafts and pin remarks, with nothing submitted', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $this->as('tomas')->get("/files/{$file->key}/readers")->assertOk()->assertSee('Have a colleague read them first');
    $ask = fn (string $who) => $this->as('tomas')->post("/files/{$file->key}/reads", [
        'papers' => [$paper->key],
        'reader' => $this->people[$who]->key,
        'message' => 'Is the price right?',
    ]);
    $ask('caleb')->assertSessionHas('reason', ReviewRefusal::NotTheirFile->value);
    $ask('wendell')->assertSessionHas('told');
    $ask('wendell');
    $this->seeAll();
    $read = DraftRead::query()->sole();
    expect(DB::table('letters')->where('subject', 'like', 'Drafts to read%')->count())->toBe(1);
    $this->as('wendell')->get('/')->assertSee('Read 1 draft');
    $this->as('wendell')->get("/reads/{$read->key}")->assertOk()->assertSee('Is the price right?');
    $pin = ['paper' => $paper->key, 'remark' => 'The unit is missing', 'page' => 1, 'x' => 100, 'y' => 200];
    $this->as('wendell')->post("/reads/{$read->key}/remarks", [...$pin, 'remark' => ' '])
        ->assertSessionHas('reason', ReviewRefusal::NoRemark->value);
    $this->as('wendell')->post("/reads/{$read->key}/remarks", $pin)->assertSessionHas('told');
    $this->as('wendell')->post("/reads/{$read->key}/remarks", $pin);
    $this->as('caleb')->post("/reads/{$read->key}/remarks", $pin)->assertNotFound();
    $this->as('caleb')->get("/reads/{$read->key}")->assertNotFound();
    $this->as('tomas')->post("/reads/{$read->key}/done")->assertForbidden();
    $this->as('wendell')->post("/reads/{$read->key}/done")->assertRedirect('/');
    $this->as('wendell')->post("/reads/{$read->key}/done");
    $this->seeAll();
    $remark = DraftRemark::query()->sole();
    expect(DB::table('letters')->where('subject', 'like', 'Drafts read%')->count())->toBe(1)
        ->and(DB::table('history')->where('what', 'Drafts read')->count())->toBe(1)
        ->and(DB::table('requirements')->where('deal_file_id', $file->id)->where('review_state', 'submitted')->count())->toBe(0);
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('has read')->assertSee('1 remark', false);
    $this->as('tomas')->get("/reads/{$read->key}")->assertSee('The unit is missing');
    $this->as('tomas')->post("/reads/{$read->key}/remarks/{$remark->key}")->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('has read');
    Sight::ofPerson($this->people['caleb']->refresh());
    expect(DraftRead::query()->exists())->toBeFalse()->and(DraftRemark::query()->exists())->toBeFalse();
});
