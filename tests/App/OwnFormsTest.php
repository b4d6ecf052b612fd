<?php

declare(strict_types=1);

use App\Files\Actions\SetFact;
use App\Forms\OwnShelf;
use App\Models\OwnForm;
use App\Models\Paper;
use App\Models\Sight;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Support\MadePdf;
use Unanimus\Forms\FormRefusal;
use Unanimus\Forms\Library;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

/** A form in the making out of a fillable PDF. */
function begunForm(string $who = 'wendell', ?string $bytes = null): OwnForm
{
    $path = tempnam(sys_get_temp_dir(), 'form');
    file_put_contents($path, $bytes ?? MadePdf::form());
    test()
        ->as($who)
        ->post('/own-forms', ['pdf' => new UploadedFile($path, 'Intake sheet.pdf', 'application/pdf', null, true)])
        ->assertSessionHas('told');
    test()->seeAll();
    $own = OwnForm::query()->orderByDesc('id')->firstOrFail();
    // Whose its signature is nobody has said yet.
    foreach ($bytes === null ? array_filter($own->items, fn (array $item) => $item['mark'] && $item['seat'] === '') : [] as $mark) {
        changed($own, ['do' => 'put', 'item' => [...$mark, 'seat' => 'buyer.1']]);
    }
    test()->seeAll();

    return $own->refresh();
}

function changed(OwnForm $own, array $change, int $status = 200): Illuminate\Testing\TestResponse
{
    return test()
        ->as('wendell')
        ->postJson("/own-forms/{$own->key}/changes", ['key' => Str::random(12), 'change' => $change])
        ->assertStatus($status);
}

function inForce(OwnForm $own, string $number = 'QR-12', string $revision = '2026-11'): OwnForm
{
    changed($own, ['do' => 'about', 'number' => $number, 'revision' => $revision, 'title' => 'Intake sheet', 'stage' => 'agency']);
    test()
        ->as('ines')
        ->post("/own-forms/{$own->key}/in-force")
        ->assertRedirect('/own-forms')
        ->assertSessionHas('told');
    test()->seeAll();
    app(OwnShelf::class)->forget();

    return $own->refresh();
}

it('makes a form of a fillable PDF, changes it, puts it in force, and papers are begun and filled on it', function () {
    $own = begunForm();
    expect($own->title)
        ->toBe('Intake sheet')
        ->and(array_column($own->items, 'name'))
        ->toContain('name', 'notes', 'pay_by_cash', 'state', 'orphan');
    $item = $own->items[array_search('name', array_column($own->items, 'name'), true)];
    changed($own, ['do' => 'put', 'item' => [...$item, 'binding' => 'buyers.names', 'label' => 'Whose intake']]);
    $own = inForce($own);
    $file = $this->aFile();
    $this->as('tomas')
        ->get("/files/{$file->key}/forms?q=intake")
        ->assertOk()
        ->assertSee('QR-12');
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/QR-12", ['what' => 'take'])
        ->assertOk()
        ->assertSee('in the file');
    $this->seeAll();
    $paper = $this->paper($file, 'QR-12');
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('Whose intake')
        ->assertSee('signature · buyer 1');
    $this->as('tomas')
        ->get("/papers/{$paper->key}/pages/2.webp")
        ->assertOk();
    $this->as('tomas')->get('/library/QR-12/pages/1.webp?rev=2026-11')->assertOk();
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'state', 'value' => 'quoin', 'key' => 'own-form-1'])
        ->assertOk()
        ->assertJsonPath('blanks.state.shown', 'Quoin');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'state', 'value' => 'Elsewhere', 'key' => 'own-form-2'])
        ->assertStatus(422)
        ->assertJsonPath('message', fn (string $told) => str_contains($told, 'Merrow, Quoin'));
    $scratch = new Scratch();
    $pdf = $scratch->put(
        'out.pdf',
        (string) $this->as('tomas')
            ->get("/papers/{$paper->key}/pdf")
            ->assertOk()
            ->getContent(),
    );
    expect((new NativeTool())->run(['pdftotext', $pdf, '-']))
        ->toContain('Sunniva Eide')
        ->toContain('Quoin')
        ->and((new NativeTool())->run(['qpdf', '--check', $pdf]))
        ->toContain('No syntax');
    // It can be signed like any other.
    $this->as('tomas')
        ->post("/files/{$file->key}/rounds", ['papers' => [$paper->key]])
        ->assertRedirect()
        ->assertSessionMissing('refused');
});

