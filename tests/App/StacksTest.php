<?php

declare(strict_types=1);

use App\Intake\Actions\TakeMail;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Paper;
use App\Models\Sight;
use App\Models\Stack;
use App\Models\Upload;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Support\MadePdf;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

/** A stack: three pages of a survey, a blank one, and two of a well report that lie on their head. */
function stackPdf(): string
{
    $scratch = new Scratch();
    $pages = [];
    $survey = array_map(static fn (int $page) => "Survey of the land page {$page} of 3", [1, 2, 3]);
    foreach ([...$survey, '', 'Well report page 1 of 2', 'Well report page 2 of 2'] as $index => $words) {
        $lines = MadePdf::text(72, 700, $words).MadePdf::text(72, 660, 'Measured and written down for the owners here.');
        $pages[] = $scratch->put("{$index}.pdf", MadePdf::page($words === '' ? '' : $lines));
    }
    $ranges = array_merge(...array_map(static fn (string $path) => [$path, '1'], $pages));
    (new NativeTool())->run(['qpdf', '--empty', '--pages', ...$ranges, '--', '--rotate=+180:5-6', $scratch->path('stack.pdf')]);

    return $scratch->get('stack.pdf');
}

function uploadedStack(DealFile $file): Upload
{
    test()->as('tomas')->post("/files/{$file->key}/papers", [
        'pdf' => UploadedFile::fake()->createWithContent('scan-of-monday.pdf', stackPdf()),
    ]);
    test()->seeAll();

    return Upload::query()->orderByDesc('id')->firstOrFail();
}

/** @param  array<string, mixed>  $with */
function step(Stack $stack, string $do, array $with = [], string $as = 'tomas'): TestResponse
{
    test()->seeAll();

    return test()->as($as)->post("/stacks/{$stack->key}/steps", ['seen' => $stack->refresh()->step, 'do' => $do, ...$with]);
}

it('lays an upload out, proposes in pencil, and files what was sorted, once', function () {
    $file = $this->aFile();
    $upload = uploadedStack($file);
    // What its pictures say is read behind it: then its uploader is asked.
    $this->work();
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Separate the 2 papers in it')->assertSee('Sort its pages');
    $at = $this->as('tomas')->post("/files/{$file->key}/uploads/{$upload->key}/sort")->assertRedirect()->headers->get('Location');
    $this->as('tomas')->post("/files/{$file->key}/uploads/{$upload->key}/sort")->assertRedirect((string) $at);
    $this->seeAll();
    $stack = Stack::query()->sole();
    $this->as('tomas')->get("/stacks/{$stack->key}")->assertOk()->assertSee('Reading the pages');
    $this->work();
    $this->as('tomas')->get("/stacks/{$stack->key}/table")->assertOk()
        ->assertSee('Take what is sure')->assertSee('Turn 180°')->assertSee('Blank');
    $this->as('tomas')->get("/stacks/{$stack->key}/1/small/5.webp")->assertOk()->assertHeader('Content-Type', 'image/webp');
    $this->as('tomas')->get("/stacks/{$stack->key}/1/pages/7.webp")->assertNotFound();
    step($stack, 'take-sure')->assertOk()->assertSee('File 2 papers');
    $this->seeAll();
    $parts = $stack->refresh()->table()->parts;
    expect($parts)->toHaveCount(2)->and($stack->table()->aside)->toHaveCount(1);
    step($stack, 'name', ['to' => $parts[1]->key, 'value' => 'Well report'])->assertOk()->assertSee('Well report');
    $before = $file->papers()->count();
    $original = $upload->paper;
    $press = fn () => $this->as('tomas')->post("/stacks/{$stack->key}/file", ['seen' => $stack->step, 'take_away' => '1']);
    $this->seeAll();
    $stack->refresh();
    $press()->assertRedirect("/files/{$file->key}")->assertSessionMissing('refused');
    $press()->assertRedirect("/files/{$file->key}");
    $this->seeAll();
    expect($file->papers()->count())->toBe($before + 2)->and($original->refresh()->state)->toBe(PaperState::Void);
    $well = $file->papers()->where('title', 'Well report')->sole()->load('latest');
    expect($well->latest->pages)->toBe(2);
    $pdf = (string) $this->as('tomas')->get("/papers/{$well->key}/pdf")->getContent();
    $scratch = new Scratch();
    $text = (new NativeTool())->run(['pdftotext', $scratch->put('well.pdf', $pdf), '-']);
    expect($text)->toContain('Well report page 1 of 2')->not->toContain('Survey');
    // Turned upright, and only those two.
    expect((new NativeTool())->run(['pdfinfo', '-l', '2', $scratch->path('well.pdf')]))->toMatch('/Page\s+1 rot:\s+0/');
    step($stack, 'undo')->assertStatus(409)->assertSee(IntakeRefusal::TableSettled->words());
    $this->as('tomas')->get("/stacks/{$stack->key}")->assertSee('These pages were filed');
    $this->as('tomas')->get("/files/{$file->key}/history")->assertSee('placed as Well report');
});

