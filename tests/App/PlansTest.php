<?php

declare(strict_types=1);

use App\Commission\PlanYear;
use App\Models\AgentPlan;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Sight;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Dates\LocalDate;

/** @param  array<string, string>  $with */
function planFor(string $who, array $with): TestResponse
{
    return test()->as('marguerite')->post('/office/plans/'.test()->people[$who]->key, ['from' => '2026-01-01', ...$with]);
}

/** Everything is settled and the disbursement is authorized. */
function settledAndPaid(DealFile $file): void
{
    test()->seeAll();
    foreach ($file->requirements()->get() as $requirement) {
        test()->as('ines')->post("/requirements/{$requirement->key}/waive", ['reason' => 'for this test']);
    }
    test()->as('ines')->post("/files/{$file->key}/commission/authorize")->assertSessionHas('told');
    test()->seeAll();
}

it('reckons by the plan of the closing day, divides the deal that crosses the cap, and counts it', function () {
    $afterCap = ['after_cap' => '250', 'after_cap_cap' => '2000'];
    planFor('tomas', ['rate1' => '80', 'cap' => '16,000', ...$afterCap, 'cn' => '74500', 'company' => '14900'])->assertSessionHas('told');
    $this->seeAll();
    $file = aSignedFile(['closing' => '2026-12-10', 'acceptance' => '2026-11-21']);
    $this->as('tomas')->put("/files/{$file->key}/commission", ['rate' => '2.75', 'fee' => '395', 'fee_name' => 'Transaction fee'])
        ->assertSessionHas('told');
    // 412,500 × 2.75 % = 11,343.75; a fifth is 2,268.75, of which the cap leaves 1,100.
    $this->as('tomas')->get("/files/{$file->key}/commission")
        ->assertSee('$9,848.75')->assertSee('$1,495.00')->assertSee('$14,900 of $16,000 paid since');
    settledAndPaid($file);
    $year = PlanYear::of($this->people['tomas'], LocalDate::of('2026-12-31'));
    expect($year?->company->decimal())->toBe('16000.00')->and($year->cn->decimal())->toBe('85843.75')->and($year->wayToCap())->toBe(100);
    // The next one: all of it the agent's, but for the fee after the cap; a year later the plan begins anew.
    $this->seeAll();
    $next = $this->aFile(['closing' => '2026-12-20', 'property.street' => '9 Cooper Way']);
    $this->as('tomas')->put("/files/{$next->key}/commission", ['rate' => '2']);
    $this->as('tomas')->get("/files/{$next->key}/commission")->assertSee('$8,000.00')->assertSee('capped before')->assertSee('$250.00');
    $this->as('tomas')->put("/files/{$next->key}/facts", ['name' => 'closing', 'value' => '2027-01-04']);
    $this->as('tomas')->get("/files/{$next->key}/commission")->assertSee('$6,600.00')->assertDontSee('capped before');
    // What was authorized stays, whatever the plan is later; what does not close counts no more.
    planFor('tomas', ['rate1' => '50', 'from' => '2026-12-01']);
    $this->as('tomas')->get("/files/{$file->key}/commission")->assertSee('$9,848.75');
    $this->seeAll();
    DB::table('deal_files')->where('id', $file->id)->update(['status' => 'terminated']);
    $again = PlanYear::of($this->people['tomas'], LocalDate::of('2026-11-30'));
    expect($again?->company->decimal())->toBe('14900.00');
});

it('asks for a rate where there is no plan, and for the closing day where there is one', function () {
    $file = $this->aFile(['closing' => '']);
    $this->as('tomas')->put("/files/{$file->key}/commission", ['rate' => '3'])
        ->assertSessionHas('reason', CommissionRefusal::NotReckoned->value);
    $this->as('tomas')->put("/files/{$file->key}/commission", ['rate' => '3', 'agent_share' => '70'])->assertSessionHas('told');
    planFor('tomas', ['rate1' => '80']);
    $this->as('tomas')->get("/files/{$file->key}/commission")->assertSee('The closing day is missing');
});