it('keeps a paper on its revision when the next comes into force, and takes its entries over when asked', function () {
    $own = inForce(begunForm());
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/forms/QR-12", ['what' => 'take']);
    $this->seeAll();
    $paper = $this->paper($file, 'QR-12');
    app(SetFact::class)($file, 'property.zip', '54321');
    foreach (['notes' => 'call after five', 'zip' => '12345'] as $blank => $value) {
        $this->as('tomas')
            ->postJson("/papers/{$paper->key}/entries", ['blank' => $blank, 'value' => $value, 'key' => "revision-{$blank}"])
            ->assertOk();
    }
    $this->as('wendell')
        ->post("/own-forms/{$own->key}/revise")
        ->assertSessionHas('told');
    $this->seeAll();
    $next = OwnForm::query()->where('status', 'making')->sole();
    $this->as('wendell')
        ->post("/own-forms/{$own->key}/revise")
        ->assertSessionHas('reason', FormRefusal::NextIsStarted->value);
    $items = array_column($next->items, null, 'name');
    changed($next, ['do' => 'put', 'item' => [...$items['notes'], 'name' => 'remarks']]);
    changed($next, ['do' => 'drop', 'id' => $items['zip']['id']]);
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertDontSee('is current. This paper');
    inForce($next, 'QR-12', '2026-12');
    expect($own->refresh()->status)->toBe('superseded')->and($paper->refresh()->form_revision)->toBe('2026-11');
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('Rev. 2026-12 of this form is current')
        ->assertSee('call after five');
    $this->as('tomas')
        ->get("/papers/{$paper->key}/revision")
        ->assertOk()
        ->assertSee('call after five')
        ->assertSeeInOrder(['What has no place in it', '12345']);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/revision", ['revision' => '2027-01', 'key' => 'over-key-1'])
        ->assertSessionHas('reason', FormRefusal::NewerRevision->value);
    $this->as('tomas')
        ->post("/papers/{$paper->key}/revision", ['revision' => '2026-12', 'key' => 'over-key-1'])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/papers/{$paper->key}/revision", ['revision' => '2026-12', 'key' => 'over-key-1'])
        ->assertSessionHas('reason', FormRefusal::IsCurrent->value);
    $this->seeAll();
    $paper = $paper->fresh();
    expect($paper->form_revision)
        ->toBe('2026-12')
        ->and($paper->entries()['remarks'])
        ->toBe('call after five')
        ->and($paper->entries())
        ->not->toHaveKey('notes')
        ->and(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Taken over to another revision')->value('data'))
        ->toContain('12345');
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('call after five');
    $this->as('tomas')
        ->get("/papers/{$paper->key}/log")
        ->assertOk();
});

it('retires a form: nothing is begun on it any more, what is on it stays', function () {
    $own = inForce(begunForm());
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/forms/QR-12", ['what' => 'take']);
    $this->as('ines')
        ->post("/own-forms/{$own->key}/retired")
        ->assertSessionHas('told');
    $this->as('tomas')
        ->get("/files/{$file->key}/forms?q=intake")
        ->assertDontSee('form-QR-12', false);
    $this->as('tomas')
        ->post("/files/{$file->key}/forms/QR-12", ['what' => 'more'])
        ->assertOk()
        ->assertSee('is retired');
    $this->seeAll();
    $paper = $this->paper($file, 'QR-12');
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('This form is retired');
    $this->as('ines')
        ->post("/own-forms/{$own->key}/retired")
        ->assertSessionHas('told');
    $this->as('tomas')
        ->get("/files/{$file->key}/forms?q=intake")
        ->assertSee('form-QR-12', false);
});

it('stores each change once, keeps it apart from others’, and changes nothing in force', function () {
    $own = begunForm();
    $item = [...$own->items[0], 'label' => 'First'];
    $this->as('wendell')
        ->postJson("/own-forms/{$own->key}/changes", ['key' => 'same-key-01', 'change' => ['do' => 'drop', 'id' => $own->items[1]['id']]])
        ->assertOk();
    $this->as('wendell')
        ->postJson("/own-forms/{$own->key}/changes", ['key' => 'same-key-02', 'change' => ['do' => 'put', 'item' => $item]])
        ->assertOk();
    $this->as('wendell')
        ->postJson("/own-forms/{$own->key}/changes", ['key' => 'same-key-01', 'change' => ['do' => 'drop', 'id' => $own->items[2]['id']]])
        ->assertOk();
    $this->seeAll();
    expect($own->refresh()->items[0]['label'])
        ->toBe('First')
        ->and(DB::table('own_form_changes')->where('own_form_id', $own->id)->where('client_key', 'like', 'same-key-%')->count())
        ->toBe(2);
    $count = count($own->items);
    changed($own, ['do' => 'put', 'item' => ['id' => 'x', 'kind' => 'text', 'page' => 99, 'place' => [1, 1, 9, 9]]], 409);
    changed($own, ['do' => 'explode'], 409);
    changed($own, ['do' => 'about', 'number' => 'far too long'], 409);
    $this->seeAll();
    expect($own->refresh()->items)->toHaveCount($count);
    inForce($own);
    changed($own, ['do' => 'drop', 'id' => $own->items[0]['id']], 409)->assertJsonPath(
        'message',
        fn (string $told) => str_contains($told, 'can no longer change'),
    );
    expect(fn () => DB::statement('UPDATE own_form_changes SET client_key = client_key'))->toThrow(
        Illuminate\Database\QueryException::class,
    );
});

it('puts nothing in force that is not fit: no number, a number of the library, a revision that was, things to put right', function () {
    $own = begunForm();
    $refused = fn (OwnForm $own, string $words) => $this->as('ines')
        ->post("/own-forms/{$own->key}/in-force")
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, $words));
    $refused($own, 'Give the form a number');
    changed($own, ['do' => 'about', 'number' => 'M-201', 'revision' => '1']);
    $refused($own, 'is a form of the library');
    changed($own, ['do' => 'about', 'number' => 'qr-12', 'revision' => '2026-11']);
    changed($own, ['do' => 'put', 'item' => [...$own->items[0], 'name' => '']]);
    $refused($own, 'needs a name');
    changed($own, ['do' => 'put', 'item' => $own->items[0]]);
    inForce($own);
    $own = begunForm();
    changed($own, ['do' => 'about', 'number' => 'QR-12', 'revision' => '2026-11']);
    $refused($own, 'was already active as revision');
});

