<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/**
 * Whom the brokerage serves in a deal, beyond whose file it is: what is disclosed to the clients, and whether they have to agree.
 */
enum Agency: string
{
    case Client = 'client';
    case Unrepresented = 'unrepresented';
    case Designated = 'designated';
    case Both = 'both';
    case Neither = 'neither';

    /** As read on the screen. */
    public function label(): string
    {
        return match ($this) {
            self::Client => 'our clients only',
            self::Unrepresented => 'our clients; the other side has no agent',
            self::Designated => 'a designated agent of ours for each side',
            self::Both => 'both sides, with their consent',
            self::Neither => 'neither side, as a facilitator',
        };
    }

    /** @return array<string, string> as kept and as read */
    public static function choices(): array
    {
        return array_combine(
            array_column(self::cases(), 'value'),
            array_map(static fn (self $one) => $one->label(), self::cases()),
        );
    }

    /** Whether both sides have to agree in writing that one brokerage serves both. */
    public function needsConsent(): bool
    {
        return $this === self::Both || $this === self::Designated;
    }

    /**
     * What papers say of it. As long as it is not set, a brokerage that represents one side acts for that side.
     *
     * @return array<string, Fact>
     */
    public static function facts(Facts $facts): array
    {
        $agency = self::tryFrom((string) $facts->value(Term::Agency->value));
        $sides = ['buyer' => 'buyer', 'tenant' => 'buyer', 'seller' => 'seller', 'landlord' => 'seller'];
        $ours = $sides[$facts->value('represents')] ?? null;
        $source = $agency === null ? 'whom we represent' : 'whom we act for';
        $told = [
            'agency.buyers' => self::toldTo('buyer', $agency, $ours),
            'agency.sellers' => self::toldTo('seller', $agency, $ours),
            'agency.first' => $agency === self::Both ? 'both' : ($agency === self::Neither ? null : $ours),
            'agency.second' => $agency === self::Client || $agency === self::Designated
                ? ['buyer' => 'seller', 'seller' => 'buyer'][$ours] ?? null
                : null,
            'agency.consent' => $agency === null ? null : ($agency->needsConsent() ? 'yes' : 'no'),
            'clients.names' => $facts->value($facts->value('represents').'s.names'),
        ];

        return array_map(
            static fn (string $value) => new Fact($value, $source),
            array_filter($told, static fn (?string $value) => $value !== null),
        );
    }

    /** Whom the brokerage acts for, as it is told to the buyers or to the sellers. */
    private static function toldTo(string $whom, ?self $agency, ?string $ours): ?string
    {
        return match ($agency) {
            self::Both => 'both',
            self::Neither => 'neither',
            // Each side is served by an agent of its own, ours or not.
            self::Designated => $whom,
            default => $ours,
        };
    }
}
