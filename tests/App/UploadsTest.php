<?php

declare(strict_types=1);

use App\Models\Upload;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Scratch;

it('takes several files at once, tells each one apart, and knows what was expected', function () {
    $file = $this->aFile();
    $scratch = new Scratch();
    $picture = imagecreatetruecolor(300, 200);
    imagejpeg($picture, $scratch->path('p.jpg'));
    $uploads = [
        new UploadedFile(
            $scratch->put('r.pdf', press()->print([(new Drawing(612, 792))->text(72, 90, 14, 'Earnest Money Receipt')])),
            'scan0007.pdf',
            'application/pdf',
            null,
            true,
        ),
        new UploadedFile($scratch->path('p.jpg'), 'kitchen_wall.jpg', 'image/jpeg', null, true),
        new UploadedFile($scratch->put('n.txt', 'hello'), 'notes.pdf', 'application/pdf', null, true),
    ];
    $answer = $this->as('tomas')
        ->post("/files/{$file->key}/papers", ['papers' => $uploads], ['Accept' => 'application/json'])
        ->assertOk()
        ->json();
    expect($answer['told'])
        ->toHaveCount(2)
        ->and($answer['told'][0])
        ->toContain('It was matched to the expected Earnest money receipt.')
        ->and($answer['told'][1])
        ->toContain('“kitchen wall” is in the file')
        ->and($answer['refused'])
        ->toHaveCount(1)
        ->and($answer['refused'][0])
        ->toStartWith('notes.pdf: This is not a PDF');
    $this->seeAll();
    expect($file->papers()->where('title', 'Earnest money receipt')->sole()->state->value)->toBe('ready');
    $this->as('tomas')
        ->post("/files/{$file->key}/papers", ['papers' => [$uploads[2]]], ['Accept' => 'application/json'])
        ->assertStatus(422);
    $this->as('tomas')
        ->post("/files/{$file->key}/papers", [])
        ->assertSessionHasErrors('pdf');
});

it('keeps what was refused on the file until its uploader lets it go', function () {
    $file = $this->aFile();
    $scratch = new Scratch();
    $this->as('tomas')->post(
        "/files/{$file->key}/papers",
        [
            'key' => 'refused-upload-1',
            'pdf' => new UploadedFile($scratch->put('n.txt', 'hello'), 'notes.pdf', 'application/pdf', null, true),
        ],
        ['Accept' => 'application/json'],
    );
    $see = fn (string $who) => $this->as($who)->get("/files/{$file->key}")->assertOk();
    $see('tomas')->assertSee('notes.pdf: This is not a PDF');
    $see('tomas')->assertSee('notes.pdf: This is not a PDF');
    $see('wendell')->assertDontSee('notes.pdf');
    $this->as('wendell')->delete("/files/{$file->key}/uploads/refused-upload-1")->assertRedirect();
    $see('tomas')->assertSee('notes.pdf: This is not a PDF');
    $this->as('tomas')
        ->delete("/files/{$file->key}/uploads/refused-upload-1", [], ['HX-Request' => 'true'])
        ->assertOk()
        ->assertDontSee('notes.pdf');
    $see('tomas')->assertDontSee('notes.pdf');
});

it('gives single papers out in a ZIP, in their order', function () {
    $file = $this->aFile();
    $answer = $this->as('tomas')
        ->post("/files/{$file->key}/papers.zip", ['papers' => [$this->paper($file, 'M-230')->key, $this->paper($file, 'M-102')->key]])
        ->assertOk()
        ->assertHeader('Content-Type', 'application/zip');
    $zip = new ZipArchive();
    $zip->open($answer->getFile()->getPathname());
    expect($zip->numFiles)
        ->toBe(2)
        ->and($zip->getNameIndex(0))
        ->toBe('01 M-230 Lead-based paint disclosure.pdf')
        ->and(substr((string) $zip->getFromIndex(1), 0, 5))
        ->toBe('%PDF-');
    $zip->close();
    $this->as('tomas')
        ->post("/files/{$file->key}/papers.zip", [])
        ->assertSessionHasErrors('papers');
});

it('tells which papers follow a term and which are signed and would differ', function () {
    $file = $this->aFile();
    $ask = $this->as('tomas')
        ->postJson("/papers/{$this->paper($file, 'M-201')->key}/entries", ['blank' => 'price', 'value' => '399,000', 'key' => 'reach-0001'])
        ->assertOk()
        ->json('ask');
    expect($ask['follow'])->toContain('Financing addendum, government-insured loan')->and($ask['differ'])->toBe([]);
});