it('fills on trial, with samples or a file’s facts, and keeps nothing', function () {
    $own = begunForm();
    $file = $this->aFile();
    changed($own, ['do' => 'put', 'item' => [...$own->items[0], 'binding' => 'buyers.names']]);
    $this->as('wendell')
        ->get("/own-forms/{$own->key}/try")
        ->assertOk()
        ->assertSee('value="'.$own->items[0]['label'], false);
    $this->as('wendell')
        ->get("/own-forms/{$own->key}/try?file={$file->key}")
        ->assertOk()
        ->assertSee('Sunniva Eide');
    $answer = $this->as('wendell')
        ->post("/own-forms/{$own->key}/try", ['v' => ['name' => 'Łucja Ożóg', 'state' => 'Quoin', 'pay_by_loan' => 'x']])
        ->assertOk();
    $scratch = new Scratch();
    expect((new NativeTool())->run(['pdftotext', $scratch->put('try.pdf', (string) $answer->getContent()), '-']))
        ->toContain('Łucja Ożóg')
        ->toContain('Quoin');
    $this->as('wendell')
        ->from("/own-forms/{$own->key}/try")
        ->post("/own-forms/{$own->key}/try", ['v' => ['state' => 'Nowhere']])
        ->assertRedirect("/own-forms/{$own->key}/try")
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'Merrow, Quoin'));
    expect(Paper::query()->where('form_number', 'QR-12')->exists())->toBeFalse();
});

