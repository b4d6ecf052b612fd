<?php

declare(strict_types=1);

use App\Files\Actions\SetFact;
use App\Models\Paper;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;

it('finds forms by number, fragments and mistyped words, and what is used comes first', function (string $typed, string $first) {
    $file = $this->aFile();
    $html = (string) $this->as('tomas')
        ->get("/files/{$file->key}/forms?q=".rawurlencode($typed), ['HX-Request' => 'true'])
        ->assertOk()
        ->getContent();
    preg_match('/data-form="([^"]+)"/', $html, $m);
    expect($m[1] ?? 'nothing')->toBe($first);
})->with([
    ['207', 'M-207'],
    ['m-207', 'M-207'],
    ['clos ext', 'M-208'],
    ['ext clos', 'M-208'],
    ['amendmnet', 'M-207'],
    ['septc', 'OC-11'],
    ['walk', 'M-261'],
    ['disclosure seller', 'M-105'],
    ['property disclos', 'M-231'],
    ['ounter', 'M-206'],
    ['purchase', 'M-201'],
]);

it('says so when nothing fits', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->get("/files/{$file->key}/forms?q=zzzz", ['HX-Request' => 'true'])
        ->assertSee('No form found');
});

it('takes forms into the file and out again, with their entries', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])
        ->assertOk()
        ->assertSee('in the file');
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])
        ->assertOk();
    $this->seeAll();
    $paper = Paper::query()->where('deal_file_id', $file->id)->where('form_number', 'M-207')->sole();
    expect($paper->state->value)->toBe('draft')->and($paper->stage)->toBe('contract');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'number', 'value' => '1', 'key' => 'taken-0001'])
        ->assertOk();
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/M-207", ['what' => 'out'])
        ->assertOk()
        ->assertDontSee('in the file');
    $this->seeAll();
    expect($paper->refresh()->state->value)->toBe('void');
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])
        ->assertOk();
    $this->seeAll();
    expect($paper->refresh()->state->value)
        ->toBe('draft')
        ->and($paper->load('values')->entries())
        ->toBe(['number' => '1']);
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/M-207", ['what' => 'more'])
        ->assertSee('2 in the file');
    $this->seeAll();
    expect(Paper::query()->where('deal_file_id', $file->id)->where('form_number', 'M-207')->orderByDesc('id')->value('title'))->toBe(
        'Amendment, 2',
    );
});

it('keeps a form in the file that is called for, and says why', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/M-201", ['what' => 'out'])
        ->assertOk()
        ->assertSee('is required: every home purchase');
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/M-999", ['what' => 'take'])
        ->assertNotFound();
    $this->as('fenna')
        ->post("/files/{$file->key}/forms/M-207", ['what' => 'take'])
        ->assertForbidden();
});

it('asks for no form again that is here under its name, signed elsewhere', function () {
    $file = $this->aFile();
    $base = ['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'stage' => 'offer', 'position' => 1];
    $there = Paper::create([...$base, 'title' => 'association addendum ', 'state' => PaperState::Ready]);
    app(SetFact::class)($file, 'property.association', 'Millrace Commons');
    $this->seeAll();
    $of = fn () => Paper::query()->where('deal_file_id', $file->id)->where('title', 'ilike', 'association addendum%')->pluck('id')->all();
    expect($of())->toBe([$there->id])
        ->and($there->refresh()->reason)->toBe('belongs to Millrace Commons')
        ->and($there->state)->toBe(PaperState::Ready)
        ->and($file->requirements()->where('paper_id', $there->id)->count())->toBe(1);
    app(SetFact::class)($file, 'price', '415,000');
    expect($of())->toBe([$there->id]);
    $there->moveTo(PaperState::Void, ['reason' => 'the wrong one']);
    app(SetFact::class)($file->refresh(), 'price', '416,000');
    expect(Paper::query()->where('deal_file_id', $file->id)->where('form_number', 'M-222')->value('state'))->toBe(PaperState::Draft);
});

it('ticks a form on the contract as attached when it is taken', function () {
    $file = $this->aFile();
    $contract = $this->paper($file, 'M-201');
    $this->as('tomas')->post("/files/{$file->key}/forms/M-216", ['what' => 'take']);
    $answer = $this->as('tomas')
        ->postJson("/papers/{$contract->key}/entries", ['blank' => 'seller_status', 'value' => 'x', 'key' => 'attached-1'])
        ->assertOk()
        ->json();
    expect($answer['blanks']['add_gap']['shown'])->toBe('x')->and($answer['blanks']['add_home']['shown'])->toBe('');
});

it('shows every earlier state of a paper and brings one back without losing what came after', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $put = fn (string $blank, string $value, string $key) => $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => $blank, 'value' => $value, 'key' => $key])
        ->assertOk();
    $this->seeAll();
    $before = DB::table('paper_entries')->where('paper_id', $paper->id)->count();
    $put('seller_status', 'married', 'log-000001');
    $put('seller_status', 'unmarried', 'log-000002');
    $put('title_other', 'as trustees', 'log-000003');
    $this->as('tomas')
        ->get("/papers/{$paper->key}/log?at=".($before + 1))
        ->assertOk()
        ->assertSee('2 blanks are different now')
        ->assertSee('“married”')
        ->assertSee('now unmarried');
    $this->as('tomas')
        ->post("/papers/{$paper->key}/log", ['at' => $before + 1, 'key' => 'back-00001', 'blank' => 'seller_status'])
        ->assertSessionHas('told', fn (string $told) => str_starts_with($told, '1 blank restored'));
    $this->as('tomas')
        ->post("/papers/{$paper->key}/log", ['at' => $before + 1, 'key' => 'back-00001', 'blank' => 'seller_status'])
        ->assertSessionHas('told', 'Nothing is different. Nothing was changed.');
    $this->seeAll();
    $entries = $paper->load('values')->entries();
    expect($entries['seller_status'])
        ->toBe('married')
        ->and($entries['title_other'])
        ->toBe('as trustees')
        ->and(DB::table('paper_entries')->where('paper_id', $paper->id)->count())
        ->toBe($before + 4);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/log", ['at' => $before, 'key' => 'back-00002'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($paper->load('values')->entries())->not->toHaveKeys(['seller_status', 'title_other']);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/log", ['at' => 9999, 'key' => 'back-00003'])
        ->assertSessionHas('reason', PaperRefusal::NoSuchState->value);
});

it('shows what differs from the terms on the board and at its place on the page', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'price', 'value' => '399,000', 'key' => 'departs-01'])
        ->assertOk();
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertSee('Price says 399,000; the terms say 412,500.')
        ->assertSee("/papers/{$paper->key}#price", false);
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertSee('Price says 399,000; the terms say 412,500.');
});
