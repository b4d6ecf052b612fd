<?php

declare(strict_types=1);

namespace Unanimus\Forms;

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

    /**
     * Who has still to sign: the parties it binds. A licensee signs beside them and is not waited for.
     *
     * @param list<string> $taken seats that somebody of the file holds
     * @param list<string> $signed seats that have signed the form
     * @return list<string> seats
     */
    public static function unsigned(Form $form, array $taken, array $signed): array
    {
        $parties = array_filter($form->seats(), static fn (string $seat) => in_array(strtok($seat, '.'), self::PARTIES, true));

        return array_values(array_diff(array_intersect($parties, $taken), $signed));
    }
}
