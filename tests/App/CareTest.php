<?php

declare(strict_types=1);

use App\Models\Paper;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\PaperRefusal;
use Unanimus\Forms\FormRefusal;
use Unanimus\Forms\Xfdf;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Scratch;

$pdf = static function (string $text): UploadedFile {
    $path = tempnam(sys_get_temp_dir(), 'care');
    file_put_contents($path, press()->print([(new Drawing(612, 792))->text(72, 90, 14, $text)]));

    return new UploadedFile($path, "{$text}.pdf", 'application/pdf', null, true);
};

it('renames a paper and moves it to another stage', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')
        ->put("/papers/{$paper->key}", ['title' => '  Agency   paper ', 'stage' => 'offer'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($paper->refresh()->title)
        ->toBe('Agency paper')
        ->and($paper->stage)
        ->toBe('offer')
        ->and($paper->requirement->title)
        ->toBe('Agency paper');
    $this->as('tomas')
        ->put("/papers/{$paper->key}", ['title' => 'x', 'stage' => 'nowhere'])
        ->assertSessionHas('reason', PaperRefusal::NoName->value);
});

it('puts the scan of a paper signed on paper over the form, and keeps what was', function () use ($pdf) {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')
        ->post("/papers/{$paper->key}/versions", ['file' => $pdf('Signed scan')])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($paper->refresh()->state->value)
        ->toBe('signed')
        ->and($paper->latest->note)
        ->toContain('signed on paper');
    $scratch = new Scratch();
    $this->as('tomas')
        ->post("/papers/{$paper->key}/versions", ['file' => new UploadedFile($scratch->put('x', 'no'), 'x.pdf', null, null, true)])
        ->assertSessionHas('refused');
    $this->as('tomas')
        ->post("/papers/{$paper->key}/versions")
        ->assertSessionHasErrors('file');
});

it('wants a paper looked at again once a newer version lies over what was submitted or accepted', function (bool $accepted) use ($pdf) {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')->post("/papers/{$paper->key}/versions", ['file' => $pdf('First scan')]);
    $this->seeAll();
    $requirement = $paper->refresh()->requirement;
    $this->as('tomas')->post("/requirements/{$requirement->key}/submit");
    $accepted && $this->as('ines')->post("/requirements/{$requirement->key}/accept");
    $this->seeAll();
    $was = $accepted ? 'accepted' : 'submitted';
    expect($requirement->refresh()->review_state->value)->toBe($was);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/versions", ['file' => $pdf('Second scan')])
        ->assertSessionHas('told', static fn ($told) => str_contains((string) json_encode($told), 'submit this one again'));
    $this->seeAll();
    expect($requirement->refresh()->review_state->value)
        ->toBe('not_submitted')
        ->and(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'To be submitted again')->value('data'))
        ->toContain($was);
    $this->as('ines')->post("/requirements/{$requirement->key}/accept")->assertSessionHas('refused');
})->with([false, true]);

it('makes a paper void with a reason only, and keeps what is called for', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/forms/M-207", ['what' => 'take']);
    $this->seeAll();
    $paper = $this->paper($file, 'M-207');
    $this->as('tomas')
        ->post("/papers/{$paper->key}/void", ['reason' => ' '])
        ->assertSessionHas('reason', PaperRefusal::NoReason->value);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/void", ['reason' => 'made twice'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($paper->refresh()->state->value)
        ->toBe('void')
        ->and($paper->reason)
        ->toBe('void: made twice');
    $this->as('tomas')
        ->post("/papers/{$this->paper($file, 'M-201')->key}/void", ['reason' => 'x'])
        ->assertSessionHas('reason', PaperRefusal::CalledFor->value);
});

it('copies a draft with its entries, and what came in with its pages, to a file one works on', function () use ($pdf) {
    [$file, $other] = [$this->aFile(), $this->aFile()];
    $paper = $this->paper($file, 'M-201');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'seller_status', 'value' => 'married', 'key' => 'copied-01'])
        ->assertOk();
    $this->as('tomas')
        ->post("/papers/{$paper->key}/copy", ['to' => $other->key])
        ->assertSessionHas('told');
    $this->seeAll();
    $copy = Paper::query()->where('deal_file_id', $other->id)->where('reason', 'like', 'copied from%')->sole();
    expect($copy->entries()['seller_status'])->toBe('married')->and($copy->state->value)->toBe('draft');
    $this->as('tomas')->post("/files/{$file->key}/papers", ['pdf' => $pdf('Survey of the parcel')]);
    $this->seeAll();
    $survey = Paper::query()->where('deal_file_id', $file->id)->where('title', 'Survey of the parcel')->sole();
    $this->as('tomas')
        ->post("/papers/{$survey->key}/copy", ['to' => $other->key])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/papers/{$survey->key}/copy", ['to' => 'no such file'])
        ->assertSessionHas('reason', FileRefusal::NotAFileOfYours->value);
    $this->seeAll();
    expect(Paper::query()->where('deal_file_id', $other->id)->where('title', 'Survey of the parcel')->sole()->latest->sha256)->toBe(
        $survey->latest->sha256,
    );
});

