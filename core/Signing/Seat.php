<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * A place at the table: a role and its number, "buyer 2".
 */
final readonly class Seat implements \Stringable
{
    /** The roles, in the order they stand on the board. */
    public const ROLES = ['buyer', 'seller', 'tenant', 'landlord', 'agent', 'coagent', 'broker', 'escrow', 'lender', 'other'];

    private function __construct(public string $role, public int $number)
    {
    }

    /**
     * A seat from its text "buyer.2".
     *
     * @throws \InvalidArgumentException when it is no seat
     */
    public static function of(string $text): self
    {
        if (preg_match('/^([a-z]+)\.([1-9]\d?)$/', $text, $m) !== 1 || ! in_array($m[1], self::ROLES, true)) {
            throw new \InvalidArgumentException("“{$text}” is no seat in a deal.");
        }

        return new self($m[1], (int) $m[2]);
    }

    /**
     * The roles whom those who serve a side ask to sign: their clients, themselves and their broker; the other side signs with
     * its own agent, unless both are ours.
     *
     * @return list<string>
     */
    public static function askedBy(string $side): array
    {
        return $side === 'both' ? ['buyer', 'seller', 'tenant', 'landlord', 'agent', 'broker'] : [$side, 'agent', 'broker'];
    }

    /** The shape it is drawn in: buyers circle, sellers square, agents diamond, broker hexagon, others triangle. */
    public function shape(): string
    {
        return match ($this->role) {
            'buyer', 'tenant' => 'circle',
            'seller', 'landlord' => 'square',
            'agent', 'coagent' => 'diamond',
            'broker' => 'hexagon',
            default => 'triangle',
        };
    }

    /** What stands inside the shape. */
    public function letter(): string
    {
        return match ($this->role) {
            'agent' => $this->number === 1 ? 'A' : "A{$this->number}",
            'coagent' => 'L',
            'broker' => 'B',
            'escrow' => 'E',
            'lender' => '$',
            default => (string) $this->number,
        };
    }

    /** As read: "buyer 2", "agent". */
    public function label(): string
    {
        return match ($this->role) {
            'agent' => $this->number === 1 ? 'agent' : "agent {$this->number}",
            'coagent' => 'other agent',
            'broker', 'escrow', 'lender' => $this->role,
            default => "{$this->role} {$this->number}",
        };
    }

    /** The color family in the style sheet. */
    public function tone(): string
    {
        return match ($this->shape()) {
            'circle' => 'buyer',
            'square' => 'seller',
            'diamond' => 'agent',
            'hexagon' => 'broker',
            default => 'other',
        };
    }

    /** The side it sits on, whose own affairs are not the other's; null for those who serve both. */
    public function side(): ?string
    {
        return in_array($this->role, ['buyer', 'seller', 'tenant', 'landlord'], true) ? $this->role : null;
    }

    /** Where it stands in the order of seats. */
    public function order(): int
    {
        return (int) array_search($this->role, self::ROLES, true) * 100 + $this->number;
    }

    /** "buyer.2". */
    public function __toString(): string
    {
        return "{$this->role}.{$this->number}";
    }
}
