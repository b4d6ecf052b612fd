<?php

declare(strict_types=1);

use App\Access\Reach;
use App\Files\Twins;
use App\Models\Contact;
use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Sight;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\FileRefusal;
use Unanimus\Pages\NativeTool;
use Unanimus\Review\ReviewState;

function practice(string $who = 'tomas', string $represents = 'buyer'): DealFile
{
    test()->as($who)->post('/practice', ['represents' => $represents])->assertSessionHas('told');
    test()->seeAll();

    return DealFile::query()
        ->where('practice', true)
        ->whereNull('practice_over_at')
        ->with(['office', 'parties', 'knownFacts', 'papers', 'requirements', 'members'])
        ->orderByDesc('id')
        ->firstOrFail();
}

it('does the whole job with invented people, and nothing of it leaves', function () {
    $letters = Letter::query()->count();
    $contacts = Contact::query()->count();
    $file = practice();
    expect($file->papers->pluck('form_number')->filter()->all())->toContain('M-102', 'M-201')
        ->and($file->parties->firstWhere('role.value', 'broker')?->user_id)->toBeNull();
    $this->as('tomas')->get("/files/{$file->key}")->assertOk()->assertSee('Practice with invented people');
    $round = $this->aRound($file, ['M-102']);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()->assertSee('Sign as Ada Practice')->assertDontSee('email sent');
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->seeAll();
        $this->signs($round->refresh(), $seat);
    }
    $this->work();
    $this->seeAll();
    $paper = $this->paper($file, 'M-102')->load('latest');
    $pdf = app(Bytes::class)->path((string) $paper->latest?->sha256);
    expect($paper->state->value)->toBe('signed')
        ->and((new NativeTool(20))->run(['pdftotext', $pdf, '-']))->toContain('Practice with invented people. No one signed this.')
        ->and((string) file_get_contents($pdf))->not->toContain('/ByteRange');
    // Nobody who holds it is told that it was made here.
    expect(DB::select('SELECT * FROM sealed_set_of(?)', [$round->refresh()->sealedSet?->sha256]))->toBe([]);
    $this->as('tomas')->post("/files/{$file->key}/submissions", ['papers' => [$paper->key]])->assertSessionMissing('refused');
    $requirement = $file->requirements()->where('paper_id', $paper->id)->sole();
    $this->as('dario')->get('/review')->assertOk()->assertDontSee('Example Way');
    $this->as('dario')->get("/review/{$requirement->key}")->assertNotFound();
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Review it yourself');
    $this->as('tomas')->get("/review/{$requirement->key}")->assertOk();
    $this->as('tomas')->post("/requirements/{$requirement->key}/accept")->assertRedirect("/files/{$file->key}");
    $this->seeAll();
    expect($requirement->refresh()->review_state)->toBe(ReviewState::Accepted)
        ->and(Letter::query()->count())->toBe($letters)
        ->and(Contact::query()->count())->toBe($contacts);
    $this->as('tomas')->get('/commission')->assertOk()->assertDontSee('Example Way');
});

it('keeps a practice from everyone else, and from twins', function () {
    $file = practice();
    foreach (['wendell', 'dario', 'fenna', 'priya', 'caleb'] as $who) {
        $this->as($who)->get("/files/{$file->key}")->assertNotFound();
        Sight::ofPerson($this->people[$who]);
        expect(DB::table('deal_files')->where('id', $file->id)->exists())->toBeFalse($who);
    }
    $this->as('marguerite')->post('/practice', ['represents' => 'buyer'])->assertForbidden();
    $this->as('tomas')->post('/practice', ['represents' => 'landlord'])->assertSessionHasErrors('represents');
    $this->seeAll();
    $real = $this->aFile(['property.street' => '1 Example Way']);
    $this->seeAll();
    expect(Twins::of($real, $this->people['tomas']))->toBe([])->and(Twins::of($file, $this->people['tomas']))->toBe([]);
});

it('lets nothing out by a copy, a working copy or a double press', function () {
    $file = practice();
    expect(practice()->id)->toBe($file->id);
    $real = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')->post("/papers/{$paper->key}/copy", ['to' => $real->key])
        ->assertSessionHas('reason', FileRefusal::PracticeStays->value);
    $letters = Letter::query()->count();
    $this->as('tomas')->post("/files/{$file->key}/working-copies", [
        'papers' => [$paper->key], 'name' => 'Dov Practice', 'email' => 'dov@practice.example', 'last_day' => $this->day(5),
    ])->assertSessionMissing('refused');
    $this->seeAll();
    $guestFile = DealFile::query()->where('guest', true)->sole();
    expect($guestFile->practice)->toBeTrue()->and(Letter::query()->count())->toBe($letters);
    $this->as('tomas')->post("/files/{$file->key}/let-go");
    $this->seeAll();
    expect($guestFile->refresh()->practice_over_at)->not->toBeNull();
});

it('is gone once it is let go, and only a practice can be', function () {
    $file = practice('tomas', 'seller');
    $real = $this->aFile();
    $this->as('tomas')->post("/files/{$real->key}/let-go")->assertSessionHas('reason', FileRefusal::NoPractice->value);
    $this->as('wendell')->post("/files/{$file->key}/let-go")->assertNotFound();
    $this->as('tomas')->post("/files/{$file->key}/let-go")->assertRedirect('/');
    $this->as('tomas')->get("/files/{$file->key}")->assertNotFound();
    $this->as('tomas')->get('/files')->assertDontSee('Example Way');
    Sight::ofPerson($this->people['tomas']);
    expect(DB::table('deal_files')->where('id', $file->id)->exists())->toBeFalse()
        ->and(Reach::allows($this->people['tomas'], tap($file)->setRawAttributes([...$file->getAttributes(), 'practice_over_at' => now()])))
        ->toBeFalse();
    // Not even by the database: of a real file, and of one that somebody else practises with.
    DB::select('SELECT let_practice_go(?)', [$real->id]);
    $this->seeAll();
    expect(DB::table('deal_files')->where('id', $real->id)->value('practice_over_at'))->toBeNull();
});