it('gives values out as XFDF and a fillable PDF, and takes them in again', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $out = Xfdf::read(
        (string) $this->as('tomas')
            ->get("/papers/{$paper->key}/values.xfdf")
            ->assertOk()
            ->getContent(),
    );
    expect($out['price'])->not->toBe('')->and($out)->toHaveKey('buyers');
    expect(
        substr(
            (string) $this->as('tomas')
                ->get("/papers/{$paper->key}/fillable.pdf")
                ->assertOk()
                ->getContent(),
            0,
            5,
        ),
    )->toBe('%PDF-');
    $scratch = new Scratch();
    $upload = fn (string $xml) => new UploadedFile($scratch->put('v.xfdf', $xml), 'v.xfdf', null, null, true);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/values", [
            'file' => $upload(Xfdf::write([...$out, 'seller_status' => 'widowed', 'walk_days' => 'soon', 'strange' => 'x'])),
        ])
        ->assertSessionHas('told', '1 blank was filled in.')
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'One field is not on this form: strange'));
    $this->seeAll();
    expect($paper->load('values')->entries()['seller_status'])->toBe('widowed');
    $this->as('tomas')
        ->post("/papers/{$paper->key}/values", ['file' => $upload(Xfdf::write(['other' => 'x']))])
        ->assertSessionHas('reason', FormRefusal::NothingBelongs->value);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/values", ['file' => $upload('hello')])
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'This is no XFDF file'));
});

it('tells at bringing in, on the board and at the place what a paper from outside lacks and says otherwise than the terms', function () {
    $file = $this->aFile();
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '412,500']);
    $paper = $this->paper($file, 'M-201');
    $scratch = new Scratch();
    $printed = $scratch->put(
        'printed.pdf',
        (string) $this->as('tomas')
            ->get("/papers/{$paper->key}/pdf")
            ->getContent(),
    );
    (new Unanimus\Pages\NativeTool())->run(['qpdf', '--empty', '--pages', $printed, '1-4,6-8', '--', $scratch->path('back.pdf')]);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/versions", [
            'file' => new UploadedFile($scratch->path('back.pdf'), 'back.pdf', 'application/pdf', null, true),
        ])
        ->assertSessionHas('told', fn (string $told) => str_contains($told, 'Page 5 of 8 is missing'));
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertSee('Page 5 of 8 is missing');
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('Page 5 of 8 is missing')
        ->assertDontSee('here; the terms say');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '405,000']);
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertSee('and 1 more', false);
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('412,500 here; the terms say 405,000 now')
        ->assertSee('class="differs"', false);
});

it('lists a paper that is out as differing once the terms change', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $paper = $round->papers()->firstOrFail()->paper;
    $this->seeAll();
    $bound = collect($paper->form()->blanks)->first(
        fn ($blank) => $blank->binding === 'property.address' || $blank->binding === 'buyers.names',
    );
    expect($paper->refresh()->latest->reading)
        ->not->toBeNull()
        ->and($paper->latest->reading['values'])
        ->toHaveKey($bound->name);
    $this->as('tomas')->put("/files/{$file->key}/parties/buyer.1", ['name' => 'Sunniva Eide-Holm']);
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('Sunniva Eide-Holm')
        ->assertSee('the terms say');
});

it('lists everyone who can see a paper, inside and by a link, and drops whose link has ended', function () {
    $file = $this->aFile();
    $places = placesIn($file);
    $paper = $this->paper($file, 'M-102');
    $list = fn () => $this->as('tomas')->get("/papers/{$paper->key}/who")->assertOk();
    $list()
        ->assertSee('Reader')
        ->assertSee('has a reading copy')
        ->assertSee('Ines Okafor-Lund')
        ->assertSee("/reading-copies/{$places['{copy}']}/end", false)
        ->assertDontSee('Sunniva Eide');
    $this->as('tomas')->post("/reading-copies/{$places['{copy}']}/end");
    $list()->assertDontSee('has a reading copy');
    $this->seeAll();
    $round = $this->aRound($file, ['M-230']);
    $this->as('tomas')
        ->get('/papers/'.$this->paper($file, 'M-230')->key.'/who')
        ->assertSee('Sunniva Eide')
        ->assertSee('asked to sign it');
    $this->as('tomas')->post("/rounds/{$round->key}/recall", ['reason' => 'x']);
    $this->as('tomas')->get('/papers/'.$this->paper($file, 'M-230')->key.'/who')->assertDontSee('Sunniva Eide');
});
