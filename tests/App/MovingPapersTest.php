<?php

declare(strict_types=1);

use App\Models\Contact;
use App\Models\DealFile;
use App\Models\Import;
use App\Models\MovedLine;
use App\Models\MovedPaper;
use App\Models\Paper;
use App\Models\Requirement;
use App\Models\Role;
use App\Models\RosterCase;
use App\Models\Task;
use App\Models\User;
use App\Moving\Jobs\BringPapers;
use App\Storage\Bytes;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Support\AppCase;
use Tests\Support\MadePdf;
use Unanimus\Exchange\ExchangeRefusal;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Moving\MovingRefusal;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Review\ReviewState;

/** @param  array<string, string>  $files */
function parcelFile(array $files): UploadedFile
{
    $scratch = new Scratch();
    $zip = new ZipArchive();
    $zip->open($scratch->path('p.zip'), ZipArchive::CREATE);
    foreach ($files as $name => $bytes) {
        $zip->addFromString($name, $bytes);
    }
    $zip->close();

    return UploadedFile::fake()->createWithContent('Old records.zip', $scratch->get('p.zip'));
}

function parcelPage(string $text): string
{
    return MadePdf::page(MadePdf::text(72, 700, $text, 12));
}

/** A parcel brought in and tried by someone. @param  array<string, string>  $files */
function broughtAlong(string $who, array $files): Import
{
    /** @var AppCase $test */
    $test = test();
    $test->as($who)->post('/imports', ['table' => parcelFile($files)])->assertRedirect()->assertSessionMissing('refused');
    $test->work();
    $import = Import::query()->orderByDesc('id')->firstOrFail();
    $test->as($who)->put("/imports/{$import->key}/try", ['matched' => $import->matched, 'office' => $import->office->key])
        ->assertSessionHas('told');
    $test->work();

    return $import->refresh();
}

const FILES_CSV = "Address;Agent;Side;Buyer;Accepted;Closing\r\n".
    "1 Ropewalk Lane, Pellingford;Priya Anand;buyer;Mira Ashdown;11/2/2026;12/18/2026\r\n".
    "5 Cooper Court, Tidewick;Priya Anand;buyer;Dov Eide;;\r\n";

