<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\Commission;
use App\Models\DealFile;
use Unanimus\Commission\Proposed;
use Unanimus\Money\Money;
use Unanimus\Parties\Side;
use Unanimus\Terms\Term;

/**
 * What a file brings: by its authorized sheets, by those that are entered, and before that by what its terms say of the commission.
 */
final readonly class Brings
{
    private function __construct(public ?Money $gross, public ?Money $company, private int $sheets, private int $authorized)
    {
    }

    /** @param  DealFile  $file  with its commissions; where a kept expectation is of other figures it is computed anew, and kept */
    public static function of(DealFile $file): self
    {
        $gross = $company = null;
        foreach ($file->commissions as $commission) {
            $expected = $commission->expected;
            if ($commission->authorized_at === null && ($expected['of'] ?? null) !== Expected::figures($file)) {
                $expected = Expected::of($file, $commission);
                $commission->update(['expected' => $expected]);
            }
            if ($expected !== null) {
                $gross = ($gross ?? Money::zero())->plus(Money::of((string) $expected['gross']));
                $company = ($company ?? Money::zero())->plus(Money::of((string) $expected['company']));
            }
        }

        return new self(
            $gross ?? self::byTerms($file),
            $company,
            $file->represents->isBoth() ? 2 : 1,
            $file->commissions->whereNotNull('authorized_at')->count(),
        );
    }

    /** Where its disbursement stands, in words. */
    public function stands(): string
    {
        return match (true) {
            $this->authorized >= $this->sheets => 'authorized',
            $this->authorized > 0 => 'one side authorized',
            $this->company !== null => 'computed',
            $this->gross !== null => 'by the terms',
            default => '–',
        };
    }

    /** Before anything is entered: the price by the rates that the terms name for our sides. */
    private static function byTerms(DealFile $file): ?Money
    {
        // Of a referral the price is not what ours is a percentage of.
        if (! $file->kind->isDeal()) {
            return null;
        }
        // The terms alone: who is in the file and what is attached says nothing of it, and a list asks this of each of its files.
        $known = $file->knownFacts->pluck('value', 'name');
        $price = (string) $known->get('price');
        $sides = $file->represents->isBoth() ? $file->kind->sides() : array_filter([$file->represents->side()]);

        return Proposed::byTerms($price === '' ? null : Money::of($price), array_values(array_map(
            static fn (Side $side) => $known->get(($side->isListing() ? Term::ListingCommission : Term::BuyerCommission)->value),
            $sides,
        )));
    }
}
