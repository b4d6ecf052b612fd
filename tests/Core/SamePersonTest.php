<?php

declare(strict_types=1);

use Unanimus\Signing\SamePerson;

it('knows one person in two seats by name and address together', function (string $name, ?string $address, bool $is) {
    expect(SamePerson::is('Sunniva Eide', 'sunniva@eide.example', $name, $address))->toBe($is)
        ->and(SamePerson::is($name, $address, 'Sunniva Eide', 'sunniva@eide.example'))->toBe($is);
})->with([
    ['Sunniva Eide', 'sunniva@eide.example', true],
    [' sunniva  eide ', 'Sunniva@Eide.example ', true],
    ['José Nguyễn-Ortiz', 'sunniva@eide.example', false],
    ['Sunniva Eide', 'home@eide.example', false],
    ['Sunniva Eide', '', false],
    ['Sunniva Eide', null, false],
]);

it('takes nobody for another where a name or an address is missing', function () {
    expect(SamePerson::is('', 'a@eide.example', '', 'a@eide.example'))->toBeFalse()
        ->and(SamePerson::is('Sunniva Eide', null, 'Sunniva Eide', null))->toBeFalse();
});