it('moves files in with their documents: matched, tried without effect, then at their lines, accepted as they were', function () {
    $import = broughtAlong('ines', [
        'files.csv' => FILES_CSV,
        'documents.csv' => "Folder,Document,Checklist,Approved on,Approved by\n".
            "1 Ropewalk Ln,scan 4.pdf,Agency disclosure,11/5/2026,R. Ostrow\n".
            "1 Ropewalk Ln,gone.pdf,,,\n",
        'tasks.csv' => "Property,Task,Due,Completed\n1 Ropewalk Lane,Order survey,12/1/2026,\n".
            "1 Ropewalk Lane,Call the lender,,11/10/2026\n".
            "9 Nowhere Street,Anything,,\n",
        '1 Ropewalk Ln/scan 4.pdf' => parcelPage('Signed disclosure of agency'),
        '1 Ropewalk Ln/Inspection/Radon letter.pdf' => parcelPage('Radon'),
        '1 Ropewalk Ln/Inspection/Zweite copy.pdf' => parcelPage('Radon'),
        '1 Ropewalk Ln/broken.pdf' => 'this is no PDF',
        'Unknown house/deed.pdf' => parcelPage('Deed'),
    ]);
    expect(DealFile::query()->count())->toBe(0)
        ->and(MovedPaper::query()->get()->map(fn ($one) => [basename($one->path), $one->row_number, $one->told])->all())
        ->toEqualCanonicalizing([
            ['broken.pdf', 2, 'A document of its own, unless its first page says more.'],
            ['Zweite copy.pdf', 2, 'A document of its own, unless its first page says more.'],
            ['Radon letter.pdf', 2, 'A document of its own, unless its first page says more.'],
            ['scan 4.pdf', 2, 'By its name: Agency disclosure.'],
            ['deed.pdf', null, 'No row matches this folder.'],
        ])
        ->and(MovedLine::query()->where('outcome', 'refused')->pluck('told')->all())->toEqualCanonicalizing([
            'There is no such document in what came along.', 'No row matches this file.',
        ]);
    $this->as('ines')->get("/imports/{$import->key}")->assertOk()->assertSee('5 documents came along');
    $this->as('ines')->get("/imports/{$import->key}/papers")->assertOk()->assertSee('Unknown house')
        ->assertSee('By its name: Agency disclosure.');

    $this->as('ines')->post("/imports/{$import->key}/start")->assertSessionHas('told');
    $this->work();
    $this->work();
    $file = DealFile::query()->where('name', 'like', '1 Ropewalk%')->sole();
    $line = Requirement::query()->where(['deal_file_id' => $file->id, 'title' => 'Agency disclosure'])->sole();
    expect($line->review_state)->toBe(ReviewState::Accepted)
        ->and($line->moved_in)->toBe('by R. Ostrow on Nov 5, 2026, before you moved in')
        ->and($line->paper->latest->note)->toContain('scan 4.pdf')
        ->and($line->paper->state)->toBe(PaperState::Signed)
        ->and(Paper::query()->where(['deal_file_id' => $file->id, 'title' => 'Radon letter'])->sole()->state)->toBe(PaperState::Ready)
        ->and(MovedPaper::query()->get()->mapWithKeys(fn ($one) => [basename($one->path) => $one->outcome])->all())
        ->toEqualCanonicalizing(['broken.pdf' => 'refused', 'Zweite copy.pdf' => 'refused', 'Radon letter.pdf' => 'taken',
            'scan 4.pdf' => 'taken', 'deed.pdf' => 'waiting'])
        ->and(MovedPaper::query()->where('path', 'like', '%copy.pdf')->value('told'))->toContain('It is the same as')
        ->and(MovedPaper::query()->where('path', 'like', '%broken.pdf')->value('told'))->toContain('not a PDF');
    expect(Task::query()->where('deal_file_id', $file->id)->where('title', 'Order survey')->sole()->due?->iso())->toBe('2026-12-01')
        ->and(Task::query()->where('deal_file_id', $file->id)->where('title', 'Call the lender')->sole())
        ->moved_in->toBe('on Nov 10, 2026, before you moved in')->done_by->toBeNull();
    $this->as('ines')->get("/files/{$file->key}")->assertOk()->assertSee('before you moved in');
    $this->as('ines')->get("/files/{$file->key}/history")->assertOk()->assertSee('was accepted by R. Ostrow');
    $report = $this->as('ines')->get("/imports/{$import->key}/papers.csv?only=left")->streamedContent();
    expect($report)->toContain('broken.pdf')->toContain('deed.pdf')->toContain('9 Nowhere Street')->not->toContain('scan 4.pdf');
});

it('lets only a broker of the office bring in what was accepted earlier', function () {
    $import = broughtAlong('wendell', [
        'files.csv' => FILES_CSV,
        'documents.csv' => "Folder,Document,Checklist,Approved on\n1 Ropewalk Ln,a.pdf,Agency disclosure,11/5/2026\n",
        '1 Ropewalk Ln/a.pdf' => parcelPage('x'),
    ]);
    $this->as('wendell')->post("/imports/{$import->key}/start");
    $this->work();
    $line = Requirement::query()->where('title', 'Agency disclosure')->whereNotNull('paper_id')
        ->whereHas('paper', fn ($paper) => $paper->where('state', PaperState::Signed))->sole();
    expect($line->review_state)->toBe(ReviewState::NotSubmitted)
        ->and($line->moved_in)->toBe('')
        ->and(MovedLine::query()->value('told'))->toContain('Only a broker');
});

it('takes each document once, though the work is killed and begun again, and goes on with folders matched later', function () {
    $import = broughtAlong('ines', [
        'files.csv' => FILES_CSV,
        '1 Ropewalk Ln/a.pdf' => parcelPage('a'),
        'old house/b.pdf' => parcelPage('b'),
    ]);
    $this->as('ines')->post("/imports/{$import->key}/start");
    $this->work();
    expect(MovedPaper::query()->orderBy('id')->pluck('outcome', 'path')->all())
        ->toBe(['1 Ropewalk Ln/a.pdf' => 'taken', 'old house/b.pdf' => 'waiting']);
    foreach ([1, 2] as $ignored) {
        BringPapers::begin($import->brokerage_id, $import->id);
        $this->work();
    }
    $this->as('ines')->put("/imports/{$import->key}/folders", ['folder' => 'old house', 'row' => 99])
        ->assertSessionHas('reason', MovingRefusal::NoSuchRow->value);
    $this->as('ines')->put("/imports/{$import->key}/folders", ['folder' => 'old house', 'row' => 3])->assertSessionHas('told');
    $this->work();
    $file = DealFile::query()->where('name', 'like', '5 Cooper%')->sole();
    expect(MovedPaper::query()->where('outcome', 'taken')->count())->toBe(2)
        ->and(Paper::query()->where(['deal_file_id' => $file->id, 'title' => 'b'])->count())->toBe(1)
        ->and(Paper::query()->where('title', 'a')->count())->toBe(1);
});

