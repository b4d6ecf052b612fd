<?php

declare(strict_types=1);

use App\Assembly\Actions\KeepSet;
use App\Assembly\Jobs\MakeLargeSet;
use App\Mail\ActionLink;
use App\Models\AssembledSet;
use App\Models\Letter;
use App\Models\Paper;
use App\Models\ReadingCopy;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Unanimus\Files\PaperRefusal;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetRefusal;

/** A paper from outside of so many pages; those named carry a text, the others are blank. */
function scan(App\Models\DealFile $file, string $name, int $pages, array $written): Paper
{
    $drawings = array_map(
        static fn (int $page) => in_array($page, $written, true)
            ? (new Drawing(612, 792))->text(72, 90, 12, "{$name} page {$page}")
            : new Drawing(612, 792),
        range(1, $pages),
    );
    $path = tempnam(sys_get_temp_dir(), 'scan');
    file_put_contents($path, press()->print($drawings));
    test()
        ->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => new UploadedFile($path, "{$name}.pdf", 'application/pdf', null, true)])
        ->assertSessionHas('told');
    test()->seeAll();

    return Paper::query()->where('deal_file_id', $file->id)->where('title', $name)->firstOrFail();
}

function assembled(App\Models\DealFile $file, array $papers, array $how = [], string $who = 'tomas'): AssembledSet
{
    test()
        ->as($who)
        ->post("/files/{$file->key}/sets", ['papers' => array_map(fn (Paper $paper) => $paper->key, $papers), ...$how])
        ->assertSessionMissing('refused')
        ->assertRedirect();
    test()->seeAll();

    return AssembledSet::query()->where('deal_file_id', $file->id)->orderByDesc('id')->firstOrFail();
}

/** The words of each page. @return list<string> */
function wordsOf(string $pdf): array
{
    $scratch = new Scratch();

    return array_slice(explode("\f", (new NativeTool())->run(['pdftotext', '-layout', $scratch->put('words.pdf', $pdf), '-'])), 0, -1);
}

it('puts papers together in the given order with a cover sheet, stamps and without blank pages', function () {
    $file = $this->aFile();
    $scan = scan($file, 'Survey of 1998', 4, [1, 3]);
    $set = assembled($file, [$scan, $this->paper($file, 'M-102')], ['cover' => '1', 'blank' => '1', 'stamp' => 'paper']);
    expect($set->status)
        ->toBe('ready')
        ->and($set->notes)
        ->toBe(['2 blank pages were left out of Survey of 1998: 2, 4.']);
    $pdf = (string) $this->as('tomas')
        ->get("/sets/{$set->key}/set.pdf")
        ->assertOk()
        ->getContent();
    $pages = wordsOf($pdf);
    expect(count($pages))
        ->toBe($set->pages)
        ->and($pages[0])
        ->toContain('14 Lanternfish Lane')
        ->toContain('Survey of 1998')
        ->toContain('Sunniva Eide')
        ->toMatch('/Survey of 1998\s+2 pages\s+2/')
        ->and($pages[1])
        ->toContain('Survey of 1998 page 1')
        ->toContain('page 1 of 2')
        ->and($pages[2])
        ->toContain('Survey of 1998 page 3')
        ->toContain('page 2 of 2')
        ->toMatch("~3\s*/\s*{$set->pages}~")
        ->and($pages[3])
        ->toContain('Agency disclosure')
        ->and($pages[0])
        ->not->toContain('1 /');
    $scratch = new Scratch();
    $outline = json_decode((new NativeTool())->run(['qpdf', '--json', '--json-key=outlines', $scratch->put('set.pdf', $pdf)]), true)[
        'outlines'
    ];
    expect(array_column($outline, 'destpageposfrom1'))
        ->toBe([1, 2, 4])
        ->and($outline[0]['title'])
        ->toBe('Cover sheet')
        ->and((new NativeTool())->run(['qpdf', '--check', $scratch->path('set.pdf')]))
        ->toContain('No syntax');
    $this->as('tomas')
        ->get("/sets/{$set->key}")
        ->assertOk()
        ->assertSee('blank pages were left out')
        ->assertSee('Create reading copy');
    $this->as('tomas')
        ->get("/files/{$file->key}/assembling")
        ->assertOk()
        ->assertSee('Combined before')
        ->assertSee('Survey of 1998');
    $plain = assembled($file, [$scan], ['stamp' => 'none']);
    expect($plain->pages)
        ->toBe(4)
        ->and(
            implode(
                '',
                wordsOf(
                    (string) $this->as('tomas')
                        ->get("/sets/{$plain->key}/set.pdf")
                        ->getContent(),
                ),
            ),
        )
        ->not->toContain('/ 4');
});

