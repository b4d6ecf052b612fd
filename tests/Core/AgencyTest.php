<?php

declare(strict_types=1);

use Unanimus\Terms\Agency;
use Unanimus\Terms\Derived;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Term;

/** @return array<string, string|null> what papers say of it */
function agencyOf(string $represents, ?string $agency): array
{
    $facts = Derived::from(Facts::from(array_filter(['represents' => $represents, 'agency' => $agency])));

    return array_map(
        static fn (string $name) => $facts->value("agency.{$name}"),
        ['buyers' => 'buyers', 'sellers' => 'sellers', 'first' => 'first', 'second' => 'second', 'consent' => 'consent'],
    );
}

it('tells each side whom the brokerage acts for', function (string $represents, ?string $agency, array $expected) {
    expect(array_values(agencyOf($represents, $agency)))->toBe($expected);
})->with([
    'buyers, nothing set' => ['buyer', null, ['buyer', 'buyer', 'buyer', null, null]],
    'sellers, nothing set' => ['seller', null, ['seller', 'seller', 'seller', null, null]],
    'tenants' => ['tenant', null, ['buyer', 'buyer', 'buyer', null, null]],
    'a landlord' => ['landlord', 'client', ['seller', 'seller', 'seller', 'buyer', 'no']],
    'both sides in one file, nothing set: nobody has said how' => ['both', null, [null, null, null, null, null]],
    'buyers only' => ['buyer', 'client', ['buyer', 'buyer', 'buyer', 'seller', 'no']],
    'the other side has no agent' => ['seller', 'unrepresented', ['seller', 'seller', 'seller', null, 'no']],
    'an agent of ours for each' => ['both', 'designated', ['buyer', 'seller', null, null, 'yes']],
    'the same, from the buyers’ file' => ['buyer', 'designated', ['buyer', 'seller', 'buyer', 'seller', 'yes']],
    'both' => ['both', 'both', ['both', 'both', 'both', null, 'yes']],
    'neither' => ['seller', 'neither', ['neither', 'neither', null, null, 'no']],
]);

it('names our clients, and offers every kind of agency as a choice', function () {
    $lease = Facts::from(['represents' => 'tenant', 'tenants.names' => 'Noor Petterson', 'landlords.names' => 'Copperbeech']);
    expect(Derived::from($lease)->value('clients.names'))
        ->toBe('Noor Petterson')
        ->and(Derived::from(Facts::from(['represents' => 'both', 'buyers.names' => 'Leonie Abara']))->value('clients.names'))
        ->toBeNull()
        ->and(Term::Agency->choices())
        ->toBe(Agency::choices())
        ->and(array_keys(Agency::choices()))
        ->toBe(['client', 'unrepresented', 'designated', 'both', 'neither'])
        ->and(array_map(static fn (Agency $one) => $one->needsConsent(), Agency::cases()))
        ->toBe([false, false, true, true, false]);
});