it('invites people and keeps contacts of the lists, each once, and says who could not be', function () {
    $this->as('fenna')->post('/imports', ['table' => parcelFile(['files.csv' => FILES_CSV])])->assertForbidden();
    $import = broughtAlong('ines', [
        'files.csv' => FILES_CSV,
        'people.csv' => "Name,Email,Role\nNadia Quist,nadia@quillmark.example,agent\nBo Lund,bo@quillmark.example,wizard\n".
            "Cy Dahl,cy@quillmark.example,administrator\nPriya Anand,priya@quillmark.example,agent\n",
        'contacts.csv' => "Company,Contact,Email,Type\nSaltmarsh Title,Orla Finch,orla@saltmarsh.example,escrow\n".
            ",Tam Berg,no address,lender\n",
    ]);
    $this->as('ines')->post("/imports/{$import->key}/people", ['kind' => 'people'])->assertSessionHas('told');
    $this->as('ines')->post("/imports/{$import->key}/people", ['kind' => 'contacts'])->assertSessionHas('told');
    $this->work();
    $this->as('ines')->post("/imports/{$import->key}/people", ['kind' => 'people']);
    $this->work();
    expect(User::query()->where('email', 'nadia@quillmark.example')->sole()->holds(Role::Agent))->toBeTrue()
        ->and(DB::table('letters')->where('recipient', 'nadia@quillmark.example')->count())->toBe(1)
        ->and(User::query()->whereIn('email', ['bo@quillmark.example', 'cy@quillmark.example'])->count())->toBe(0)
        ->and(Contact::query()->where('email', 'orla@saltmarsh.example')->sole())->firm->toBe('Saltmarsh Title')->role->toBe('escrow')
        ->and(Contact::query()->where('name', 'Tam Berg')->count())->toBe(0)
        ->and(MovedLine::query()->where('outcome', 'done')->count())->toBe(2);
    $this->as('ines')->post("/imports/{$import->key}/people", ['kind' => 'tasks'])->assertSessionHasErrors('kind');
});

it('opens nothing while documents are still being read, and refuses broken and empty ZIPs in words', function () {
    $this->as('ines')->post('/imports', ['table' => parcelFile(['files.csv' => FILES_CSV, '1 Ropewalk Ln/a.pdf' => parcelPage('a')])]);
    $this->seeAll();
    $import = Import::query()->sole();
    $this->as('ines')->post("/imports/{$import->key}/start")->assertSessionHas('reason', ExchangeRefusal::NotTested->value);
    $this->as('ines')->put("/imports/{$import->key}/try", ['matched' => $import->matched, 'office' => $import->office->key]);
    $this->as('ines')->post("/imports/{$import->key}/start")->assertSessionHas('reason', MovingRefusal::StillReading->value);
    $this->as('ines')->get("/imports/{$import->key}")->assertSee('still being');
    $this->as('ines')->post('/imports', ['table' => parcelFile(['a/b.pdf' => 'x'])])
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'no spreadsheet beside its folders'));
    $this->seeAll();
    expect(Import::query()->count())->toBe(1);
});

it('reads a folder of the server by command, and goes on where it was cut off', function () {
    $scratch = new Scratch();
    mkdir($scratch->path('Old office'));
    mkdir($scratch->path('Old office/1 Ropewalk Ln'));
    file_put_contents($scratch->path('Old office/files.csv'), FILES_CSV);
    file_put_contents($scratch->path('Old office/1 Ropewalk Ln/a.pdf'), parcelPage('a'));
    file_put_contents($scratch->path('Old office/1 Ropewalk Ln/b.pdf'), parcelPage('b'));
    expect(Artisan::call('files:move-in', ['from' => $scratch->path('Old office'), '--as' => 'marguerite@quillmark.example']))->toBe(1)
        ->and(Artisan::call('files:move-in', ['from' => $scratch->path('nowhere'), '--as' => 'ines@quillmark.example']))->toBe(1)
        ->and(Artisan::call('files:move-in', ['from' => $scratch->path('Old office'), '--as' => 'ines@quillmark.example']))->toBe(0);
    $this->seeAll();
    $import = Import::query()->sole();
    MovedPaper::query()->where('path', 'like', '%b.pdf')->update(['outcome' => 'unread', 'sha256' => null]);
    expect(Artisan::call('files:move-in', ['from' => $scratch->path('Old office'), '--as' => 'ines@quillmark.example']))->toBe(0);
    $this->seeAll();
    expect(Import::query()->sole()->id)->toBe($import->id)
        ->and(MovedPaper::query()->whereNotNull('sha256')->where('outcome', 'waiting')->whereNotNull('row_number')->count())->toBe(2);
});

