<?php

declare(strict_types=1);

use App\Models\Round;
use App\Signing\Actions\SendRound;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Signing\PrivateEntry;

const TAX_NUMBER = '555-44-6789';

/** A round whose first buyer has entered a tax number that few may read. */
function enteredPrivately(): Round
{
    $test = test();
    $round = roundOfPaper($test->aFile(), MadePdf::text(72, 740, 'A paper with nothing on it that says who signs.'));
    $mark = static fn (string $letter, string $kind, int $y, array $terms = []): array => [
        'do' => 'put',
        'mark' => str_repeat($letter, 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'buyer.1',
        'kind' => $kind,
        'place' => [72, $y, 200, 16],
        'terms' => $terms,
    ];
    placed($round, $mark('A', 'signature', 90))->assertOk();
    placed($round, $mark('B', 'text', 140, ['hint' => 'Tax number', 'private' => true, 'filled' => 'never kept']))->assertOk();
    Auth::setUser($test->people['tomas']);
    app(SendRound::class)($round->refresh());
    Auth::forgetGuards();
    $link = '/sign/'.$test->signer($round, 'buyer.1')->token();
    $test->post("{$link}/consent", ['agree' => '1']);
    $test->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'flowing']);
    $marks = fn (string $letter, array $more = []) => $test->postJson(
        "{$link}/marks/".str_repeat($letter, 26),
        ['once' => 'x'.$letter, ...$more],
    );
    $marks('B', ['value' => TAX_NUMBER])->assertOk()->assertDontSee('555');
    $marks('A')->assertOk();
    $test->get($link)->assertDontSee(TAX_NUMBER)->assertSee('data-private', false);
    $test->post("{$link}/finish")->assertRedirect($link);
    $test->seeAll();

    return $round->refresh();
}

it('keeps a private entry out of everything but the hands of whom it is for', function () {
    $round = enteredPrivately();
    $this->work();
    $this->seeAll();
    $readable =
        "SELECT relname AS tablename FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r' ".
        "AND has_table_privilege(oid, 'SELECT')";
    $everywhere = '';
    foreach (DB::select($readable) as $table) {
        $everywhere .= json_encode(DB::table($table->tablename)->get());
    }
    expect($everywhere)
        ->not->toContain(TAX_NUMBER)
        ->not->toContain('555-44')
        ->not->toContain('never kept')
        ->and(sealedText($round))
        ->toContain('6789')
        ->not->toContain('555');
});

it('shows it to the sender and the broker, once each time they ask, and the history says so', function () {
    $round = enteredPrivately();
    $ask = fn (string $who) => $this->as($who)->post("/rounds/{$round->key}/private/".str_repeat('B', 26));
    foreach (['tomas', 'ines'] as $who) {
        $ask($who)->assertOk()->assertSee(TAX_NUMBER)->assertSessionMissing('told');
        expect(serialize(session()->all()))->not->toContain('555-44');
    }
    $ask('wendell')->assertForbidden();
    $this->as('tomas')->post("/rounds/{$round->key}/private/".str_repeat('A', 26))->assertNotFound();
    $this->as('wendell')->get("/rounds/{$round->key}")->assertDontSee('Show once');
    $this->seeAll();
    expect(DB::table('history')->where('what', 'Private entry looked at')->count())
        ->toBe(2)
        ->and(json_encode(DB::table('history')->get()))
        ->not->toContain('555-44');
});

it('masks all but the end of a long entry', function (string $value, string $mask) {
    expect(PrivateEntry::masked($value))->toBe($mask);
})->with([['555-44-6789', '•••••6789'], ['5554 4678', '•••••4678'], ['1234567', '•••••'], ['', '•••••'], ['é555-44-67é', '•••••-67é']]);
