<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Parties\DealKind;
use Unanimus\Parties\Side;

/** Which forms of the library make a contract, and who has to sign one before it binds. */
final class ContractForms
{
    /** Purchase agreements of a house, a condominium, and land; the lease. */
    private const NUMBERS = ['M-201', 'M-202', 'M-203', 'M-301'];

    private const PARTIES = ['buyer', 'seller', 'tenant', 'landlord'];

    /** Whether a form of that number, signed by its parties, makes a contract. */
    public static function has(?string $number): bool
    {
        return in_array($number, self::NUMBERS, true);
    }

    /** Whether a paper that is none of the library's forms is called as an offer or a contract is; a counteroffer answers one. */
    public static function isOffer(string $title): bool
    {
        if (preg_match('/\bcounter/i', $title) === 1) {
            return false;
        }

        return self::isCalled($title) || preg_match('/\boffer\b|\bcontract (?:of|for) sale\b|\bsales? contract\b/i', $title) === 1;
    }

    /** Whether a paper that is none of the library's forms is called as a contract is: what came in, or is expected. */
    public static function isCalled(string $title): bool
    {
        $called = '(?:real estate )?purchase (?:and sale )?(?:agreement|contract)|(?:residential )?lease(?: agreement)?';

        return preg_match("/^(?:{$called})\\b/i", $title) === 1;
    }

    /**
     * Who has still to sign: the parties it binds. The first of each side is waited for also while nobody is known to be it;
     * a licensee signs beside them and is not waited for.
     *
     * @param Form|null $form null: one from outside, which binds the clients of both sides
     * @param list<string> $taken seats that somebody of the file holds
     * @param list<string> $signed seats that have signed it
     * @return list<string> seats
     */
    public static function unsigned(?Form $form, DealKind $kind, array $taken, array $signed): array
    {
        $first = array_map(static fn (Side $side) => "{$side->value}.1", $kind->sides());
        $seats = $form?->seats() ?? array_values(array_unique([...$first, ...$taken]));
        $parties = array_filter($seats, static fn (string $seat) => in_array(strtok($seat, '.'), self::PARTIES, true));
        $bound = array_filter($parties, static fn (string $seat) => str_ends_with($seat, '.1') || in_array($seat, $taken, true));

        return array_values(array_diff($bound, $signed));
    }
}