it('lets go of the ZIP and the spreadsheet once their files are opened, and not before', function () {
    $import = broughtAlong('ines', ['files.csv' => FILES_CSV, '1 Ropewalk Ln/a.pdf' => parcelPage('a')]);
    $names = [$import->sha256, $import->parcel_sha256];
    DB::update("UPDATE blobs SET kept_at = now() - interval '3 days'");
    $old = fn () => DB::update("UPDATE imports SET updated_at = now() - interval '2 days'");
    $old();
    Artisan::call('moving:sweep');
    $this->seeAll();
    expect($import->refresh()->parcel_sha256)->toBe($names[1]);
    $this->as('ines')->post("/imports/{$import->key}/start");
    $this->work();
    $old();
    expect(Artisan::call('moving:sweep'))->toBe(0);
    $this->seeAll();
    expect([$import->refresh()->sha256, $import->parcel_sha256])->toBe([null, null])
        ->and(DB::table('blobs')->whereIn('sha256', $names)->count())->toBe(0)
        ->and(MovedPaper::query()->sole()->outcome)->toBe('taken');
});

it('shows nobody what another brings along', function () {
    $import = broughtAlong('ines', ['files.csv' => FILES_CSV, '1 Ropewalk Ln/a.pdf' => parcelPage('a')]);
    foreach ([['GET', 'papers'], ['GET', 'papers/progress'], ['GET', 'papers.csv'], ['PUT', 'folders'], ['POST', 'papers'],
        ['POST', 'people']] as [$method, $path]) {
        $this->as('priya')
            ->call($method, "/imports/{$import->key}/{$path}", ['folder' => 'x', 'row' => 2, 'kind' => 'people'])
            ->assertNotFound();
    }
});

it('gives a choice of files with all of their documents, of each what the person sees', function () {
    [$one, $other] = [$this->aFile(), $this->aFile()];
    $sheet = $this->paper($one, 'M-102');
    $this->as('tomas')->post('/files.zip', [])->assertSessionHasErrors('take');
    $answer = $this->as('tomas')->post('/files.zip', ['take' => [$one->key, $other->key]])->assertOk();
    $scratch = new Scratch();
    $zip = new ZipArchive();
    expect($zip->open($scratch->put('a.zip', $answer->streamedContent()), ZipArchive::CHECKCONS))->toBeTrue();
    $names = array_map(fn (int $at) => (string) $zip->getNameIndex($at), range(0, $zip->numFiles - 1));
    $root = collect($names)->first(fn (string $name) => str_contains($name, $one->key) && str_ends_with($name, '/terms.json'));
    expect($root)->not->toBeNull()
        ->and(json_decode((string) $zip->getFromName((string) $root), true))->toBeArray()
        ->and(collect($names)->filter(fn (string $name) => str_ends_with($name, '/dates.ics'))->count())->toBe(2)
        ->and($zip->getFromName(str_replace('terms.json', 'terms.csv', (string) $root)))->toContain('Term,Value,From')
        ->and($zip->getFromName('bagit.txt'))->toContain('BagIt-Version')
        ->and($sheet->exists)->toBeTrue();
    foreach (explode("\n", trim((string) $zip->getFromName('manifest-sha256.txt'))) as $line) {
        [$hash, $path] = explode('  ', $line, 2);
        expect(hash('sha256', (string) $zip->getFromName($path)))->toBe($hash, $path);
    }
    // What the person may not see is not asked for by its key.
    $this->seeAll();
    $this->as('priya')->post('/files.zip', ['take' => [$one->key]]);
    expect(DealFile::query()->where('key', $one->key)->count())->toBe(0);
});