it('undoes without end, also the next day, and goes on from there', function () {
    $file = $this->aFile();
    $upload = uploadedStack($file);
    $this->as('tomas')->post("/files/{$file->key}/uploads/{$upload->key}/sort");
    $this->seeAll();
    $stack = Stack::query()->sole();
    foreach ([['cut', ['to' => '1.4']], ['turn', ['pages' => ['1.5'], 'degrees' => 90]], ['aside', ['pages' => ['1.4']]]] as [$do, $with]) {
        step($stack, $do, $with)->assertOk();
    }
    step($stack, 'cut', ['to' => '1.1'])->assertOk();
    expect($stack->refresh()->step)->toBe(3);
    $this->travel(2)->days();
    foreach ([2, 1, 0, 0] as $at) {
        step($stack, 'undo')->assertOk();
        $this->seeAll();
        expect($stack->refresh()->step)->toBe($at);
    }
    expect($stack->table()->parts)->toHaveCount(1);
    step($stack, 'redo');
    step($stack, 'redo');
    $this->seeAll();
    expect($stack->refresh()->table()->parts[1]->pages[1]->turn)->toBe(90);
    step($stack, 'join', ['to' => $stack->table()->parts[1]->key])->assertOk();
    step($stack, 'redo')->assertOk();
    $this->seeAll();
    expect($stack->refresh()->step)->toBe(3)->and($stack->table()->parts)->toHaveCount(1);
    // What another tab sees has changed meanwhile: nothing is done by it, and it is told.
    test()->as('tomas')->post("/stacks/{$stack->key}/steps", ['seen' => 0, 'do' => 'cut', 'to' => '1.2'])
        ->assertStatus(409)->assertSee(IntakeRefusal::TableChanged->words());
    step($stack, 'cut', ['to' => '9.9'])->assertStatus(409)->assertSee(IntakeRefusal::NotOnTheTable->words());
    test()->as('tomas')->postJson("/stacks/{$stack->key}/steps", ['seen' => 3, 'do' => 'burn'])->assertUnprocessable();
});

it('takes a filed paper apart and leaves it where it is', function () {
    $file = $this->aFile();
    $upload = uploadedStack($file);
    $paper = $upload->paper;
    $this->as('tomas')->get("/papers/{$paper->key}")->assertSee('Take its pages apart');
    $this->as('tomas')->post("/papers/{$paper->key}/sort")->assertRedirect();
    $this->seeAll();
    $stack = Stack::query()->sole();
    step($stack, 'aside', ['pages' => ['1.2', '1.3', '1.4', '1.5', '1.6']]);
    $this->as('tomas')->post("/stacks/{$stack->key}/file", ['seen' => 1])->assertSessionMissing('refused');
    $this->seeAll();
    expect($paper->refresh()->state)->toBe(PaperState::Ready)
        ->and(Paper::query()->where('key', $stack->refresh()->filed[0]['paper'])->sole()->load('latest')->latest->pages)->toBe(1);
    $form = $this->paper($file, 'M-102')->key;
    $this->as('tomas')->post("/papers/{$form}/sort")->assertSessionHas('reason', IntakeRefusal::NotInFile->value);
});

