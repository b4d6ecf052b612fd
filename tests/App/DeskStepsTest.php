<?php

declare(strict_types=1);

use App\Models\Round;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\SigningRefusal;

const LINES_OF_THREE = [
    [72, 300, 'Buyer: ______________________________  Date: ______________'],
    [72, 270, 'Buyer: ______________________________  Date: ______________'],
    [72, 240, 'Client: ______________________________'],
];

/** Takes the last step on a desk back, or does it again; the steps that are left. @return array{back: string|null, again: string|null} */
function stepped(Round $round, string $way): array
{
    $step = test()->getJson("/rounds/{$round->key}/marks")->json("steps.{$way}");

    return placed($round, ['do' => $way, 'step' => $step ?? 'none'])->assertOk()->json('steps');
}

it('takes back keeping, answering and moving, in order, and does them again', function () {
    $round = roundOfPaper($this->aFile(), written(LINES_OF_THREE));
    $found = marksOf($round);
    placed($round, ['do' => 'who', 'paper' => 0, 'word' => 'client', 'seat' => 'agent.1'])->assertOk();
    $answered = marksOf($round);
    placed($round, ['do' => 'keep'])->assertOk();
    $kept = marksOf($round);
    $signer = $round->signers()->where('seat', 'buyer.1')->sole();
    $this->put("/rounds/{$round->key}", ['turns' => [$signer->key => 4]], ['Accept' => 'application/json'])->assertNoContent();
    $turn = fn () => (int) $this->seeAll() ?: (int) $round->signers()->where('seat', 'buyer.1')->value('turn');
    expect($turn())->toBe(4);
    stepped($round, 'back');
    expect($turn())->toBe(1)->and(marksOf($round))->toBe($kept);
    stepped($round, 'back');
    expect(marksOf($round))->toBe($answered)->not->toBe($kept);
    expect(stepped($round, 'back')['back'])->toBeNull();
    expect(marksOf($round))->toBe($found)
        ->and($round->papers()->sole()->unclear)->toHaveCount(1)
        ->and($round->signers()->pluck('seat')->all())->toBe(['buyer.1', 'buyer.2']);
    stepped($round, 'again');
    stepped($round, 'again');
    expect(stepped($round, 'again')['again'])->toBeNull();
    expect($turn())->toBe(4)->and(marksOf($round))->toBe($kept)->and($round->papers()->sole()->unclear)->toBe([]);
});

it('brings back a paper that was taken out, with its places, who signs there, and where it stood', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, written(LINES_OF_THREE));
    $this->as('tomas')->post("/rounds/{$round->key}/papers", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->put("/rounds/{$round->key}/papers", ['papers' => [1, 0]])->assertNoContent();
    $desk = fn () => [
        $round->papers()->orderBy('place')->pluck('title')->all(),
        marksOf($round),
        $round->signers()->orderBy('seat')->pluck('seat')->all(),
    ];
    $whole = $desk();
    $this->delete("/rounds/{$round->key}/papers/1")->assertRedirect();
    expect($round->papers()->count())->toBe(1);
    stepped($round, 'back');
    expect($desk())->toEqualCanonicalizing($whole);
    stepped($round, 'back');
    expect($round->papers()->orderBy('place')->pluck('position')->all())->toBe([0, 1]);
});

it('does a step back once, however often it is asked, and each person has their own', function () {
    $round = roundOfPaper($this->aFile(), written(LINES_OF_THREE));
    $put = ['do' => 'put', 'paper' => 0, 'page' => 1, 'seat' => 'buyer.1', 'kind' => 'initials', 'place' => [72, 500, 40, 20]];
    foreach (['A', 'B'] as $name) {
        placed($round, [...$put, 'mark' => str_repeat($name, 26), 'key' => "step-of-{$name}"])->assertOk();
    }
    $back = ['do' => 'back', 'step' => 'step-of-B'];
    expect(placed($round, $back)->json('steps'))->toBe(placed($round, $back)->json('steps'))
        ->and($round->marks()->where('kind', 'initials')->count())->toBe(1)
        ->and($this->as('wendell')->getJson("/rounds/{$round->key}/marks")->json('steps'))->toBe(['back' => null, 'again' => null]);
    placed($round, ['do' => 'back', 'step' => 'step-of-A'])->assertOk();
    placed($round, ['do' => 'again', 'step' => 'step-of-B'])->assertOk();
    expect($round->marks()->where('kind', 'initials')->count())->toBe(0);
});

it('leaves what a colleague has moved since, and what was put with one key goes with one', function () {
    $round = roundOfPaper($this->aFile(), written(LINES_OF_THREE));
    $put = ['do' => 'put', 'paper' => 0, 'page' => 1, 'seat' => 'buyer.1', 'kind' => 'initials', 'place' => [72, 500, 40, 20]];
    $put['step'] = 'all-at-once';
    foreach (['A', 'B'] as $name) {
        placed($round, [...$put, 'mark' => str_repeat($name, 26)])->assertOk();
    }
    $this->as('wendell');
    $this->postJson("/rounds/{$round->key}/marks", [
        ...$put, 'mark' => str_repeat('A', 26), 'place' => [200, 500, 40, 20], 'step' => 'elsewhere', 'key' => 'of-the-other',
    ])->assertOk();
    $this->as('tomas');
    stepped($round, 'back');
    expect($round->marks()->where('kind', 'initials')->pluck('x')->all())->toBe(['200.00']);
});

it('forgets the steps once it is sent', function () {
    $round = roundOfPaper($this->aFile(), written(array_slice(LINES_OF_THREE, 0, 2)));
    placed($round, ['do' => 'keep'])->assertOk();
    $step = $this->getJson("/rounds/{$round->key}/marks")->json('steps.back');
    $this->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $this->seeAll();
    expect(DB::table('desk_steps')->count())->toBe(0);
    placed($round, ['do' => 'back', 'step' => $step])->assertStatus(409)->assertJsonPath('reason', SigningRefusal::AlreadyOut->value);
});