it('overwrites nobody unseen: what met is told with both values, and the same entry sent again is no meeting', function () {
    $file = $this->aFile();
    $url = "/papers/{$this->paper($file, 'M-201')->key}/entries";
    $this->as('tomas')
        ->postJson($url, ['blank' => 'seller_status', 'value' => 'married', 'key' => 'met-00001', 'seen' => ''])
        ->assertOk();
    $this->as('tomas')
        ->postJson($url, ['blank' => 'seller_status', 'value' => 'married', 'key' => 'met-00001', 'seen' => ''])
        ->assertOk();
    $this->as('wendell')
        ->postJson($url, ['blank' => 'seller_status', 'value' => 'unmarried', 'key' => 'met-00002', 'seen' => ''])
        ->assertStatus(409)
        ->assertJson(['theirs' => 'married', 'who' => $this->people['tomas']->name]);
    $this->as('wendell')
        ->postJson($url, ['blank' => 'seller_status', 'value' => 'married', 'key' => 'met-00003', 'seen' => ''])
        ->assertOk();
    $this->as('wendell')
        ->postJson($url, ['blank' => 'seller_status', 'value' => 'unmarried', 'key' => 'met-00004', 'seen' => 'married'])
        ->assertOk();
    $this->seeAll();
    expect($this->paper($file, 'M-201')->entries()['seller_status'])->toBe('unmarried');
});

it('takes two entries in a row that were typed without waiting for the answer, and one after a refusal', function () {
    $file = $this->aFile();
    $url = "/papers/{$this->paper($file, 'M-201')->key}/entries";
    $put = fn (string $value, string $key, string $seen) => $this->as('tomas')->postJson($url, [
        'blank' => 'further_earnest',
        'value' => $value,
        'key' => $key,
        'seen' => $seen,
    ]);
    $put('4k', 'row-00001', '')->assertOk();
    $put('5k', 'row-00002', '4k')->assertOk();
    $put('lots', 'row-00003', '5,000')->assertStatus(422);
    $put('6k', 'row-00004', 'lots')->assertOk();
    $put('7k', 'row-00005', '4,000')->assertStatus(409);
});

it('tells who else has a paper open, and how it stands', function () {
    $file = $this->aFile();
    $url = "/papers/{$this->paper($file, 'M-201')->key}/standing";
    expect($this->as('tomas')->getJson($url)->assertOk()->json('here'))
        ->toBe([])
        ->and($this->as('wendell')->getJson($url)->assertOk()->json('here'))
        ->toBe([$this->people['tomas']->name])
        ->and($this->as('tomas')->getJson($url)->json('blanks.price.shown'))
        ->toBe('412,500');
});

it('takes no entries while the paper is with the reviewer, and takes them again when it is sent back', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $file
        ->requirements()
        ->where('paper_id', $paper->id)
        ->update(['review_state' => 'submitted']);
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'excluded', 'value' => 'porch lamp', 'key' => 'review-1'])
        ->assertStatus(409)
        ->assertJsonPath('message', fn (string $told) => str_contains($told, 'with the reviewer'));
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertDontSee('data-blank', false);
    $this->seeAll();
    expect($paper->load('values')->entries())->not->toHaveKey('excluded');
    $file
        ->requirements()
        ->where('paper_id', $paper->id)
        ->update(['review_state' => 'sent_back']);
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'excluded', 'value' => 'porch lamp', 'key' => 'review-1'])
        ->assertOk();
});

it('gives a paper as text, to whoever works on it and to whoever signs it now, and to nobody else', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $this->as('tomas')
        ->get("/papers/{$paper->key}/text")
        ->assertOk()
        ->assertSee('Sunniva Eide')
        ->assertSee(': left blank)')
        ->assertSee('(not checked)')
        ->assertSee('Page 8');
    $this->as('priya')
        ->get("/papers/{$paper->key}/text")
        ->assertNotFound();
    $this->seeAll();
    $round = $this->aRound($this->aFile());
    Auth::forgetGuards();
    $this->get('/sign/'.$this->signer($round, 'buyer.1')->token().'/papers/0/text')
        ->assertOk()
        ->assertSee('Page 1')
        ->assertSee('signs here)')
        ->assertDontSee('Page 8');
    $this->get('/sign/'.$this->signer($round, 'agent.1')->token().'/papers/0/text')->assertNotFound();
    $this->get('/sign/'.$this->signer($round, 'buyer.1')->token().'/papers/7/text')->assertNotFound();
});

function printedForm(object $case, object $file, string $number): string
{
    return $case->as('tomas')->get("/papers/{$case->paper($file, $number)->key}/pdf")->assertOk()->getContent();
}

function uploaded(object $case, object $file, string $name, string $pdf): void
{
    $scratch = new Scratch();
    $one = new UploadedFile($scratch->put('one.pdf', $pdf), $name, 'application/pdf', null, true);
    $case->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => $one, 'key' => 'up-'.md5($name)], ['Accept' => 'application/json'])
        ->assertOk();
    $case->seeAll();
}