it('keeps a set as it was, whatever happens to its papers later', function () {
    $file = $this->aFile();
    $scan = scan($file, 'Old letter', 1, [1]);
    $set = assembled($file, [$scan]);
    $this->as('tomas')
        ->post("/papers/{$scan->key}/void", ['reason' => 'wrong one'])
        ->assertSessionHas('told');
    expect(
        wordsOf(
            (string) $this->as('tomas')
                ->get("/sets/{$set->key}/set.pdf")
                ->assertOk()
                ->getContent(),
        )[0],
    )->toContain('Old letter page 1');
    $this->as('tomas')
        ->post("/files/{$file->key}/sets", ['papers' => []])
        ->assertSessionHasErrors('papers');
    $this->seeAll();
    $expected = $file->papers()->where('state', 'expected')->firstOrFail();
    $this->as('tomas')
        ->post("/files/{$file->key}/sets", ['papers' => [$expected->key]])
        ->assertSessionHas('reason', PaperRefusal::NothingToPrint->value);
    $this->seeAll();
    expect(AssembledSet::query()->where('deal_file_id', $file->id)->count())->toBe(1);
});

it('has the worker make what is large, tells how far it is, and makes it once', function () {
    Queue::fake([MakeLargeSet::class]);
    $file = $this->aFile();
    $scan = scan($file, 'Long report', 70, range(1, 70));
    $set = assembled($file, [$scan, $this->paper($file, 'M-102')]);
    expect($set->status)->toBe('waiting');
    Queue::assertPushed(MakeLargeSet::class, 1);
    $this->as('tomas')
        ->get("/sets/{$set->key}")
        ->assertOk()
        ->assertSee('Combining')
        ->assertSee('0 of 2 papers ready');
    $this->as('tomas')
        ->get("/sets/{$set->key}/set.pdf")
        ->assertSessionHas('reason', SetRefusal::StillCombined->value);
    $this->as('tomas')
        ->post("/sets/{$set->key}/reading-copies", ['name' => 'A', 'last_day' => '12/31/2026'])
        ->assertSessionHas('reason', SetRefusal::StillCombined->value);
    foreach ([1, 2] as $time) {
        app(KeepSet::class)->work($set->brokerage_id, $set->id);
    }
    $this->seeAll();
    expect($set->refresh()->status)
        ->toBe('ready')
        ->and($set->pages)
        ->toBeGreaterThan(70)
        ->and(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Papers put together')->count())
        ->toBe(1);
    $this->as('tomas')
        ->withHeaders(['HX-Request' => 'true'])
        ->get("/sets/{$set->key}")
        ->assertOk()
        ->assertSee('Open the PDF');
    // What a page asks for by itself leaves what is still to be told.
    $this->flushHeaders()->flushSession();
    $lost = assembled($file, [$scan]);
    AssembledSet::query()
        ->whereKey($lost->id)
        ->toBase()
        ->update(['updated_at' => now()->subHour()]);
    Queue::fake([MakeLargeSet::class]);
    DB::table('pending_work')
        ->where('kind', 'sets')
        ->update(['claimed_until' => now()->subMinute()]);
    expect(Illuminate\Support\Facades\Artisan::call('sets:sweep'))->toBe(0);
    Queue::assertPushed(MakeLargeSet::class, 1);
    $this->seeAll();
    $this->as('tomas')->post("/papers/{$scan->key}/void", ['reason' => 'x']);
    $this->seeAll();
    AssembledSet::query()
        ->whereKey($lost->id)
        ->update(['papers' => json_encode(['01ARZ3NDEKTSV4RRFFQ69G5FAV'])]);
    app(KeepSet::class)->work($lost->brokerage_id, $lost->id);
    $this->seeAll();
    expect($lost->refresh()->status)->toBe('failed')->and($lost->failure)->toContain('no longer in this file');
    $this->as('tomas')
        ->get("/sets/{$lost->key}")
        ->assertOk()
        ->assertSee('Could not combine');
});

it('gives papers to read until a last day, notes every look, and ends', function () {
    $file = $this->aFile();
    $set = assembled($file, [scan($file, 'Report to read', 2, [1, 2])]);
    $this->as('tomas')
        ->post("/sets/{$set->key}/reading-copies", [
            'name' => 'Maren Holt',
            'email' => 'maren@holt.example',
            'last_day' => test()->day(10),
            'message' => 'As we said.',
        ])
        ->assertSessionHas('told');
    $this->seeAll();
    $copy = ReadingCopy::query()->where('assembled_set_id', $set->id)->sole();
    $letter = Letter::query()
        ->where('once_key', "read:{$copy->key}")
        ->sole();
    expect($letter->recipient)->toBe('maren@holt.example')->and(ActionLink::of($letter))->toBe($copy->link());
    $path = '/read/'.$copy->token();
    Illuminate\Support\Facades\Auth::forgetGuards();
    $this->get($path)->assertOk()->assertSee('14 Lanternfish Lane')->assertSee('As we said.');
    $this->post("{$path}/opened")->assertNoContent();
    $this->get("{$path}/pages/2.webp")->assertOk();
    $this->get("{$path}/pages/3.webp")->assertNotFound();
    $this->get("{$path}/text")
        ->assertOk()
        ->assertSee('Report to read page 2');
    expect(
        wordsOf(
            (string) $this->get("{$path}/set.pdf")
                ->assertOk()
                ->getContent(),
        )[1],
    )->toContain('Report to read page 2');
    $this->as('tomas')
        ->get("/sets/{$set->key}")
        ->assertOk()
        ->assertSee('Opened 1 time')
        ->assertSee('downloaded')
        ->assertSee('Maren Holt');
    $this->travelTo(now()->addDays(12));
    Illuminate\Support\Facades\Auth::forgetGuards();
    $this->get($path)->assertStatus(410)->assertSee('The last day has passed')->assertSee('Ask Tomás Reyes-Whitlock');
    $this->get("{$path}/set.pdf")->assertStatus(410);
    $this->get("{$path}/text")->assertStatus(410);
    $this->travelBack();
    $this->as('tomas')
        ->post("/reading-copies/{$copy->key}/end")
        ->assertSessionHas('told');
    Illuminate\Support\Facades\Auth::forgetGuards();
    $this->get($path)->assertStatus(410)->assertSee('no longer open');
    $this->get("{$path}/pages/1.webp")->assertStatus(410);
    $this->as('tomas')
        ->get("/sets/{$set->key}")
        ->assertSee('tried after it ended');
    foreach (["/read/{$copy->key}", "/read/{$copy->key}.wrong", '/read/01ARZ3NDEKTSV4RRFFQ69G5FAV.x', '/read/x'] as $wrong) {
        $this->get($wrong)->assertNotFound();
    }
    expect(fn () => DB::statement('UPDATE reading_copy_looks SET what = what'))->toThrow(Illuminate\Database\QueryException::class);
});

it('refuses a reading copy without a name, with a past or far last day, or a date that is none', function () {
    $file = $this->aFile();
    $set = assembled($file, [$this->paper($file, 'M-102')]);
    $give = fn (array $given) => $this->as('tomas')->post("/sets/{$set->key}/reading-copies", [
        'name' => 'Maren',
        'last_day' => test()->day(3),
        ...$given,
    ]);
    $give(['name' => ' '])->assertSessionHas('reason', SetRefusal::NoReader->value);
    $give(['last_day' => '2020-01-01'])->assertSessionHas('reason', SetRefusal::LastDayPassed->value);
    $give(['last_day' => now()->addYears(3)->format('Y-m-d')])->assertSessionHas('reason', SetRefusal::LastDayTooFar->value);
    $give(['last_day' => 'soon'])->assertSessionHas('refused');
    $give(['email' => 'no address'])->assertSessionHasErrors('email');
    $give([])->assertSessionHas('told', fn (string $told) => str_contains($told, '/read/'));
    $this->as('marguerite')
        ->get("/sets/{$set->key}")
        ->assertOk()
        ->assertDontSee('Create reading copy');
    $this->as('marguerite')
        ->post("/sets/{$set->key}/reading-copies", ['name' => 'M', 'last_day' => '2027-01-01'])
        ->assertForbidden();
});
