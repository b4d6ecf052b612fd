<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\Commission;
use App\Models\DealFile;
use App\Terms\FactBook;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entered;
use Unanimus\Commission\ReckoningRefused;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Side;

/** The sheet of a file's side: reckoned from what was entered, the price and the agents' plans; of an authorized one, as it was. */
final readonly class SheetOf
{
    /**
     * @param array<string, PlanYear|null> $years plan of each agent on the closing day, by the name they go under
     * @param array<string, array{string, string}> $names
     * @param array<string, mixed> $given
     */
    private function __construct(
        public ?CommissionSheet $sheet,
        public string $told,
        public array $years,
        public array $names,
        public array $given,
    ) {
    }

    /**
     * Null where there is no price yet.
     *
     * @param Entered|null $entered instead of what is stored
     * @param Money|null $price instead of the file's
     * @param LocalDate|null $on the closing day instead of the file's
     */
    public static function of(DealFile $file, ?Side $side, ?Entered $entered = null, ?Money $price = null, ?LocalDate $on = null): ?self
    {
        $commission = $file->commission;
        if ($entered === null && $commission?->reckoned !== null && $commission->authorized_at !== null) {
            return self::authorized($commission);
        }
        $entered ??= $commission?->entered();
        $price ??= $commission->price ?? self::price($file);
        if ($price === null) {
            return null;
        }
        $closing = $on ?? self::closing($file);
        $day = $closing ?? $file->office->today();
        $before = Before::sheet($file, $side, $commission, $day);
        $agents = SheetAgents::of($file, $side, $day, $before);
        $given = $agents->given((array) ($entered->kept['splits'] ?? []));
        // Entered before every line had a place of its own: the rate, the split and the fee.
        if ($commission !== null && $entered !== null && $entered->kept === [] && $commission->given === []) {
            $entered = $commission->enteredBefore((string) array_key_first($agents->names));
            $given = array_map(static fn (array $one) => $one['plan'] === [] && $commission->agent_share !== null
                ? [...$one, 'plan' => ['rate' => $commission->agent_share->decimal()]]
                : $one, $given);
        }
        $facts = FactBook::of($file);
        $names = [
            ...$agents->names,
            'company' => [$facts->value('brokerage.name') ?? 'Company', 'company'],
            'client' => ['Credit to the client', 'client'],
        ];
        if ($entered === null) {
            return new self(null, '', $agents->years, $names, []);
        }
        try {
            $closing === null && array_filter($agents->years) !== []
                && throw new ReckoningRefused('The closing day is missing: it decides the plan year.');
            $soFar = CapsSoFar::of($file, $entered, $agents, $day, $before);
            $all = [
                'closing' => $day->iso(),
                'agents' => $given,
                'sides' => [$entered->side($facts, $side->value ?? 'one', $price->decimal(), $agents->ids(), $soFar)],
            ];
            $first = $side?->isListing() === false ? self::listingSheet($file, $side, $price, $day) : null;
            $first?->sheet === null || ($all = $first->sheet->leaves($all));
            $sheet = CommissionSheet::of($price, $all, $names);
        } catch (ReckoningRefused $refused) {
            $told = CommissionSheet::named($refused->getMessage(), $names);

            return new self(null, $told, $agents->years, $names, []);
        }

        return new self($sheet, '', $agents->years, $names, $all);
    }

    /** The price, or of a lease the month's rent; a referral may have none. */
    public static function price(DealFile $file): ?Money
    {
        $facts = FactBook::of($file);
        $stands = (string) ($facts->value('price') ?: $facts->value('rent'));

        return match (true) {
            $stands !== '' => Money::of($stands),
            $file->kind === DealKind::Referral => Money::zero(),
            default => null,
        };
    }

    /** Null: nobody has said it. */
    public static function closing(DealFile $file): ?LocalDate
    {
        $facts = FactBook::of($file);
        $closing = $facts->value('closing') ?: $facts->value('lease_start');

        return $closing === null || $closing === '' ? null : LocalDate::of($closing);
    }

    /** Of what the sheet is computed from: another as soon as anything in it is another, also a total of the plan year. */
    public function fingerprint(): string
    {
        return hash('sha256', json_encode([$this->sheet?->price->decimal(), $this->given, $this->names], JSON_THROW_ON_ERROR));
    }

    /** Whether an earlier sheet has counted otherwise since this one was authorized: it stays as it is, and it is told. */
    public static function earlierChanged(DealFile $file, ?Side $side): bool
    {
        $commission = $file->commission;
        $kept = (array) ($commission->reckoned['given'] ?? []);
        if ($commission === null || $commission->authorized_at === null || $kept === []) {
            return false;
        }
        $now = self::of($file, $side, $commission->entered(), $commission->price, LocalDate::of((string) $kept['closing']));
        $counted = static fn (array $given): array => array_map(
            static fn (array $agent) => array_map(
                static fn (mixed $amount) => Money::of((string) $amount)->cents,
                (array) ($agent['soFar'] ?? []),
            ),
            (array) ($given['agents'] ?? []),
        );

        return $now?->sheet !== null && $counted($now->given) != $counted($kept);
    }

    /** The listing side's sheet of the same deal, from whose totals and debts this one starts; one authorized has counted already. */
    private static function listingSheet(DealFile $file, Side $side, Money $price, LocalDate $day): ?self
    {
        $listing = Commission::query()
            ->where(['deal_file_id' => $file->id, 'side' => $side->across()])
            ->whereNull('authorized_at')
            ->first();
        if ($listing === null) {
            return null;
        }
        $own = $file->commission;
        $file->setRelation('commission', $listing);
        $sheet = self::of($file, $side->across(), price: $price, on: $day);
        $file->setRelation('commission', $own);

        return $sheet;
    }

    private static function authorized(Commission $commission): self
    {
        $kept = (array) $commission->reckoned;

        return new self(
            CommissionSheet::of($commission->price ?? Money::zero(), (array) $kept['given'], (array) $kept['names']),
            '',
            [],
            (array) $kept['names'],
            (array) $kept['given'],
        );
    }
}
