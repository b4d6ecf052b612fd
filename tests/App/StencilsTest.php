<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Round;
use App\Models\Sight;
use App\Models\StoredStencil;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Signing\SigningRefusal;

/** A paper that says nothing of who signs where: its places are known by a stencil or not at all. */
function wellNote(string $filled, float $down = 0.0): string
{
    $lines = [
        'Well and pump agreement of Ostrander county',
        'The water of the well behind the barn serves both houses for as long as the pump can lift it.',
        "What the pump costs is shared between the two of them as follows: {$filled}",
        'Whoever finds the water cloudy tells the other on the same day and has it looked at before drinking.',
        'Neither of them digs, drills or drives a post within forty feet of the casing without asking first.',
        'Read and understood, with our hands below, on the day that stands beside them.',
    ];
    $drawn = '';
    foreach ($lines as $index => $line) {
        $drawn .= MadePdf::text(72, 700 - 22 * $index - $down, $line, $index === 0 ? 14 : 10);
    }

    return MadePdf::page($drawn);
}

function roundOfWell(DealFile $file, string $pdf, string $who = 'tomas'): Round
{
    static $number = 0;
    $test = test();
    $name = 'Well note '.(++$number);
    $test->as($who)
        ->post(
            "/files/{$file->key}/papers",
            ['pdf' => UploadedFile::fake()->createWithContent("{$name}.pdf", $pdf), 'key' => "well-note-{$number}"],
            ['Accept' => 'application/json'],
        )
        ->assertOk();
    $test->seeAll();
    $paper = Paper::query()->where('title', $name)->sole();
    $test->as($who)->post("/files/{$file->key}/rounds", ['papers' => [$paper->key]])->assertRedirect();
    $test->seeAll();

    return Round::query()->orderByDesc('id')->firstOrFail();
}

/** @return array<string, mixed> */
function markedAt(string $letter, string $seat, string $kind, float $y, array $terms = []): array
{
    return [
        'do' => 'put',
        'mark' => str_repeat($letter, 26),
        'paper' => 0,
        'page' => 1,
        'seat' => $seat,
        'kind' => $kind,
        'place' => [72, $y, 170, 18],
        'terms' => $terms,
    ];
}

/** A round of that paper with marks of the two buyers, kept as a stencil. */
function keptWell(DealFile $file, string $name = 'Well note', string $whose = 'everyone'): Round
{
    $round = roundOfWell($file, wellNote('half and half'));
    placed($round, markedAt('S', 'buyer.1', 'signature', 220))->assertOk();
    placed($round, markedAt('T', 'buyer.1', 'tick', 60, ['hint' => 'Shared meter', 'filled' => 'x']))->assertOk();
    placed($round, markedAt('U', 'buyer.2', 'text', 260, ['hint' => 'Reading of the meter', 'when' => str_repeat('T', 26)]))->assertOk();
    test()->as('tomas')
        ->post("/rounds/{$round->key}/papers/0/stencil", ['name' => $name, 'whose' => $whose])
        ->assertSessionHas('told', "Kept as the stencil “{$name}”.");
    test()->seeAll();

    return $round->refresh();
}

it('proposes by itself what was kept, on the same paper filled in and printed otherwise, with what the sender had entered', function () {
    $file = $this->aFile();
    keptWell($file);
    $round = roundOfWell($file, wellNote('two thirds to the house on the hill and the rest to the other one', 31));
    expect(marksOf($round))
        ->toBe(['signature buyer.1 in pencil', 'tick buyer.1 in pencil', 'text buyer.2 in pencil'])
        ->and($round->signers()->pluck('seat')->all())
        ->toBe(['buyer.1', 'buyer.2']);
    $marks = $round->marks()->get()->keyBy(fn ($mark) => $mark->kind->value);
    expect((float) $marks['signature']->y)
        ->toEqualWithDelta(251, 2.0)
        ->and($marks['tick']->terms)
        ->toBe(['hint' => 'Shared meter', 'filled' => 'x'])
        ->and($marks['text']->terms['when'])
        ->toBe($marks['tick']->key);
    placed($round, ['do' => 'keep'])->assertOk();
    expect(StoredStencil::query()->sole()->used)->toBe(1)->and(DB::table('history')->where('what', 'Stencil laid')->count())->toBe(1);
});

it('asks once which is meant where several fit, and looks for places where none is', function () {
    $file = $this->aFile();
    keptWell($file, 'Well note, both');
    $stencil = StoredStencil::query()->sole();
    $this->as('tomas')
        ->put("/stencils/{$stencil->key}", ['do' => 'copy', 'from' => 'buyer', 'to' => 'seller'])
        ->assertSessionHas('told', 'Copied.');
    $this->put("/stencils/{$stencil->key}", ['do' => 'copy', 'from' => 'buyer', 'to' => 'seller']);
    $round = roundOfWell($file, wellNote('a third'));
    expect(marksOf($round))->toBe([]);
    $this->as('tomas')->getJson("/rounds/{$round->key}/marks")->assertOk()->assertJsonCount(2, 'stencils.0.choices');
    placed($round, ['do' => 'stencil', 'paper' => 0, 'stencil' => str_repeat('X', 26)])
        ->assertStatus(409)
        ->assertJsonPath('reason', SigningRefusal::StencilGone->value);
    placed($round, ['do' => 'stencil', 'paper' => 0, 'stencil' => $stencil->key])->assertOk()->assertJsonPath('stencils', []);
    expect(marksOf($round))->toHaveCount(3);
    placed($round, ['do' => 'stencil', 'paper' => 0, 'stencil' => ''])->assertOk();
    expect(marksOf($round))->toBe([]);
});