it('takes a plan that says all it must, and tells what is missing', function (array $with, CommissionRefusal $why) {
    planFor('tomas', $with)->assertSessionHas('reason', $why->value);
    $this->seeAll();
    expect(AgentPlan::query()->count())->toBe(0);
})->with([
    [['cap' => '5000'], CommissionRefusal::NoRate],
    [['rate1' => '60', 'rate2' => '70'], CommissionRefusal::TierWithoutEnd],
    [['rate1' => '60', 'to1' => '100000'], CommissionRefusal::LastTierEnds],
    [['rate1' => '60', 'to1' => '100000', 'rate2' => '70', 'to2' => '50000', 'rate3' => '80'], CommissionRefusal::TierBelow],
    [['rate1' => '60', 'year' => '13-40'], CommissionRefusal::NoYear],
]);

it('shows plans to those who keep them, and each agent their own', function () {
    planFor('tomas', ['rate1' => '60', 'to1' => '100,000', 'rate2' => '70', 'year' => '03-01'])->assertSessionHas('told');
    $this->as('marguerite')->get('/office/plans')->assertOk()->assertSee('60% to $100,000, then 70%');
    $this->as('tomas')->get('/office/plans')->assertOk()->assertSee('60% to $100,000, then 70%')->assertDontSee('Set the plan');
    $this->as('caleb')->get('/office/plans')->assertOk()->assertDontSee('60% to $100,000');
    // A broker of another office neither sees it nor sets one.
    planFor('caleb', ['rate1' => '55'])->assertSessionHas('told');
    $this->as('marguerite')->get('/office/plans')->assertSee('55%');
    // Nor in what the office's history tells.
    $this->as('ines')->get('/office/history')->assertSee('Caleb Nakagawa');
    $this->as('dario')->get('/office/history')->assertDontSee('Caleb Nakagawa');
    $this->as('dario')->get('/office/plans')->assertOk()->assertSee('60% to $100,000')->assertDontSee('Caleb Nakagawa');
    $this->as('dario')->post('/office/plans/'.$this->people['caleb']->key, ['from' => '2026-01-01', 'rate1' => '100'])->assertForbidden();
    $this->as('dario')->post('/office/plans/'.$this->people['caleb']->key.'/debts', ['label' => 'x', 'amount' => '1'])->assertForbidden();
    $this->as('dario')->get('/reports/agents/'.$this->people['caleb']->key)->assertForbidden();
    Sight::ofPerson($this->people['dario']->refresh());
    expect(DB::table('agent_plans')->where('user_id', $this->people['caleb']->id)->exists())->toBeFalse()
        ->and(DB::table('agent_plans')->where('user_id', $this->people['tomas']->id)->exists())->toBeTrue();
    $this->seeAll();
    foreach (['tomas', 'caleb', 'wendell'] as $who) {
        $this->as($who)->post('/office/plans/'.$this->people['tomas']->key, ['from' => '2026-01-01', 'rate1' => '100'])->assertForbidden();
    }
    $other = anotherOne();
    $at = '/office/plans/'.$this->people['tomas']->key;
    $this->actingAs($other)->post($at, ['from' => '2026-01-01', 'rate1' => '100'])->assertNotFound();
    $this->seeAll();
    $this->as('ines')->get('/office/history')->assertSee('Plan of Tomás');
    // In the database, too: a stranger sees none, and who keeps none makes none.
    foreach (['tomas' => true, 'marguerite' => true, 'ines' => true, 'caleb' => false] as $who => $sees) {
        Sight::ofPerson($this->people[$who]);
        expect(DB::table('agent_plans')->where('user_id', $this->people['tomas']->id)->exists())->toBe($sees, $who);
    }
    Sight::ofPerson($this->people['tomas']);
    expect(fn () => DB::table('agent_plans')->insert([
        'key' => '01ABCDEFGHJKMNPQRSTVWXYZ00',
        'brokerage_id' => $this->people['tomas']->brokerage_id,
        'user_id' => $this->people['tomas']->id,
        'from_day' => '2026-02-01',
        'plan' => '{"rate": "100"}',
        'made_by' => $this->people['tomas']->id,
    ]))->toThrow(Illuminate\Database\QueryException::class, 'row-level security');
});

it('reads what was entered before sheets had more lines', function () {
    $file = $this->aFile();
    Commission::create([
        'brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'rate' => '2.75', 'agent_share' => '70', 'fee' => '395',
        'fee_name' => 'Transaction fee',
    ]);
    $this->as('tomas')->get("/files/{$file->key}/commission")->assertSee('$7,545.63')->assertSee('$3,798.12');
});
