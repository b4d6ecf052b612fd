<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Parties\PartyRole;

/**
 * The seats that a file has, and who of them is meant where a role and a number are said.
 *
 * @internal to its area
 */
final readonly class SeatsThere
{
    /** In a deal of this kind the same people are called otherwise. */
    private const SAME = ['buyer' => 'tenant', 'tenant' => 'buyer', 'seller' => 'landlord', 'landlord' => 'seller', 'broker' => 'agent'];

    /** @param  list<Seat>  $seats  who may sign; empty: anyone */
    public function __construct(public array $seats)
    {
    }

    /**
     * Who sits there, what they are called, and how sure that is; nobody where the file has no such seat.
     *
     * @param int|null $told the number that it is told with, where nobody has that seat
     * @return array{Seat|null, string, float, PartyRole|null}
     */
    public function at(PartyRole $role, int $number, string $word, ?int $told = null): array
    {
        $told ??= $number;
        $number = min(9, $number);
        if ($this->seats === []) {
            return [Seat::at($role, $number), mb_strtolower($word), 1.0, $role];
        }
        foreach ([[$role, 1.0], [PartyRole::tryFrom(self::SAME[$role->value] ?? ''), 0.8]] as [$one, $sure]) {
            foreach ($this->seats as $seat) {
                if ($seat->role === $one && $seat->number === $number) {
                    return [$seat, mb_strtolower($word), $sure, $role];
                }
            }
            if (array_filter($this->seats, static fn (Seat $seat) => $seat->role === $one) !== []) {
                break;
            }
        }

        return [null, mb_strtolower($word).($told > 1 ? " {$told}" : ''), 0.6, $role];
    }

    /** Whether nobody in the file comes after that one of a role. */
    public function isLast(PartyRole $role, int $number): bool
    {
        $numbers = [];
        foreach ($this->seats as $seat) {
            in_array($seat->role, [$role, PartyRole::tryFrom(self::SAME[$role->value] ?? '')], true) && ($numbers[] = $seat->number);
        }

        return $role->isClient() && $numbers !== [] && $number >= max($numbers);
    }
}