it('takes of several that fit the one meant for whom this file acts for', function () {
    $file = $this->aFile(['agency' => 'both']);
    keptWell($file, 'Well note');
    $stencil = StoredStencil::query()->sole();
    $this->as('tomas')->put("/stencils/{$stencil->key}", ['do' => 'copy', 'from' => 'buyer', 'to' => 'seller']);
    $this->seeAll();
    $copy = StoredStencil::query()->where('name', 'Well note, for sellers')->sole();
    $mean = fn (string $agency) => $this->as('tomas')
        ->put("/stencils/{$copy->key}", ['do' => 'rename', 'name' => 'Well note, both sides', 'agency' => $agency]);
    $mean('all')->assertSessionHasErrors('agency');
    $mean('both')->assertSessionHas('told', 'Saved.');
    $this->as('tomas')->get('/stencils')->assertSee('Well note, both sides')->assertSee('both sides, with their consent');
    $chosen = fn (Round $round) => $round->papers()->sole()->stencil['name'] ?? null;
    expect($chosen(roundOfWell($file, wellNote('a quarter'))))->toBe('Well note, both sides');
    // Where we act for others it is not proposed; the one meant for any file is.
    $other = $this->aFile(['agency' => 'client', 'property.street' => '9 Other Lane']);
    expect($chosen(roundOfWell($other, wellNote('a fifth'))))->toBe('Well note');
    $mean('')->assertSessionHas('told', 'Saved.');
    $asked = roundOfWell($other, wellNote('a sixth'));
    $this->as('tomas')->getJson("/rounds/{$asked->key}/marks")->assertJsonCount(2, 'stencils.0.choices');
});

it('keeps what is one person’s own to that person, in PHP and in the database', function () {
    $file = $this->aFile();
    keptWell($file, 'Pump of his own', 'mine');
    $mine = StoredStencil::query()->sole();
    $this->as('tomas')->get('/stencils')->assertSee('Pump of his own');
    $this->as('wendell')->get('/stencils')->assertOk()->assertDontSee('Pump of his own');
    $this->as('wendell')->put("/stencils/{$mine->key}", ['do' => 'away'])->assertNotFound();
    expect(marksOf(roundOfWell($file, wellNote('a quarter'), 'wendell')))->toBe([]);
    foreach (['tomas' => 1, 'wendell' => 0] as $who => $count) {
        Sight::ofPerson($this->people[$who]->fresh());
        expect(DB::table('stencils')->count())->toBe($count);
    }
    Sight::ofPerson(anotherOne());
    expect(DB::table('stencils')->count())->toBe(0);
});

it('lets those who made it or keep the forms change what is everyone’s, and nobody else', function () {
    keptWell($this->aFile());
    $stencil = StoredStencil::query()->sole();
    $this->as('caleb')->get('/stencils')->assertOk()->assertSee('Well note')->assertDontSee("#stencil-{$stencil->key}", false);
    $this->as('caleb')->put("/stencils/{$stencil->key}", ['do' => 'away'])->assertForbidden();
    $this->actingAs(anotherOne())->put("/stencils/{$stencil->key}", ['do' => 'away'])->assertNotFound();
    $this->seeAll();
    $this->as('wendell')->put("/stencils/{$stencil->key}", ['do' => 'rename', 'name' => 'Well and pump'])->assertRedirect('/stencils');
    $this->as('tomas')->put("/stencils/{$stencil->key}", ['do' => 'away'])->assertRedirect('/stencils');
    $file = $this->aFile(['property.street' => '9 Other Lane']);
    expect(marksOf(roundOfWell($file, wellNote('a fifth'))))->toBe([]);
    $this->as('tomas')->get('/stencils?q=PUMP')->assertSee('archived');
    $this->put("/stencils/{$stencil->key}", ['do' => 'back']);
    expect(marksOf(roundOfWell($file, wellNote('a sixth'))))->toHaveCount(3);
    $this->seeAll();
    expect(DB::table('brokerage_history')->where('what', 'like', 'Stencil%')->orderBy('seq')->pluck('what')->all())
        ->toBe(['Stencil kept', 'Stencil renamed', 'Stencil put away', 'Stencil brought back']);
});

it('saves over one’s own stencil of that name, never over another’s, and nothing where nothing is marked', function () {
    $file = $this->aFile();
    $round = keptWell($file);
    placed($round, markedAt('V', 'buyer.2', 'signature', 300))->assertOk();
    $url = "/rounds/{$round->key}/papers/0/stencil";
    $keep = fn (string $who) => $this->as($who)->post($url, ['name' => 'WELL NOTE', 'whose' => 'everyone']);
    $keep('tomas')->assertSessionHas('told');
    $this->seeAll();
    expect(StoredStencil::query()->sole()->stencil()->marks)->toHaveCount(4);
    DB::table('stencils')->update(['created_by' => $this->people['caleb']->id]);
    $keep('tomas')->assertSessionHas('reason', SigningRefusal::StencilOfAnother->value);
    $bare = roundOfWell($file, wellNote('none of it'));
    $this->seeAll();
    $bare->marks()->delete();
    $this->as('tomas')
        ->post("/rounds/{$bare->key}/papers/0/stencil", ['name' => 'Bare', 'whose' => 'mine'])
        ->assertSessionHas('reason', SigningRefusal::NothingMarked->value);
    Auth::forgetGuards();
});