it('sorts what came by mail, of several emails on one table, into the file that is chosen', function () {
    $file = $this->aFile();
    $brokerage = $this->people['tomas']->brokerage_id;
    foreach (['One', 'Two'] as $subject) {
        $this->seeAll();
        app(TakeMail::class)($brokerage, "From: x@y.example\r\nTo: p@q.example\r\nSubject: {$subject}\r\nMessage-ID: <{$subject}@x>\r\n".
            "Content-Type: application/pdf; name={$subject}.pdf\r\nContent-Transfer-Encoding: base64\r\n\r\n".
            chunk_split(base64_encode($subject === 'One' ? stackPdf() : MadePdf::page(MadePdf::text(72, 700, 'Letter of credit')))));
    }
    $this->seeAll();
    $keys = InboundItem::query()->pluck('key')->all();
    $this->as('tomas')->post('/inbox/sort', ['items' => $keys])->assertNotFound();
    $this->as('wendell')->post('/inbox/sort', ['items' => []])->assertSessionHasErrors('items');
    $this->as('wendell')->post('/inbox/sort', ['items' => $keys])->assertRedirect();
    $this->as('wendell')->post('/inbox/sort', ['items' => $keys])->assertRedirect();
    $this->seeAll();
    $stack = Stack::query()->whereRaw('jsonb_array_length(items) = 2')->sole();
    $this->as('wendell')->get("/stacks/{$stack->key}")->assertOk()->assertSee('being prepared');
    $this->as('tomas')->get("/stacks/{$stack->key}")->assertNotFound();
    step($stack, 'undo', [], 'wendell')->assertStatus(409);
    $this->work();
    expect($stack->refresh()->sources)->toHaveCount(2)->and($stack->isRead())->toBeTrue();
    // Each letter has been read by itself before anyone looked.
    $this->as('wendell')->get('/office/inbox')->assertSee('6 pages. Seems to be');
    step($stack, 'take-sure', [], 'wendell')->assertOk();
    $this->as('wendell')->post("/stacks/{$stack->key}/file", ['seen' => $stack->refresh()->step])
        ->assertSessionHas('reason', IntakeRefusal::NoFileForPart->value);
    step($stack, 'file', ['to' => '', 'value' => 'nowhere at all'], 'wendell')
        ->assertStatus(409)->assertSee(FileRefusal::NotAFileOfYours->words());
    step($stack, 'file', ['to' => '', 'value' => $file->name], 'wendell')->assertOk()->assertSee($file->name);
    $this->seeAll();
    $this->as('wendell')->post("/stacks/{$stack->key}/file", ['seen' => $stack->refresh()->step])
        ->assertRedirect("/files/{$file->key}")->assertSessionMissing('refused');
    $this->seeAll();
    expect(InboundItem::query()->whereNull('settled_at')->count())->toBe(0)
        ->and(DB::table('history')->where('what', 'Mail filed')->count())->toBe(2);
    $this->as('wendell')->post('/inbox/sort', ['items' => $keys])->assertSessionHas('reason', IntakeRefusal::SettledMeanwhile->value);
    // Another table on which one of them lies files nothing again.
    $this->seeAll();
    $own = Stack::query()->whereRaw('jsonb_array_length(items) = 1')->firstOrFail();
    step($own, 'file', ['to' => '', 'value' => $file->name], 'wendell')->assertOk();
    $this->seeAll();
    $this->as('wendell')->post("/stacks/{$own->key}/file", ['seen' => $own->refresh()->step])
        ->assertSessionHas('reason', IntakeRefusal::SettledMeanwhile->value);
});

it('shows a table of several letters to whoever may see all of them, and to nobody else', function () {
    $code = (string) DB::table('users')->where('id', $this->people['tomas']->id)->value('mail_code');
    $mine = mailArrivesTo("t.{$code}@p.example", 'For Tomas');
    $other = mailArrivesTo('papers@p.example', 'For anybody');
    $this->as('wendell')->post('/inbox/sort', ['items' => [$mine->key, $other->key]])->assertRedirect();
    $this->seeAll();
    $stack = Stack::query()->whereRaw('jsonb_array_length(items) = 2')->sole();
    $this->as('wendell')->get("/stacks/{$stack->key}")->assertOk();
    $this->as('tomas')->get("/stacks/{$stack->key}")->assertNotFound();
    Sight::ofPerson($this->people['tomas']);
    expect(DB::table('stacks')->where('id', $stack->id)->exists())->toBeFalse();
});

it('refuses what is no stack in the same words as everywhere, from the command line', function () {
    $scratch = new Scratch();
    expect(Artisan::call('stack:propose', ['file' => $scratch->put('words.pdf', 'no PDF at all')]))->toBe(1)
        ->and(Artisan::call('stack:propose', ['file' => $scratch->path('nothing.pdf')]))->toBe(1)
        ->and(Artisan::call('stack:propose', ['file' => $scratch->put('one.pdf', MadePdf::page(MadePdf::text(50, 700, 'Words', 12)))]))
        ->toBe(0)
        ->and(json_decode(Artisan::output(), true)['parts'][0]['first'] ?? null)->toBe(1);
});
