<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\PaperPiece;
use App\Models\Requirement;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

/** A paper from outside with a line of text on it. */
function flatPaper(App\Models\DealFile $file, string $text = 'The seller pays all costs'): Paper
{
    $path = tempnam(sys_get_temp_dir(), 'flat');
    file_put_contents($path, MadePdf::page(MadePdf::text(72, 700, $text, 14)));
    test()
        ->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => new UploadedFile($path, 'Survey sheet.pdf', 'application/pdf', null, true)])
        ->assertSessionHas('told');
    test()->seeAll();

    return Paper::query()->where('deal_file_id', $file->id)->where('title', 'Survey sheet')->orderByDesc('id')->firstOrFail();
}

function put(Paper $paper, array $piece, string $key, int $status = 200, string $who = 'tomas'): Illuminate\Testing\TestResponse
{
    return test()
        ->as($who)
        ->postJson("/papers/{$paper->key}/pieces", ['key' => $key, 'page' => 1, ...$piece])
        ->assertStatus($status);
}

it('puts text, ticks, dates, lines and covers on a paper from outside, prints them, and takes them off again', function () {
    $paper = flatPaper($this->aFile());
    put($paper, ['kind' => 'text', 'place' => [72, 300, 200, 14], 'text' => 'except the survey, Łucja'], 'piece-text-1');
    put($paper, ['kind' => 'tick', 'place' => [72, 330, 10, 10]], 'piece-tick-1');
    put($paper, ['kind' => 'date', 'place' => [72, 350, 110, 14], 'text' => '12/18/2026'], 'piece-date-1');
    $pieces = put($paper, ['kind' => 'line', 'place' => [100, 86, 60, 3]], 'piece-line-1')->json('pieces');
    expect($pieces)
        ->toHaveCount(4)
        ->and($pieces[2]['text'])
        ->toBe('December 18, 2026')
        ->and($pieces[3]['places'][0][0])
        ->not->toEqual(100);
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('except the survey, Łucja');
    $scratch = new Scratch();
    $pdf = $scratch->put(
        'out.pdf',
        (string) $this->as('tomas')
            ->get("/papers/{$paper->key}/pdf")
            ->assertOk()
            ->getContent(),
    );
    expect((new NativeTool())->run(['pdftotext', $pdf, '-']))
        ->toContain('except the survey, Łucja')
        ->toContain('December 18, 2026')
        ->and((new NativeTool())->run(['qpdf', '--check', $pdf]))
        ->toContain('No syntax');
    foreach ($pieces as $piece) {
        $left = $this->as('tomas')
            ->postJson("/papers/{$paper->key}/pieces", ['key' => 'off-'.$piece['key'], 'off' => $piece['key']])
            ->assertOk()
            ->json('pieces');
    }
    $this->seeAll();
    expect($left)
        ->toBe([])
        ->and(
            hash(
                'sha256',
                (string) $this->as('tomas')
                    ->get("/papers/{$paper->key}/pdf")
                    ->getContent(),
            ),
        )
        ->toBe($paper->latest->sha256);
    $this->seeAll();
    expect(PaperPiece::query()->where('paper_id', $paper->id)->count())
        ->toBe(4)
        ->and(DB::table('history')->where('deal_file_id', $paper->deal_file_id)->where('what', 'Taken off a page')->count())
        ->toBe(4);
});

it('strikes out printed words of a form, prints them struck, and covers none', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    put($paper, ['kind' => 'line', 'place' => [60, 300, 300, 4]], 'strike-form-1');
    put($paper, ['kind' => 'cover', 'place' => [60, 300, 300, 4]], 'cover-form-1', 409)->assertJsonPath(
        'message',
        fn (string $told) => str_contains($told, 'Strike them out'),
    );
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('class="piece"', false);
    $this->seeAll();
    $plain = strlen(
        (string) $this->as('tomas')
            ->get("/papers/{$paper->key}/pdf")
            ->assertOk()
            ->getContent(),
    );
    $this->seeAll();
    $key = PaperPiece::query()->where('paper_id', $paper->id)->value('key');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/pieces", ['key' => 'strike-off-1', 'off' => $key])
        ->assertOk();
    expect(
        strlen(
            (string) $this->as('tomas')
                ->get("/papers/{$paper->key}/pdf")
                ->getContent(),
        ),
    )->not->toBe($plain);
});

it('stores a piece once, changes it by another in its stead, and keeps what was', function () {
    $paper = flatPaper($this->aFile());
    put($paper, ['kind' => 'text', 'place' => [72, 300, 200, 14], 'text' => 'one'], 'same-piece-1');
    $pieces = put($paper, ['kind' => 'text', 'place' => [72, 300, 200, 14], 'text' => 'one'], 'same-piece-1')->json('pieces');
    expect($pieces)->toHaveCount(1);
    $pieces = put(
        $paper,
        ['kind' => 'text', 'place' => [90, 320, 200, 14], 'text' => 'two', 'instead' => $pieces[0]['key']],
        'same-piece-2',
    )->json('pieces');
    expect($pieces)->toHaveCount(1)->and($pieces[0]['text'])->toBe('two');
    $this->seeAll();
    expect(PaperPiece::query()->where('paper_id', $paper->id)->orderBy('id')->pluck('text')->all())->toBe(['one', 'two']);
});