it('makes forms of flat pages, of photographs and Word texts alike, and refuses what cannot be one', function () {
    $flat = (string) file_get_contents(app(Library::class)->form('M-222')->pdf);
    expect(count(begunForm('fenna', $flat)->items))->toBeGreaterThan(20);
    $scratch = new Scratch();
    $picture = imagecreatetruecolor(400, 500);
    imagepng($picture, $scratch->path('page.png'));
    expect(implode(' ', begunForm('wendell', $scratch->get('page.png'))->notes))->toContain('Add the blanks by hand');
    $this->as('wendell')
        ->post('/own-forms', ['pdf' => new UploadedFile($scratch->put('no.pdf', 'no PDF'), 'no.pdf', null, null, true)])
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'No form was started'));
    $this->as('wendell')->post('/own-forms')->assertSessionHas('reason', FormRefusal::NoPdf->value);
    $long = press()->print(array_fill(0, 41, new Unanimus\Pages\Drawing(612, 792)));
    $this->as('wendell')
        ->post('/own-forms', ['pdf' => new UploadedFile($scratch->put('long.pdf', $long), 'long.pdf', null, null, true)])
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, '40 pages'));
});

it('is for coordinators, brokers and administrators; only the last two put in force', function () {
    $own = begunForm();
    foreach (['tomas', 'marguerite'] as $who) {
        $this->as($who)->get('/own-forms')->assertForbidden();
        $this->as($who)->post('/own-forms')->assertForbidden();
        $this->as($who)
            ->get("/own-forms/{$own->key}")
            ->assertForbidden();
        $this->as($who)
            ->get("/own-forms/{$own->key}/pages/1.webp")
            ->assertForbidden();
        $this->as($who)
            ->postJson("/own-forms/{$own->key}/changes", ['key' => 'intruder-1', 'change' => ['do' => 'order']])
            ->assertForbidden();
        $this->as($who)
            ->get("/own-forms/{$own->key}/try")
            ->assertForbidden();
        $this->as($who)
            ->post("/own-forms/{$own->key}/try")
            ->assertForbidden();
        foreach (['in-force', 'revise', 'retired'] as $what) {
            $this->as($who)
                ->post("/own-forms/{$own->key}/{$what}")
                ->assertForbidden();
        }
        $this->as($who)
            ->delete("/own-forms/{$own->key}")
            ->assertForbidden();
    }
    $this->as('wendell')
        ->post("/own-forms/{$own->key}/in-force")
        ->assertForbidden();
    $this->as('wendell')
        ->post("/own-forms/{$own->key}/retired")
        ->assertForbidden();
    $this->as('wendell')
        ->delete("/own-forms/{$own->key}")
        ->assertRedirect('/own-forms');
    $this->as('wendell')->get('/own-forms')->assertOk()->assertDontSee($own->key);
    $other = (int) $own->brokerage_id + 1;
    Sight::ofBrokerage($other);
    expect(OwnForm::query()->count())
        ->toBe(0)
        ->and(DB::table('own_form_changes')->count())
        ->toBe(0)
        ->and(app(Library::class)->has('QR-12'))
        ->toBeFalse();
});

it('fills where the page is read, also on a flat page that is cropped, trimmed and turned', function () {
    $own = begunForm(
        'wendell',
        MadePdf::of([
            1 => '<< /Type /Catalog /Pages 2 0 R >>',
            2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
            3 => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 700 900] /CropBox [40 50 652 842] /TrimBox [90 100 600 800] /Rotate 90 '.
                '/Contents 4 0 R /Resources << /Font << /F 5 0 R >> >> >>',
            4 => MadePdf::stream('', MadePdf::text(200, 400, 'A cropped and turned sheet')),
            5 => '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
        ]),
    );
    expect($own->pages)->toEqual([[792, 612]]);
    changed($own, [
        'do' => 'put',
        'item' => ['id' => 'new', 'kind' => 'text', 'name' => 'word', 'label' => 'Word', 'page' => 1, 'place' => [300, 120, 200, 14]],
    ]);
    $scratch = new Scratch();
    $pdf = $scratch->put(
        'try.pdf',
        (string) $this->as('wendell')
            ->post("/own-forms/{$own->key}/try", ['v' => ['word' => 'Lanternfish']])
            ->assertOk()
            ->getContent(),
    );
    $word = array_values(array_filter(Unanimus\Pages\PageWords::of($pdf, 1)[1], fn ($one) => $one->text === 'Lanternfish'))[0];
    expect(abs($word->x - 301.5))->toBeLessThan(3)->and(abs($word->bottom() - 134))->toBeLessThan(6);
});
