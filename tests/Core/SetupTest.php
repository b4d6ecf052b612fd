<?php

declare(strict_types=1);

use Unanimus\Running\Setup;
use Unanimus\Running\SetupState;
use Unanimus\Running\SetupStep;

it('counts what is there by itself, and the rest as it was said', function () {
    $setup = Setup::of([SetupStep::People], ['forms' => SetupState::Checked, 'plans' => SetupState::Later, 'people' => SetupState::Later]);
    expect($setup->state(SetupStep::People))
        ->toBe(SetupState::Done)
        ->and($setup->state(SetupStep::Forms))
        ->toBe(SetupState::Checked)
        ->and($setup->state(SetupStep::Plans))
        ->toBe(SetupState::Later)
        ->and($setup->state(SetupStep::Kits))
        ->toBe(SetupState::Open)
        ->and($setup->settled())
        ->toBe(3)
        ->and($setup->next())
        ->toBe(SetupStep::Sender)
        ->and($setup->isReady())
        ->toBeTrue();
});

it('has nothing left once every step is done, looked through or left for later', function () {
    $said = array_fill_keys(array_column(SetupStep::cases(), 'value'), SetupState::Later);
    expect(Setup::of([], $said)->next())
        ->toBeNull()
        ->and(Setup::of([], $said)->isReady())
        ->toBeFalse()
        ->and(Setup::of(SetupStep::cases(), [])->settled())
        ->toBe(count(SetupStep::cases()))
        ->and(Setup::of([], ['plans' => SetupState::Open])->settled())
        ->toBe(0);
});

it('says of each step what to do, where, and whether looking is enough', function (SetupStep $step) {
    expect($step->title())->not->toBe('')
        ->and($step->says())->toEndWith('.')
        ->and($step->place())->toStartWith('/')
        ->and($step->isLook())->toBe(in_array($step->value, ['offices', 'forms', 'kits', 'rules'], true));
})->with(SetupStep::cases());