it('holds pieces on their page and refuses what is none', function () {
    $paper = flatPaper($this->aFile());
    $piece = put($paper, ['kind' => 'text', 'place' => [-500, 5000, 99999, 14], 'text' => 'far out'], 'piece-far-1')->json('pieces.0');
    expect($piece['places'][0])->toEqual([0, 778, 612, 14]);
    put($paper, ['kind' => 'stamp', 'place' => [1, 1, 9, 9]], 'piece-bad-01', 409);
    put($paper, ['kind' => 'text', 'place' => [1, 1, 9, 9], 'text' => ' '], 'piece-bad-02', 409);
    put($paper, ['kind' => 'date', 'place' => [1, 1, 9, 9], 'text' => 'someday'], 'piece-bad-03', 409);
    put($paper, ['kind' => 'text', 'place' => [1, 1, 9, 9], 'text' => 'x', 'page' => 7], 'piece-bad-04', 409);
    put($paper, ['kind' => 'text', 'place' => ['a', 1, 9, 9], 'text' => 'x'], 'piece-bad-05', 409);
    put($paper, ['kind' => 'text', 'place' => [1, 1], 'text' => 'x'], 'piece-bad-06', 422);
});

it('takes nothing on a paper that is out, signed, with the reviewer, or sealed digitally; a newer version comes without it', function () {
    $file = $this->aFile();
    $paper = flatPaper($file);
    put($paper, ['kind' => 'text', 'place' => [72, 300, 200, 14], 'text' => 'kept with the version'], 'version-piece');
    $path = tempnam(sys_get_temp_dir(), 'newer');
    file_put_contents($path, MadePdf::page(MadePdf::text(72, 700, 'Newer sheet')));
    $this->as('tomas')
        ->post("/papers/{$paper->key}/versions", ['file' => new UploadedFile($path, 'newer.pdf', 'application/pdf', null, true)])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertDontSee('kept with the version');
    $this->seeAll();
    Requirement::query()->create([
        'brokerage_id' => $file->brokerage_id,
        'deal_file_id' => $file->id,
        'paper_id' => $paper->id,
        'title' => $paper->title,
        'stage' => 'contract',
        'position' => 1,
        'reason' => '',
        'review_state' => 'submitted',
    ]);
    put($paper, ['kind' => 'tick', 'place' => [1, 1, 9, 9]], 'with-review-1', 409)->assertJsonPath(
        'message',
        fn (string $told) => str_contains($told, 'with the reviewer'),
    );
    $round = $this->aRound($file);
    $out = $round->papers()->firstOrFail()->paper;
    put($out, ['kind' => 'line', 'place' => [60, 300, 300, 4]], 'out-piece-01', 409)->assertJsonPath(
        'message',
        fn (string $told) => str_contains($told, 'Recall the round'),
    );
});

it('goes into what is sent for signature', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    put($paper, ['kind' => 'text', 'place' => [300, 16, 200, 14], 'text' => 'Struck and agreed'], 'sent-piece-1');
    $this->seeAll();
    $print = app(App\Papers\PaperPrint::class)->of(
        $paper->fresh()->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'values', 'latest']),
    );
    $scratch = new Scratch();
    expect((new NativeTool())->run(['pdftotext', $scratch->put('x.pdf', $print), '-']))->toContain('Struck and agreed');
    $this->as('tomas')
        ->post("/files/{$file->key}/rounds", ['papers' => [$paper->key]])
        ->assertRedirect();
    $this->seeAll();
    $key = DB::table('rounds')->where('deal_file_id', $file->id)->orderByDesc('id')->value('key');
    $this->as('tomas')
        ->get("/rounds/{$key}")
        ->assertOk()
        ->assertSee('Struck and agreed');
});

it('goes along when a paper is copied to another file, and shows on a client’s page', function () {
    [$file, $other] = [$this->aFile(), $this->aFile()];
    $paper = flatPaper($file);
    put($paper, ['kind' => 'text', 'place' => [72, 300, 200, 14], 'text' => 'goes along'], 'copied-piece-1');
    $this->as('tomas')
        ->post("/papers/{$paper->key}/copy", ['to' => $other->key])
        ->assertSessionHas('told');
    $this->seeAll();
    $copy = Paper::query()->where('deal_file_id', $other->id)->where('title', 'Survey sheet')->sole();
    expect(PaperPiece::layer($copy))
        ->toHaveCount(1)
        ->and(PaperPiece::layer($copy)[0]->text)
        ->toBe('goes along');
    $form = $this->paper($file, 'M-201');
    put($form, ['kind' => 'text', 'place' => [72, 16, 200, 14], 'text' => 'seen by the client'], 'client-piece-1');
    $this->as('tomas')
        ->post("/files/{$file->key}/fill-requests", ['to' => ['buyer.1'], 'papers' => [$form->key], 'last_day' => test()->day(5)])
        ->assertSessionHas('told');
    $this->seeAll();
    $fill = App\Models\FillRequest::query()->where('deal_file_id', $file->id)->sole();
    Illuminate\Support\Facades\Auth::forgetGuards();
    $this->get('/fill/'.$fill->token()."/papers/{$form->key}")
        ->assertOk()
        ->assertSee('seen by the client');
});

it('prints a covered page without what is covered', function () {
    $paper = flatPaper($this->aFile(), 'Account 4471 0092 of the seller');
    put($paper, ['kind' => 'cover', 'place' => [60, 78, 400, 20]], 'piece-cover-1');
    $scratch = new Scratch();
    $pdf = $scratch->put(
        'out.pdf',
        (string) $this->as('tomas')
            ->get("/papers/{$paper->key}/pdf")
            ->assertOk()
            ->getContent(),
    );
    expect((new NativeTool())->run(['pdftotext', $pdf, '-']))
        ->not->toContain('4471')
        ->and((new NativeTool())->run(['qpdf', '--check', $pdf]))
        ->toContain('No syntax');
});
