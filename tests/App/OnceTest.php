<?php

declare(strict_types=1);

use App\Forms\Actions\KeepOwnForm;
use App\Models\DealFile;
use App\Models\OwnForm;
use App\Models\Paper;
use App\Models\PaperPiece;
use App\Models\Task;
use App\Models\Upload;
use App\Requirements\Actions\AttachKits;
use App\Requirements\KitShelf;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\DateRefusal;
use Unanimus\Forms\FormRefusal;
use Unanimus\Pages\Drawing;
use Unanimus\Requirements\Kit;
use Unanimus\Review\ReviewRefusal;

function termOf(DealFile $file, string $name): ?string
{
    test()->seeAll();

    return $file->knownFacts()->where('name', $name)->value('value');
}

it('does not set a term again by an entry that was stored already, over a newer value', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $blank = collect($paper->form()->blanks)->firstWhere('binding', 'price')->name;
    $one = ['blank' => $blank, 'value' => '415,000', 'key' => 'retried-key-1', 'scope' => 'term'];
    entry($paper, $one);
    $this->as('wendell')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '420,000']);
    entry($paper, $one);
    expect(termOf($file, 'price'))
        ->toBe('420000.00')
        ->and(DB::table('paper_entries')->where('client_key', 'web:retried-key-1')->count())
        ->toBe(1);
});

it('tells an entry that was stored as stored, also after the paper has gone out', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $one = ['blank' => 'excluded', 'value' => 'lamp', 'key' => 'before-it-went'];
    entry($paper, $one);
    $paper->update(['state' => 'out']);
    entry($paper, $one);
    entry($paper, ['blank' => 'excluded', 'value' => 'bench', 'key' => 'after-it-went'], 409);
});

it('tells whoever sets a term from a paper that it has become something else meanwhile', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $blank = collect($paper->form()->blanks)->firstWhere('binding', 'price')->name;
    $this->as('wendell')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '420,000']);
    $told = entry($paper, ['blank' => $blank, 'value' => '415,000', 'key' => 'unseen-term', 'scope' => 'term', 'seen' => '412,500'], 409);
    expect($told['theirs'])
        ->toBe('420,000')
        ->and($told['who'])
        ->toBe($this->people['wendell']->name)
        ->and(termOf($file, 'price'))
        ->toBe('420000.00');
    entry($paper, ['blank' => $blank, 'value' => '415,000', 'key' => 'seen-term-1', 'scope' => 'term', 'seen' => '420,000']);
    expect(termOf($file, 'price'))->toBe('415000.00');
});

it('tells whoever changes a term on the file that someone else just has, and writes what stood into the history', function () {
    $file = $this->aFile();
    $change = fn (string $who, string $value, ?string $seen) => $this->as($who)->put(
        "/files/{$file->key}/facts?at=file",
        ['name' => 'price', 'value' => $value, ...$seen === null ? [] : ['seen' => $seen]],
        ['HX-Request' => 'true'],
    );
    $fault = fn ($answer) => json_decode((string) $answer->headers->get('HX-Trigger'), true)['stored']['fault'];
    expect($fault($change('wendell', '420,000', '412,500')))
        ->toBeNull()
        ->and($fault($change('tomas', '415,000', '412,500')))
        ->toContain('Wendell')
        ->toContain('$420,000')
        ->and(termOf($file, 'price'))
        ->toBe('420000.00')
        ->and($fault($change('tomas', '415,000', '420,000')))
        ->toBeNull()
        ->and(termOf($file, 'price'))
        ->toBe('415000.00');
    $this->seeAll();
    expect(
        json_decode(
            DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Term changed')->orderByDesc('id')->value('data'),
            true,
        ),
    )->toMatchArray(['before' => '420000.00', 'after' => '415000.00']);
});

it('moves a date from where it stands, tells whoever was shown another day, and says so in the history', function () {
    $file = $this->aFile(['acceptance' => '2026-11-24']);
    $move = fn (string $day, string $seen) => $this->as('tomas')->post("/files/{$file->key}/shift", [
        'anchor' => 'closing',
        'day' => $day,
        'reason' => 'Amendment 1',
        'seen' => $seen,
    ]);
    $move('2026-12-21', '2026-12-18')->assertSessionHas('told');
    $move('2026-12-28', '2026-12-18')
        ->assertSessionHas('reason', DateRefusal::ChangedMeanwhile->value)
        ->assertSessionHas('refused', fn (string $told) => str_contains($told, 'Tomás') && str_contains($told, '21'));
    expect(termOf($file, 'closing'))->toBe('2026-12-21');
    $move('2026-12-28', '2026-12-21')->assertSessionHas('told');
    $this->seeAll();
    expect(
        json_decode(
            DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Dates moved')->orderByDesc('id')->value('data'),
            true,
        ),
    )->toMatchArray(['from' => '2026-12-21', 'to' => '2026-12-28']);
});

