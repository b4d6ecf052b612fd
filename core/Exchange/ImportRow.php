<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Terms\Address;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * One row of a table, read as a file: what it would hold, and what of it cannot be read.
 */
final readonly class ImportRow
{
    private const SIDES = [
        'buyer' => 'buyer',
        'buyers' => 'buyer',
        'buy' => 'buyer',
        'buying' => 'buyer',
        'purchase' => 'buyer',
        'seller' => 'seller',
        'sellers' => 'seller',
        'sell' => 'seller',
        'selling' => 'seller',
        'listing' => 'seller',
        'both' => 'both',
        'dual' => 'both',
        'tenant' => 'tenant',
        'lessee' => 'tenant',
        'landlord' => 'landlord',
        'lessor' => 'landlord',
    ];

    private const KINDS = [
        'sale' => 'sale',
        'purchase' => 'sale',
        'residential sale' => 'sale',
        'lease' => 'lease',
        'rental' => 'lease',
        'rent' => 'lease',
        'referral' => 'referral',
    ];

    private const STATUSES = [
        'preparing' => 'preparing',
        'draft' => 'preparing',
        'new' => 'preparing',
        'active' => 'active',
        'listed' => 'active',
        'under contract' => 'under_contract',
        'contract' => 'under_contract',
        'pending' => 'under_contract',
        'in contract' => 'under_contract',
        'closed' => 'closed',
        'sold' => 'closed',
        'terminated' => 'terminated',
        'cancelled' => 'terminated',
        'canceled' => 'terminated',
        'expired' => 'expired',
        'withdrawn' => 'withdrawn',
    ];

    private const LOANS = [
        'cash' => 'cash',
        'none' => 'cash',
        'conventional' => 'conventional',
        'conv' => 'conventional',
        'conventional loan' => 'conventional',
        'government' => 'government',
        'government insured' => 'government',
        'government insured loan' => 'government',
    ];

    /**
     * @param array<string, string> $facts as kept
     * @param array<string, array<string, string>> $parties by seat: name, email, phone
     * @param list<string> $labels
     * @param list<string> $faults in words; a row with any is not opened
     * @param string $folder in which its documents lie, as the row says
     */
    private function __construct(
        public array $facts,
        public array $parties,
        public string $listing,
        public Representation $represents,
        public DealKind $kind,
        public DealStatus $status,
        public string $agent,
        public array $labels,
        public array $faults,
        public string $folder = '',
    ) {
    }

    /**
     * Reads a row.
     *
     * @param list<string> $cells
     * @param array<int, string> $matched what each column holds; '' is left aside
     */
    public static function read(array $cells, array $matched, LocalDate $today): self
    {
        $given = [];
        foreach ($matched as $column => $fact) {
            if ($fact !== '' && ($cells[$column] ?? '') !== '') {
                $given[$fact] = $cells[$column];
            }
        }
        $faults = [];
        if (count($cells) > count($matched)) {
            $faults[] = 'The row has more cells than there are columns; look for a separator that is not in quotes.';
        }
        [$facts, $parties] = [[], []];
        foreach ($given as $fact => $text) {
            $item = Term::tryFrom($fact) ?? PropertyFact::tryFrom($fact);
            if ($item !== null) {
                try {
                    $facts[$fact] = $item->choices() === null ? $item->kind()->parse($text, $today) : self::choice($item, $text);
                    $item instanceof Term && $item->check($facts[$fact], $text);
                } catch (EntryUnreadable $unreadable) {
                    $faults[] = "{$item->label()}: {$unreadable->getMessage()}";
                }
            } elseif (preg_match('/^((?:buyer|seller|tenant|landlord)\.\d)\.(name|email|phone)$/', $fact, $m) === 1) {
                $m[2] === 'email' && filter_var($text, FILTER_VALIDATE_EMAIL) === false
                    ? ($faults[] = "“{$text}” is not an email address.")
                    : ($parties[$m[1]][$m[2]] = mb_substr($text, 0, 200));
            }
        }
        if (isset($given['address'])) {
            $facts += self::address($given['address']);
        }
        $parties = array_filter($parties, static fn (array $party) => isset($party['name']));
        $kind = DealKind::from(self::word('kind', $given['kind'] ?? '', self::KINDS, 'sale', $faults));
        $represents = Representation::from(
            self::word('side', $given['represents'] ?? '', self::SIDES, self::guessSide($kind, $parties)->value, $faults),
        );
        $status = self::word(
            'status',
            $given['status'] ?? '',
            self::STATUSES,
            isset($facts['acceptance']) ? 'under_contract' : 'preparing',
            $faults,
        );
        if ($facts === [] && $parties === [] && ($given['listing.number'] ?? '') === '') {
            $faults[] = 'It has no address, name, or listing number.';
        }

        return new self(
            $facts,
            $parties,
            mb_strtoupper(trim($given['listing.number'] ?? '')),
            $represents,
            $kind,
            DealStatus::from($status),
            trim($given['agent'] ?? ''),
            array_values(
                array_filter(
                    array_map(trim(...), preg_split('/[,;|]/', $given['labels'] ?? '') ?: []),
                    static fn (string $label) => $label !== '',
                ),
            ),
            $faults,
            trim($given['folder'] ?? ''),
        );
    }

    /** What its address is known by; empty without one. */
    public function addressKey(): string
    {
        return Address::of(
            $this->facts['property.street'] ?? '',
            $this->facts['property.unit'] ?? '',
            $this->facts['property.city'] ?? '',
            $this->facts['property.state'] ?? '',
            $this->facts['property.zip'] ?? '',
        )->key();
    }

    /** In one line, for the report. */
    public function name(): string
    {
        return implode(
            ' · ',
            array_filter([
                trim(($this->facts['property.street'] ?? '').' '.($this->facts['property.unit'] ?? '')),
                implode(' & ', array_column($this->parties, 'name')),
                $this->listing,
            ]),
        );
    }

    /** @return array<string, string> */
    private static function address(string $typed): array
    {
        $address = Address::parse($typed);

        return array_filter(
            [
                'property.street' => $address->street,
                'property.unit' => $address->unit,
                'property.city' => $address->city,
                'property.state' => $address->state,
                'property.zip' => $address->zip,
            ],
            static fn (string $part) => $part !== '',
        );
    }

    private static function choice(Term|PropertyFact $item, string $text): string
    {
        $plain = ColumnMatch::plain($text);
        $choices = $item->choices() ?? [];
        $kept = match (true) {
            isset($choices[$plain]) => $plain,
            $item === Term::Financing => self::LOANS[$plain] ?? null,
            $item === PropertyFact::Kind => [
                'condominium' => 'condo',
                'single family home' => 'single family',
                'house' => 'single family',
                'sfr' => 'single family',
                'multi family' => 'multi-family',
                'lot' => 'land',
                'vacant land' => 'land',
            ][$plain] ?? null,
            isset($choices['yes']) => [
                'y' => 'yes',
                'true' => 'yes',
                '1' => 'yes',
                'x' => 'yes',
                'n' => 'no',
                'false' => 'no',
                '0' => 'no',
            ][$plain] ?? null,
            default => null,
        };

        return $kept ?? throw new EntryUnreadable("“{$text}” is none of ".implode(', ', $choices).'.');
    }

    /**
     * @param array<string, string> $words
     * @param list<string> $faults
     */
    private static function word(string $what, string $text, array $words, string $else, array &$faults): string
    {
        $plain = ColumnMatch::plain($text);
        if ($plain === '') {
            return $else;
        }
        if (! isset($words[$plain])) {
            $faults[] = "“{$text}” is no {$what} known here: ".implode(', ', array_unique($words)).'.';
        }

        return $words[$plain] ?? $else;
    }

    /** @param  array<string, array<string, string>>  $parties */
    private static function guessSide(DealKind $kind, array $parties): Side
    {
        $has = static fn (Side $side) => isset($parties["{$side->value}.1"]);
        $listing = $kind->listingSide();

        return $has($listing) && ! $has($listing->across()) ? $listing : $listing->across();
    }
}
