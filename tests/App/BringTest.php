<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\Letter;
use App\Models\PaperRequest;
use App\Models\Sight;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Support\MadePdf;
use Unanimus\Files\PaperState;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Pages\SetRefusal;

/** @param  array<string, mixed>  $with */
function askFor(DealFile $file, array $with = []): TestResponse
{
    return test()->as('tomas')->post("/files/{$file->key}/paper-requests", [
        'others' => "Insurance binder\nPre-approval letter",
        'name' => 'Nadia Petrov',
        'email' => 'nadia.petrov@anchorfield.example',
        'last_day' => test()->day(10),
        'message' => 'The lender needs them.',
        ...$with,
    ]);
}

function asking(DealFile $file): PaperRequest
{
    askFor($file)->assertSessionMissing('refused');
    test()->seeAll();

    return PaperRequest::query()->with('asked')->where('deal_file_id', $file->id)->sole();
}

/** A sheet on a dark table, as a telephone sees it. */
function photoOfPaper(): string
{
    $picture = imagecreatetruecolor(900, 1200);
    imagefill($picture, 0, 0, 0x3C3C3C);
    imagefilledpolygon($picture, [210, 90, 840, 165, 750, 1110, 105, 1035], 0xE1E1E1);
    ob_start();
    imagejpeg($picture);

    return (string) ob_get_clean();
}

/** @param  list<UploadedFile>  $files */
function brings(PaperRequest $asking, array $files, string $asked, string $once = 'once-and-only'): TestResponse
{
    Auth::forgetGuards();
    test()->flushSession();

    return test()->withHeader('Accept', 'application/json')
        ->post('/bring/'.$asking->token().'/papers', ['asked' => $asked, 'once' => $once, 'papers' => $files]);
}

function pdfUpload(string $name, string $words): UploadedFile
{
    return UploadedFile::fake()->createWithContent($name, MadePdf::page(MadePdf::text(72, 700, $words)));
}

it('has somebody bring papers by a link, each to its row, once, and tells whoever asked', function () {
    $file = $this->aFile();
    $asking = asking($file);
    askFor($file)->assertSessionMissing('refused');
    $this->seeAll();
    expect(PaperRequest::query()->count())->toBe(1);
    $letter = Letter::query()->where('once_key', "bring:{$asking->key}")->sole();
    expect($letter->body)->toContain('Insurance binder')->toContain('The lender needs them.')
        ->and($letter->action)->toBe("bring {$asking->key}");
    $this->as('tomas')->get('/')->assertSee('to send Insurance binder, Pre-approval letter');
    $row = $file->papers()->where('title', 'Insurance binder')->sole();
    expect($row->state)->toBe(PaperState::Expected);
    Auth::forgetGuards();
    $this->flushSession();
    $this->get('/bring/'.$asking->token())->assertOk()->assertSee('Nadia Petrov')->assertSee('Insurance binder')->assertDontSee('$412,500');
    $this->post('/bring/'.$asking->token().'/opened')->assertNoContent();
    $binder = pdfUpload('binder.pdf', 'Binder for the house');
    brings($asking, [$binder], $asking->asked[0]->key)->assertOk()->assertJson(['name' => 'binder.pdf']);
    brings($asking, [$binder], $asking->asked[0]->key)->assertOk();
    $this->seeAll();
    expect($row->refresh()->state)->toBe(PaperState::Ready)->and($row->versions()->count())->toBe(1)
        ->and(Letter::query()->where('once_key', "brought:{$asking->key}")->count())->toBe(0);
    // Another one lies over it, and what is not asked for comes in by itself.
    brings($asking, [pdfUpload('binder 2.pdf', 'Better')], $asking->asked[0]->key, 'another-key')->assertOk();
    brings($asking, [pdfUpload('Deed.pdf', 'Deed of the land')], '', 'third-key')->assertOk();
    brings($asking, [pdfUpload('letter.pdf', 'Approved')], $asking->asked[1]->key, 'fourth-key')->assertOk();
    $this->seeAll();
    expect($row->versions()->count())->toBe(2)
        ->and($file->papers()->where('title', 'Deed')->sole()->state)->toBe(PaperState::Ready)
        ->and(Letter::query()->where('once_key', "brought:{$asking->key}")->sole()->recipient)->toBe('tomas@quillmark.example');
    $this->as('tomas')->get('/')->assertDontSee('to send Insurance');
    $this->as('tomas')->get("/files/{$file->key}/history")->assertSee('Nadia Petrov brought Insurance binder');
    $this->as('tomas')->get("/files/{$file->key}/ask-for")->assertSee('everything arrived');
});

it('makes one paper of several photos, and says what cannot be taken', function () {
    $file = $this->aFile();
    $asking = asking($file);
    $shots = array_map(static fn (int $n) => UploadedFile::fake()->image("shot{$n}.jpg", 900, 1200), [1, 2, 3]);
    brings($asking, $shots, $asking->asked[0]->key)->assertOk();
    $this->seeAll();
    expect($file->papers()->where('title', 'Insurance binder')->sole()->load('latest')->latest->pages)->toBe(3);
    brings($asking, [$shots[0], pdfUpload('x.pdf', 'x')], $asking->asked[1]->key, 'mixed-up-1')->assertUnprocessable()
        ->assertJson(['message' => 'Several files at once can only be photos. Send anything else one by one.']);
    brings($asking, [UploadedFile::fake()->createWithContent('x.exe', 'MZ')], $asking->asked[1]->key, 'no-paper-1')->assertUnprocessable();
    brings($asking, [], $asking->asked[1]->key, 'nothing-1')->assertUnprocessable();
    brings($asking, [pdfUpload('x.pdf', 'x')], 'NOT-OF-THIS-ONE', 'not-here-1')->assertStatus(409);
    $this->seeAll();
    expect($asking->asked()->orderBy('id')->get()[1]->brought)->toBe([]);
});