it('applies a kit once, and says so once, for two who applied it at the same moment', function () {
    $file = $this->aFile();
    $kit = collect(KitShelf::builtIn())->first(fn (Kit $one) => $one->tasks !== [] && ! $file->kits()->where('kit', $one->key)->exists());
    // Both had found it missing before the first wrote it down.
    app(AttachKits::class)->one($file, $kit, 0, false);
    app(AttachKits::class)->one($file, $kit, 0, false);
    expect(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Kit applied')->where('data->kit', $kit->name)->count())
        ->toBe(1)
        ->and(Task::query()->where('deal_file_id', $file->id)->where('origin', $kit->key)->count())
        ->toBe(count($kit->tasks));
});

it('makes one piece of two quick moves, and leaves what someone else has moved', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/papers", ['pdf' => brought('Survey')]);
    $this->seeAll();
    $paper = Paper::query()->where('title', 'Survey')->sole();
    $put = fn (string $who, string $key, array $more) => $this->as($who)->postJson("/papers/{$paper->key}/pieces", [
        'key' => $key,
        'kind' => 'text',
        'page' => 1,
        'place' => [100, 200, 120, 14],
        'text' => 'seen',
        ...$more,
    ]);
    $first = $put('tomas', 'piece-first', [])->assertOk()->json('pieces.0.key');
    $put('tomas', 'piece-moved-1', ['instead' => $first, 'place' => [110, 200, 120, 14]])->assertOk();
    $put('tomas', 'piece-moved-2', ['instead' => $first, 'place' => [120, 200, 120, 14]])->assertOk();
    $put('wendell', 'piece-other', ['instead' => $first, 'place' => [300, 200, 120, 14]])->assertConflict();
    $this->seeAll();
    expect(PaperPiece::standing($paper)->get())
        ->toHaveCount(1)
        ->and(PaperPiece::standing($paper)->sole()->places[0][0])
        ->toEqual(120);
});

it('tells a change of a form that was stored as stored, also once the form is in force', function () {
    $path = (string) tempnam(sys_get_temp_dir(), 'own');
    file_put_contents($path, press()->print([(new Drawing(612, 792))->text(72, 90, 14, 'Signature: ____________')]));
    $this->as('wendell')
        ->post('/own-forms', ['pdf' => new UploadedFile($path, 'Own.pdf', 'application/pdf', null, true)])
        ->assertSessionHas('told');
    $this->seeAll();
    $own = OwnForm::query()->orderByDesc('id')->firstOrFail();
    $change = ['do' => 'about', 'title' => 'Own form, named', 'number' => $own->number, 'stage' => $own->stage];
    app(KeepOwnForm::class)->change($own, $change, 'own-change-1', $this->people['wendell']);
    $own->refresh()->update(['status' => 'superseded']);
    expect(app(KeepOwnForm::class)->change($own, $change, 'own-change-1', $this->people['wendell'])->title)
        ->toBe('Own form, named')
        ->and(fn () => app(KeepOwnForm::class)->change($own, $change, 'own-change-2', $this->people['wendell']))
        ->toBeRefused(FormRefusal::IsActive);
});

it('takes an upload once, under its key and by its bytes, and tells what became of it', function () {
    $file = $this->aFile();
    $one = brought('Survey');
    $bring = fn (UploadedFile $pdf, string $key, array $more = []) => $this->as('tomas')->postJson("/files/{$file->key}/papers", [
        'pdf' => new UploadedFile($pdf->getPathname(), $pdf->getClientOriginalName(), 'application/pdf', null, true),
        'key' => $key,
        ...$more,
    ]);
    $bring($one, 'upload-key-1')->assertOk();
    $bring($one, 'upload-key-1')->assertOk()->assertJsonPath('told.0', '“Survey” is in the file.');
    $bring($one, 'upload-key-2')
        ->assertUnprocessable()
        ->assertJsonPath('refused.0', fn (string $told) => str_contains($told, 'not added again'));
    $this->seeAll();
    expect(Paper::query()->where('deal_file_id', $file->id)->where('title', 'Survey')->count())
        ->toBe(1)
        ->and(Upload::query()->where('state', 'done')->count())
        ->toBe(1);
    $this->as('tomas')
        ->getJson("/files/{$file->key}/uploads/upload-key-1")
        ->assertJson(['state' => 'done']);
    $this->as('tomas')
        ->getJson("/files/{$file->key}/uploads/never-sent-1")
        ->assertJson(['state' => 'unknown']);
    $expected = Paper::query()->where('deal_file_id', $file->id)->where('state', 'expected')->firstOrFail();
    $bring(brought('First of two'), 'upload-key-3', ['paper' => $expected->key])->assertOk();
    $bring(brought('Second of two'), 'upload-key-4', ['paper' => $expected->key])
        ->assertUnprocessable()
        ->assertJsonPath('refused.0', fn (string $told) => str_contains($told, 'has already arrived'));
    $this->seeAll();
    expect($expected->versions()->count())->toBe(1);
});

it('hands in no form with required blanks empty', function () {
    $file = $this->aFile();
    $paper =
        $file->papers()->where('form_number', 'M-110')->first() ??
        $file
            ->papers()
            ->get()
            ->first(fn (Paper $one) => $one->isDraft() && ($one->form()->marks ?? []) === [] && $one->requirement !== null);
    if ($paper === null) {
        $paper = $this->paper($file, 'M-215');
    }
    $requirement = $paper->requirement ?? throw new LogicException('no requirement');
    $this->as('tomas')
        ->post("/requirements/{$requirement->key}/submit")
        ->assertSessionHas('reason', ReviewRefusal::NotSigned->value);
    $this->seeAll();
    expect($requirement->refresh()->review_state->value)->toBe('not_submitted');
});

it('says in words what is no longer here, never the name of a class', function () {
    $told = $this->as('tomas')
        ->postJson('/papers/01ARZ3NDEKTSV4RRFFQ69G5FAV/entries', ['blank' => 'x', 'value' => 'y', 'key' => 'gone-paper-1'])
        ->assertNotFound()
        ->json('message');
    expect($told)->toContain('This is gone')->not->toContain('\\');
});