it('gives who leaves their own copy, and nobody else', function () {
    $this->seeAll();
    $file = $this->aFile();
    $person = $this->people['tomas'];
    $this->as('dario')->post('/office/roster', ['kind' => 'leaving', 'person' => $person->key,
        'office' => $person->officeRoles->firstOrFail()->office->key, 'day' => $this->day(10)])->assertSessionHas('told');
    $this->seeAll();
    $case = RosterCase::query()->where('user_id', $person->id)->sole();
    foreach (['tomas' => 200, 'dario' => 200, 'priya' => 404, 'wendell' => 404, 'marguerite' => 404] as $who => $status) {
        $this->as($who)->get("/office/roster/{$case->key}/files.zip")->assertStatus($status);
    }
    expect($this->as('tomas')->get("/office/roster/{$case->key}/files.zip")->streamedContent())->toContain($file->key);
});

it('is not held up by one document that nobody foresaw', function () {
    $import = broughtAlong('ines', [
        'files.csv' => FILES_CSV,
        '1 Ropewalk Ln/a.pdf' => parcelPage('a'),
        '5 Cooper Court/b.pdf' => parcelPage('b'),
    ]);
    $import->lines()->update(['outcome' => 'opened', 'deal_file_id' => null]);
    $import->lines()->where('number', 3)->update(['deal_file_id' => $this->aFile()->id]);
    $import->update(['state' => 'done']);
    BringPapers::begin($import->brokerage_id, $import->id);
    $this->work();
    expect(MovedPaper::query()->orderBy('id')->pluck('outcome')->all())->toBe(['refused', 'taken'])
        ->and(MovedPaper::query()->orderBy('id')->value('told'))->toContain('by hand');
    // Once what was in its way is gone it is tried again, and nothing else is.
    $this->as('ines')->get("/imports/{$import->key}/papers")->assertSee('Try what was not taken again');
    $this->seeAll();
    $import->lines()->where('number', 2)->update(['deal_file_id' => $this->aFile()->id]);
    $this->as('tomas')->post("/imports/{$import->key}/papers", ['again' => 1])->assertNotFound();
    $this->as('ines')->post("/imports/{$import->key}/papers", ['again' => 1])->assertRedirect();
    $this->work();
    $this->seeAll();
    expect(MovedPaper::query()->orderBy('id')->pluck('outcome')->all())->toBe(['taken', 'taken']);
});

it('keeps to what a person said of a folder, also of one that is called by a number', function () {
    $import = broughtAlong('ines', [
        'files.csv' => FILES_CSV,
        'documents.csv' => "Folder,Document,Checklist\n1 Ropewalk Ln,a.pdf,Agency disclosure\n",
        '1024/a.pdf' => parcelPage('a'),
        '2048/b.pdf' => parcelPage('b'),
    ]);
    foreach (['1024' => 3, '2048' => 2] as $folder => $row) {
        $this->as('ines')->put("/imports/{$import->key}/folders", ['folder' => (string) $folder, 'row' => $row])->assertSessionHas('told');
    }
    $this->seeAll();
    expect(MovedPaper::query()->orderBy('id')->pluck('row_number', 'path')->all())->toBe(['1024/a.pdf' => 3, '2048/b.pdf' => 2]);
});

it('gives of a signed paper its own pages, not the set it was signed in', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->seeAll();
    $set = app(Press::class)->print([
        (new Drawing(612, 792))->text(60, 90, 18, 'Another paper'),
        (new Drawing(612, 792))->text(60, 90, 18, 'This paper'),
    ]);
    $paper->addVersion(app(Bytes::class)->keep($file->brokerage_id, $set), 1, MadeBy::Signed, firstPage: 2);
    $paper->moveTo(PaperState::Signed);
    $scratch = new Scratch();
    $zip = new ZipArchive();
    $zip->open($scratch->put('a.zip', $this->as('tomas')->post('/files.zip', ['take' => [$file->key]])->streamedContent()));
    $names = array_map(fn (int $at) => (string) $zip->getNameIndex($at), range(0, $zip->numFiles - 1));
    $pdf = collect($names)->first(fn (string $name) => str_contains($name, 'M-102') && str_ends_with($name, '.pdf'));
    $text = (string) shell_exec('pdftotext '.escapeshellarg($scratch->put('p.pdf', (string) $zip->getFromName((string) $pdf))).' -');
    expect($text)->toContain('This paper')->not->toContain('Another paper');
});
