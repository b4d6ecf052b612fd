<?php

declare(strict_types=1);

use Unanimus\Roster\ListedPerson;
use Unanimus\Roster\PeopleList;

/** @return list<list<string>> */
function listed(string $text, array $offices = ['Fernhollow', 'Upper Quoin']): array
{
    return array_map(fn (ListedPerson $one) => [$one->name, $one->email, $one->role, $one->office], PeopleList::read($text, $offices));
}

it('reads people however a line is written', function (string $line, array $person) {
    expect(listed($line))->toBe([$person]);
})->with([
    'commas' => ['Suki Arendt, suki@fernhollow.example, agent', ['Suki Arendt', 'suki@fernhollow.example', 'agent', '']],
    'tabs' => [
        "suki@fernhollow.example\tAgent\tSuki Arendt\tupper quoin",
        ['Suki Arendt', 'suki@fernhollow.example', 'agent', 'Upper Quoin'],
    ],
    'semicolons' => ['Suki;Arendt;suki@fernhollow.example;TC', ['Suki Arendt', 'suki@fernhollow.example', 'coordinator', '']],
    'as in an email' => [
        'Suki Arendt <suki@fernhollow.example>, Managing Broker',
        ['Suki Arendt', 'suki@fernhollow.example', 'broker', ''],
    ],
    'quotes' => ['"Arendt, Suki",suki@fernhollow.example,"Sales  Agent"', ['Arendt, Suki', 'suki@fernhollow.example', 'agent', '']],
    'no address' => ['Suki Arendt, agent', ['Suki Arendt', '', 'agent', '']],
    'no role' => ['Suki Arendt, suki@fernhollow.example, wizard', ['Suki Arendt wizard', 'suki@fernhollow.example', '', '']],
    'two addresses' => ['Suki, suki@a.example, suki@b.example', ['Suki suki@b.example', 'suki@a.example', '', '']],
]);

it('leaves out headings and empty lines, and keeps each line as it stood', function () {
    $people = PeopleList::read("Name,E-Mail,Role\r\n\r\n  Suki, suki@a.example, agent \n,,\nBram, bram@a.example, admin");
    expect(array_map(fn (ListedPerson $one) => $one->line, $people))
        ->toBe(['Suki, suki@a.example, agent', 'Bram, bram@a.example, admin'])
        ->and($people[1]->role)
        ->toBe('administrator');
});

it('reads no more than it says', function () {
    expect(PeopleList::read(str_repeat("A, a@a.example, agent\n", PeopleList::MOST + 1)))->toHaveCount(PeopleList::MOST);
});

it('knows roles by what they are called elsewhere', function (string $word, ?string $role) {
    expect(PeopleList::role($word))->toBe($role);
})->with([['Transaction-Coordinator', 'coordinator'], [' BROKER ', 'broker'], ['Accountant', 'bookkeeper'], ['', null], ['owner', null]]);