it('proposes the row of a form that comes back, places it there in one step, and moves it on', function () {
    $file = $this->aFile();
    $agreement = $this->paper($file, 'M-201');
    $lead = $this->paper($file, 'M-230');
    $scratch = new Scratch();
    $scan = press()->print([(new Drawing(612, 792))->text(72, 90, 14, 'no words that tell')]);
    $one = new UploadedFile($scratch->put('a.pdf', $scan), "{$agreement->title}.pdf", 'application/pdf', null, true);
    $this->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => $one, 'key' => 'place-0001'], ['Accept' => 'application/json'])
        ->assertOk();
    $this->as('tomas')->get("/files/{$file->key}")->assertOk()->assertSee('Check where your uploads go')->assertSee('looks like the '.
        "{$agreement->title}");
    // Nobody else is asked, and nobody else's answer counts.
    $this->as('wendell')->get("/files/{$file->key}")->assertOk()->assertDontSee('Check where your uploads go');
    $this->as('wendell')->post("/files/{$file->key}/placing", ['to' => ['place-0001' => $agreement->key]])->assertRedirect();
    $this->seeAll();
    $own = Upload::query()->where('key', 'place-0001')->sole()->paper;
    expect($agreement->fresh()->state->value)->toBe('draft')->and($own->state->value)->toBe('ready');

    $place = fn (string $key) => $this
        ->as('tomas')
        ->post("/files/{$file->key}/placing", ['to' => ['place-0001' => $key]])
        ->assertRedirect();
    $place($agreement->key);
    $this->seeAll();
    expect($agreement->fresh()->state->value)
        ->toBe('signed')
        ->and($agreement->fresh()->latest->sha256)
        ->toBe($own->latest->sha256)
        ->and($own->fresh()->state->value)
        ->toBe('void');
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('Check where your uploads go');

    // Asked again by hand, as after a mistake: the first row is as it was.
    Upload::query()->where('key', 'place-0001')->update(['is_question' => true]);
    $place($lead->key);
    $this->seeAll();
    expect($agreement->fresh()->state->value)
        ->toBe('draft')
        ->and($agreement->fresh()->latest_version_id)
        ->toBeNull()
        ->and($lead->fresh()->state->value)
        ->toBe('signed');
    // With the reviewer it stays.
    Upload::query()->where('key', 'place-0001')->update(['is_question' => true]);
    $lead->requirement()->update(['review_state' => 'submitted']);
    $place('')->assertSessionHas('refused');
    $this->seeAll();
    expect($lead->fresh()->state->value)->toBe('signed');
});

it('sees that one PDF holds several forms, and puts each at its row', function () {
    $file = $this->aFile();
    $scratch = new Scratch();
    foreach (['M-201', 'M-230'] as $at => $number) {
        $scratch->put("{$at}.pdf", printedForm($this, $file, $number));
    }
    exec("qpdf --empty --pages {$scratch->path('0.pdf')} {$scratch->path('1.pdf')} -- {$scratch->path('all.pdf')}", $said, $code);
    uploaded($this, $file, 'scan 77.pdf', (string) file_get_contents($scratch->path('all.pdf')));
    $upload = Upload::query()->where('name', 'scan 77.pdf')->sole();
    expect(array_map(fn ($part) => $part->form, $upload->stack()))->toBe(['M-201', 'M-230']);
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Separate the 2 papers in it')->assertSee('Lead-based paint '.
        'disclosure (page');
    $this->as('tomas')
        ->post("/files/{$file->key}/placing", ['to' => [$upload->key => ''], 'apart' => [$upload->key]])
        ->assertRedirect();
    $this->seeAll();
    [$first, $second] = [$this->paper($file, 'M-201')->fresh(), $this->paper($file, 'M-230')->fresh()];
    expect($first->state->value)
        ->toBe('signed')
        ->and($second->state->value)
        ->toBe('signed')
        ->and($first->latest->pages + $second->latest->pages)
        ->toBe($upload->paper->latest->pages)
        ->and($second->latest->reading['form'])
        ->toBe('M-230')
        ->and($upload->paper->fresh()->state->value)
        ->toBe('void');
});

it('calls by its heading what was matched to a row and is a paper of its own', function () {
    $file = $this->aFile();
    $page = (new Drawing(612, 792))->text(72, 90, 22, 'EARNEST MONEY RECEIPT NO 5')
        ->text(72, 140, 10, 'Received of the buyer by check today.');
    uploaded($this, $file, 'scan0044.pdf', press()->print([$page]));
    $upload = Upload::query()->where('name', 'scan0044.pdf')->sole();
    expect($upload->paper->title)->toBe('Earnest money receipt')->and($upload->before_state)->not->toBeNull();
    $this->as('tomas')->post("/files/{$file->key}/placing", ['to' => [$upload->key => '']])->assertSessionMissing('refused');
    $this->seeAll();
    $own = $upload->refresh()->paper;
    expect($own->title)->toBe('Earnest money receipt no 5')->and($own->reason)->toBe('uploaded');
});
