<?php

declare(strict_types=1);

use App\Access\Reach;
use App\Files\Actions\KeepOffers;
use App\Files\NewOffer;
use App\History\History;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Offer;
use App\Models\Paper;
use App\Models\Party;
use App\Models\PartyContact;
use App\Models\Requirement;
use App\Models\Round;
use App\Models\Sight;
use App\Models\Signer;
use App\Models\Task;
use App\Models\User;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** Rows of every kind in a file of both sides and in one of one side, each side's own and what is the office's alone. */
function rowsOfEveryKind(): void
{
    $test = test();
    $test->aRound($test->aFile());
    $both = bothSides();
    Auth::setUser($test->people['priya']);
    app(KeepOffers::class)->record($both, new NewOffer('Leonie Abara', 'Caleb', '', ['price' => '280,000']));
    foreach ([[null, false], ['buyer', false], ['seller', false], [null, true], ['seller', true]] as $index => [$side, $staff]) {
        $of = ['brokerage_id' => $both->brokerage_id, 'deal_file_id' => $both->id, 'side' => $side];
        $paper = Paper::create([
            ...$of,
            'title' => "Kind {$index}",
            'stage' => 'offer',
            'state' => 'ready',
            'position' => 900 + $index,
            'staff_only' => $staff,
        ]);
        Requirement::create([
            ...$of,
            'paper_id' => $paper->id,
            'title' => "Kind {$index}",
            'stage' => 'offer',
            'position' => $index,
            'reason' => '',
            'staff_only' => $staff,
        ]);
        $staff || Task::create([...$of, 'title' => "Kind {$index}", 'origin' => 'hand']);
        $staff || $side === null || Commission::create([...$of, 'rate' => '2.5', 'agent_share' => '70', 'fee_name' => 'Fee']);
    }
    Auth::forgetGuards();
    $test->seeAll();
}

it('draws the same line in the database and in PHP, for every person and every row', function (string $model) {
    rowsOfEveryKind();
    $others = anotherOne();
    $this->seeAll();
    $rows = $model::query()->get();
    expect($rows)->not->toBeEmpty();
    $files = DealFile::query()->with('members')->get()->keyBy('id');
    $rows->each(fn (Model $row) => ! ($row instanceof DealFile) && $row->setRelation('file', $files[$row->getAttribute('deal_file_id')]));
    foreach ([...$this->people, 'another brokerage' => $others] as $name => $person) {
        $this->seeAll();
        $inPhp = $rows
            ->filter(fn (Model $row) => Reach::allows(User::query()->withoutGlobalScopes()->find($person->id) ?? $person, $row))
            ->map(fn (Model $row) => $row->getKey())
            ->sort()
            ->values()
            ->all();
        Sight::ofPerson($person->fresh() ?? $person);
        // Asked past Eloquent: by row-level security alone.
        $inDatabase = DB::table($rows->first()->getTable())
            ->orderBy($rows->first()->getKeyName())
            ->pluck($rows->first()->getKeyName())
            ->all();
        expect($inPhp)->toBe($inDatabase, "{$name} and {$model}");
    }
})->with([
    DealFile::class,
    Paper::class,
    Requirement::class,
    Task::class,
    Commission::class,
    Offer::class,
    Party::class,
    PartyContact::class,
    Round::class,
    Signer::class,
]);

it('shows the history of the brokerage to those who run an office, of their own offices', function () {
    $tidewick = $this->people['tomas']->officeRoles->firstOrFail()->office_id;
    $elsewhere = (int) DB::table('offices')->where('id', '<>', $tidewick)->value('id');
    History::ofBrokerage($this->people['tomas']->brokerage_id, 'Rule turned off', ['rule' => 'Of all'], null);
    History::ofBrokerage($this->people['tomas']->brokerage_id, 'Kit changed', ['kit' => 'Of Tidewick', 'version' => 2], $tidewick);
    History::ofBrokerage($this->people['tomas']->brokerage_id, 'Kit changed', ['kit' => 'Of elsewhere', 'version' => 2], $elsewhere);
    $this->as('tomas')->get('/office/history')->assertForbidden();
    $this->as('dario')->get('/office/history')->assertOk()->assertSee('Of all')->assertSee('Of Tidewick')->assertDontSee('Of elsewhere');
    $this->as('fenna')->get('/office/history')->assertOk()->assertSee('Of all')->assertSee('Of elsewhere');
    $this->actingAs(anotherOne())->get('/office/history')->assertOk()->assertDontSee('Of all')->assertDontSee('Of Tidewick');
    $this->seeAll();
    expect(History::faultOfBrokerage($this->people['tomas']->brokerage_id))->toBeNull();
});

it('finds a history of the brokerage that its owner changed', function (string $by, string $told) {
    $brokerage = $this->people['tomas']->brokerage_id;
    foreach (['one', 'two', 'three'] as $rule) {
        History::ofBrokerage($brokerage, 'Rule turned off', ['rule' => $rule]);
    }
    expect(fn () => DB::transaction(fn () => DB::statement(strtr($by, ['{b}' => $brokerage]))))->toThrow(
        Illuminate\Database\QueryException::class,
    );
    DB::commit();
    $owner = owner();
    try {
        $owner->exec('ALTER TABLE brokerage_history DISABLE TRIGGER USER');
        $owner->exec(strtr($by, ['{b}' => (string) $brokerage]));
        DB::beginTransaction();
        $this->seeAll();
        expect(History::faultOfBrokerage($brokerage))->toContain($told);
        DB::rollBack();
    } finally {
        emptyAll($owner);
        DB::beginTransaction();
    }
})->with([
    'words changed' => [
        "UPDATE brokerage_history SET data = '{\"rule\": \"none\"}' WHERE seq = 2 AND brokerage_id = {b}",
        'entry 2 was changed',
    ],
    'its end cut off' => ['DELETE FROM brokerage_history WHERE seq = 3 AND brokerage_id = {b}', 'it ends at entry 2, but 3 were written'],
    'all of it gone' => ['DELETE FROM brokerage_history WHERE brokerage_id = {b}', 'no entry left'],
]);

it('leaves a trace of everything that is changed in an office', function () {
    $this->as('fenna')->put('/offices/'.DB::table('offices')->where('name', 'Tidewick')->value('key'), [
        'name' => 'Tidewick',
        'zone' => 'America/Chicago',
        'holidays' => '2026-12-24 Christmas Eve',
    ]);
    $this->as('fenna')->post('/people', [
        'name' => 'Nils Okafor',
        'email' => 'nils@quillmark.example',
        'office' => DB::table('offices')->where('name', 'Tidewick')->value('key'),
        'role' => 'agent',
    ]);
    $this->as('ines')->post('/rules/own');
    $this->seeAll();
    $rule = DB::table('office_rules')->orderBy('id')->value('key');
    $this->as('ines')->post("/rules/{$rule}/active");
    $this->as('tomas')->post('/calendar');
    $this->seeAll();
    expect(DB::table('brokerage_history')->orderBy('seq')->pluck('what')->all())
        ->toBe([
            'Office zone changed',
            'Holidays added',
            'Person invited',
            'Office rules made our own',
            'Rule turned off',
            'Calendar address renewed',
        ])
        ->and(DB::table('brokerage_history')->where('what', 'Rule turned off')->value('who'))
        ->toBe($this->people['ines']->name);
});