it('reminds once a day and by itself, and ends', function () {
    $file = $this->aFile();
    $asking = asking($file);
    foreach ([1, 2] as $press) {
        $this->as('tomas')->post("/paper-requests/{$asking->key}/remind")->assertSessionHas('told');
    }
    $this->seeAll();
    expect(Letter::query()->where('once_key', 'like', "bring:{$asking->key}:%")->count())->toBe(1);
    $other = PaperRequest::query()->findOrFail(DB::table('paper_requests')->insertGetId([
        ...array_diff_key((array) DB::table('paper_requests')->find($asking->id), ['id' => 1]),
        'key' => '01ABCDEFGHJKMNPQRSTVWXYZ00', 'reminded_on' => null, 'last_day' => $file->office->today()->plusDays(2)->iso(),
        'created_at' => now()->subDays(5),
    ]));
    $other->asked()->create(['brokerage_id' => $other->brokerage_id, 'title' => 'Survey']);
    $this->artisan('paper-requests:sweep')->assertSuccessful();
    $this->artisan('paper-requests:sweep')->assertSuccessful();
    $this->seeAll();
    expect(Letter::query()->where('once_key', 'like', "bring:{$other->key}:%")->count())->toBe(1);
    $this->as('tomas')->post("/paper-requests/{$asking->key}/end")->assertSessionHas('told');
    $this->as('tomas')->post("/paper-requests/{$asking->key}/end")->assertSessionHas('told');
    $this->seeAll();
    expect(DB::table('history')->where('what', 'Asking for papers ended')->count())->toBe(1);
    $this->as('tomas')->post("/paper-requests/{$asking->key}/remind")->assertSessionHas('reason', IntakeRefusal::NothingToRemind->value);
    Auth::forgetGuards();
    $this->get('/bring/'.$asking->token())->assertStatus(410)->assertSee('no longer takes documents');
    brings($asking, [pdfUpload('late.pdf', 'x')], $asking->asked[0]->key)->assertStatus(410);
    $this->get('/bring/'.substr($asking->token(), 0, -3).'abc')->assertNotFound();
    $this->travel(30)->days();
    $this->get('/bring/'.$other->token())->assertStatus(410);
});

it('speaks Spanish where that is wanted', function () {
    $file = $this->aFile();
    askFor($file, ['language' => 'es']);
    $this->seeAll();
    $asking = PaperRequest::query()->sole();
    expect(Letter::query()->where('once_key', "bring:{$asking->key}")->sole()->subject)->toContain('Documentos que faltan');
    Auth::forgetGuards();
    $this->get('/bring/'.$asking->token())->assertSee('Documentos para enviar');
    brings($asking, [UploadedFile::fake()->createWithContent('x.exe', 'MZ')], '', 'no-paper-1')
        ->assertUnprocessable()->assertJson(['message' => 'Esto no es un PDF, una imagen (JPEG, PNG, TIFF, HEIC) ni un documento '.
            'de Word. Imprímalo como PDF y envíe ese.']);
    $this->post('/bring/'.$asking->token().'/language', ['language' => 'en'])->assertRedirect();
    $this->get('/bring/'.$asking->token())->assertSee('Documents to send');
});

it('says what is missing in asking', function () {
    $file = $this->aFile();
    askFor($file, ['name' => ' '])->assertSessionHas('reason', IntakeRefusal::NobodyAsked->value);
    askFor($file, ['others' => " \n "])->assertSessionHas('reason', IntakeRefusal::NothingAsked->value);
    askFor($file, ['last_day' => $this->day(-2)])->assertSessionHas('reason', SetRefusal::LastDayPassed->value);
    askFor($file, ['email' => 'nobody'])->assertSessionHasErrors('email');
    $this->seeAll();
    expect(PaperRequest::query()->count())->toBe(0)->and($file->papers()->where('title', 'Insurance binder')->exists())->toBeFalse();
    // Another side, another office: the database by itself.
    asking($file);
    foreach (['caleb', 'priya'] as $who) {
        Sight::ofPerson($this->people[$who]);
        expect(DB::table('paper_requests')->exists())->toBeFalse($who)->and(DB::table('asked_papers')->exists())->toBeFalse($who);
    }
});

it('keeps the photo a page was cut out of, and lets the page be written on', function () {
    $file = $this->aFile();
    $asking = asking($file);
    $photo = UploadedFile::fake()->createWithContent('binder.jpg', photoOfPaper());
    brings($asking, [$photo], $asking->asked[0]->key)->assertOk();
    $this->seeAll();
    $paper = $file->papers()->where('title', 'Insurance binder')->sole()->load('latest');
    expect($paper->latest->from_photo)->toBeTrue()->and($paper->latest->original_sha256)->not->toBeNull();
    $this->as('tomas')->get("/papers/{$paper->key}")->assertSee('Download the photo')->assertDontSee('signed original');
    $original = $this->as('tomas')->get("/papers/{$paper->key}/versions/{$paper->latest->key}/original")->assertOk();
    expect(substr((string) $original->getContent(), 0, 5))->toBe('%PDF-');
    $this->as('tomas')->postJson("/papers/{$paper->key}/pieces", [
        'key' => 'piece-on-photo', 'page' => 1, 'kind' => 'text', 'place' => [60, 60, 120, 14], 'text' => 'Seen',
    ])->assertOk();
});
