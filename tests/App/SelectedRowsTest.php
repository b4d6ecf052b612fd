<?php

declare(strict_types=1);

use App\Models\Upload;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperRefusal;

it('puts papers of one part in order, and refuses to mix parts', function () {
    $file = $this->aFile();
    $offer = fn () => $file
        ->papers()
        ->where('stage', 'offer')
        ->where('state', '<>', 'void')
        ->orderBy('position')
        ->orderBy('id')
        ->pluck('key')
        ->all();
    $before = $offer();
    $wanted = [$before[2], $before[0], $before[1], ...array_slice($before, 3)];
    $this->as('tomas')->post("/files/{$file->key}/order", ['papers' => $wanted])->assertNoContent();
    $this->seeAll();
    expect($offer())
        ->toBe($wanted)
        ->and($file->requirements()->where('stage', 'offer')->orderBy('position')->first()->paper->key)
        ->toBe($wanted[0]);
    // The same again changes nothing and tells nothing more.
    $this->as('tomas')->post("/files/{$file->key}/order", ['papers' => $wanted])->assertNoContent();
    $this->seeAll();
    expect(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Papers put in order')->count())->toBe(1);
    $agency = $file->papers()->where('stage', 'agency')->firstOrFail()->key;
    $this->as('tomas')->postJson("/files/{$file->key}/order", ['papers' => [$agency, $wanted[0]]])->assertStatus(409);
    $this->as('tomas')->postJson("/files/{$file->key}/order", ['papers' => []])->assertStatus(422);
});

it('tags papers, shows the tags, and takes them away', function () {
    $file = $this->aFile();
    $papers = [$this->paper($file, 'M-201')->key, $this->paper($file, 'M-102')->key];
    $this->as('tomas')
        ->post("/files/{$file->key}/tags", ['papers' => $papers, 'tags' => 'urgent,  for  the lender, urgent,'])
        ->assertSessionHas('told', 'Tags saved: 2 papers changed.');
    $this->seeAll();
    expect($this->paper($file, 'M-201')->tags)->toBe(['urgent', 'for the lender']);
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Tag: urgent')->assertSee('tag-chip', false);
    $this->as('tomas')
        ->post("/files/{$file->key}/tags", ['papers' => $papers, 'tags' => 'urgent'])
        ->assertSessionHas('told', 'Tags saved: 0 papers changed.');
    // A field left empty takes nothing away.
    $this->as('tomas')
        ->post("/files/{$file->key}/tags", ['papers' => $papers, 'tags' => ' , '])
        ->assertSessionHas('reason', PaperRefusal::NoTag->value);
    $this->seeAll();
    expect($this->paper($file, 'M-201')->tags)->toHaveCount(2);
    $this->as('tomas')->post("/files/{$file->key}/tags", ['papers' => [$papers[0]], 'tags' => '', 'remove' => '1']);
    $this->seeAll();
    expect($this->paper($file, 'M-201')->tags)->toBe([])->and($this->paper($file, 'M-102')->tags)->toHaveCount(2);
    $this->as('tomas')->post("/files/{$file->key}/tags", ['papers' => [], 'tags' => 'x'])->assertSessionHasErrors('papers');
});

it('asks where an upload belongs once more, and says of others that they stay', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => brought('Survey'), 'key' => 'assign-0001'], ['Accept' => 'application/json'])
        ->assertOk();
    $this->seeAll();
    $survey = Upload::query()->where('key', 'assign-0001')->sole()->paper;
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('Check where your uploads go');
    $this->as('tomas')
        ->post("/files/{$file->key}/assign", ['papers' => [$survey->key, $this->paper($file, 'M-201')->key]])
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'was not uploaded') && ! str_contains($told, 'Survey'));
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Check where your uploads go')->assertSee('Survey.pdf');
});

it('reminds whoever owes something on the selected papers, once each, and says where nobody is asked', function () {
    $file = $this->aFile();
    $this->aRound($file, ['M-102', 'M-201']);
    $papers = fn (string ...$forms) => array_map(fn (string $form) => $this->paper($file, $form)->key, $forms);
    $this->as('tomas')
        ->post("/files/{$file->key}/reminders", ['papers' => $papers('M-102', 'M-201', 'M-230')])
        ->assertSessionHas('told', fn (string $told) => substr_count($told, 'Sunniva Eide') === 1 && str_contains($told, 'José'))
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'Lead-based paint '.
            'disclosure') && ! str_contains($told, 'Agency'));
    $this->seeAll();
    $events = fn () => DB::table('round_events')->where('deal_file_id', $file->id)->where('kind', 'reminded')->count();
    $letters = fn () => DB::table('letters')->where('once_key', 'like', 'remind:%')->count();
    [$sent, $reminded] = [$letters(), $events()];
    expect($reminded)->toBe(2);
    // Pressed again, or in another tab: nothing more is sent, and that is said.
    $this->as('tomas')
        ->post("/files/{$file->key}/reminders", ['papers' => $papers('M-102')])
        ->assertSessionMissing('told')
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'Already reminded a few minutes ago: Sunniva Eide'));
    $this->seeAll();
    expect($events())->toBe(2)->and($letters())->toBe($sent);
    $this->travel(11)->minutes();
    $this->as('tomas')->post("/files/{$file->key}/reminders", ['papers' => $papers('M-102')])->assertSessionHas('told');
    $this->seeAll();
    expect($events())->toBe(4)->and($letters())->toBe($sent + 2);
});
