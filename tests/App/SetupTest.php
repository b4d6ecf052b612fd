<?php

declare(strict_types=1);

use App\Models\Brokerage;
use App\Models\Office;
use App\Models\SetupMark;
use App\Models\Sight;
use App\Models\User;
use App\Office\Actions\OpenBrokerage;
use App\Running\SetupGuide;
use Illuminate\Support\Facades\DB;
use Unanimus\Running\SetupStep;

/** A brokerage that was just opened, and its administrator. */
function justOpened(): User
{
    $email = 'odile@fernhollow.example';
    $brokerage = app(OpenBrokerage::class)('Fernhollow Realty', 'Fernhollow', 'America/Chicago', 'Odile Marchetti', $email);
    Sight::ofBrokerage($brokerage->id);
    $user = User::query()->where('email', 'odile@fernhollow.example')->firstOrFail();
    $user->update(['invited_at' => null]);

    return $user;
}

it('leads the administrator of a new brokerage from the first email to the first file', function () {
    $odile = justOpened();
    $office = Office::query()->where('brokerage_id', $odile->brokerage_id)->sole();
    $this->actingAs($odile)->get('/')->assertOk()->assertSee('0 of 9 steps done')->assertSee('Next: say who your email comes from')
        ->assertDontSee('Open your first file');
    $this->actingAs($odile)->get('/office')->assertSee('Begin here');
    $this->actingAs($odile)->put('/office/setup/sender', ['name' => 'Fernhollow Realty', 'sender_address' => 'no'])
        ->assertSessionHasErrors('sender_address');
    $this->actingAs($odile)->put('/office/setup/sender', [
        'name' => 'Fernhollow Realty', 'sender_name' => 'Fernhollow', 'sender_address' => 'files@fernhollow.example',
    ])->assertRedirect('/office/setup');
    $said = array_fill_keys(['offices', 'forms', 'kits', 'rules'], 'checked') + ['own-form' => 'later', 'plans' => 'later'];
    foreach ($said as $step => $state) {
        // A second press is the same.
        $this->actingAs($odile)->post("/office/setup/{$step}", ['state' => $state])->assertRedirect("/office/setup#{$step}");
        $this->actingAs($odile)->post("/office/setup/{$step}", ['state' => $state]);
    }
    $this->actingAs($odile)->post('/people/list', [
        'office' => $office->key,
        'list' => "Bram Tolliver, bram@fernhollow.example, broker\nSuki Arendt\tsuki@fernhollow.example\tagent\nPiers Novak, agent\n".
            'Odile Again, ODILE@fernhollow.example, agent',
    ])->assertSessionHas('invited', '2 invitations sent.')->assertSessionHas('left', fn (array $left) => array_keys($left) === [
        'Piers Novak, agent',
        'Odile Again, ODILE@fernhollow.example, agent',
    ]);
    Sight::ofPerson($odile->refresh());
    $setup = SetupGuide::of($odile);
    expect($setup->settled())->toBe(8)->and($setup->next())->toBe(SetupStep::FirstFile);
    $this->actingAs($odile)->post('/office/setup/plans', ['state' => 'open']);
    Sight::ofPerson($odile);
    expect(SetupGuide::of($odile)->next())->toBe(SetupStep::Plans);
    $this->actingAs($odile)->get('/office/setup')->assertOk()->assertSee('7 of 9 steps done')->assertSee('Finish setup');
    $this->actingAs($odile)->post('/office/setup/finish')->assertRedirect('/');
    $this->actingAs($odile)->get('/')->assertDontSee('steps done');
    $this->actingAs($odile)->get('/office/history')->assertSee('Setup: “Look through the forms” looked through')
        ->assertSee('Setup finished')
        ->assertSee('Email comes from Fernhollow, files@fernhollow.example');
    Sight::ofPerson($odile);
    expect(SetupMark::query()->where('step', 'forms')->count())->toBe(1);
});

it('is for administrators alone, in the pages and in the database', function () {
    $office = Office::query()->where('name', 'Tidewick')->value('key');
    foreach (['ines', 'tomas', 'wendell', 'marguerite'] as $who) {
        $this->as($who)->get('/office/setup')->assertForbidden();
        $this->as($who)->post('/office/setup/forms', ['state' => 'later'])->assertForbidden();
        $this->as($who)->put('/office/setup/sender', ['name' => 'Mine'])->assertForbidden();
        $this->as($who)->post('/office/setup/finish')->assertForbidden();
        $who === 'ines' || $this->as($who)->post('/people/list', ['list' => 'x', 'office' => 'x'])->assertForbidden();
        Sight::ofPerson($this->people[$who]->refresh());
        $own = $this->people[$who]->brokerage_id;
        $mark = ['brokerage_id' => $own, 'step' => 'forms', 'state' => 'later', 'user_id' => $this->people[$who]->id];
        $add = fn () => DB::transaction(fn () => SetupMark::query()->create($mark));
        expect($add)->toThrow(PDOException::class, 'row-level security');
        $name = fn () => DB::transaction(fn () => Brokerage::query()->findOrFail($own)->update(['name' => 'Mine']));
        expect($name)->toThrow(PDOException::class, 'only administrators');
    }
    // Another brokerage’s administrator touches their own alone.
    $odile = justOpened();
    $this->actingAs($odile)->put('/office/setup/sender', ['name' => 'Fernhollow Two'])->assertRedirect();
    $this->actingAs($odile)->post('/people/list', ['list' => 'A, a@b.example, agent', 'office' => (string) $office])->assertNotFound();
    $this->seeAll();
    expect(Brokerage::query()->findOrFail($this->people['tomas']->brokerage_id)->name)->not->toBe('Fernhollow Two');
});

it('is over where a brokerage has long been working', function () {
    $this->as('fenna')->get('/')->assertDontSee('steps done');
    $this->as('fenna')->get('/office')->assertDontSee('Begin here');
    $this->as('fenna')->get('/office/setup')->assertOk()->assertDontSee('Finish setup');
});

it('invites a broker’s people by a list, but no brokers', function () {
    $office = Office::query()->where('name', 'Tidewick')->firstOrFail();
    $list = "A B, ab@quillmark.example, agent\nC D, cd@quillmark.example, broker";
    $this->as('dario')->post('/people/list', ['office' => $office->key, 'list' => $list])
        ->assertSessionHas('invited', '1 invitation sent.')
        ->assertSessionHas('left', fn (array $left) => array_keys($left) === ['C D, cd@quillmark.example, broker']);
});
