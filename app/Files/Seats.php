<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Terms\Term;

/** Which seats and terms the opening sheet asks for: by side and kind, those that are taken and one more of each. */
final class Seats
{
    /** @return list<string> */
    public static function asked(DealFile $file): array
    {
        $least = match ($file->kind) {
            DealKind::Lease => ['tenant' => 2, 'landlord' => 1],
            DealKind::Referral => [($file->represents->side() ?? Side::Buyer)->value => 1, 'coagent' => 1],
            DealKind::Papers => [],
            DealKind::Sale => $file->represents === Representation::Seller ? ['seller' => 2, 'buyer' => 2] : ['buyer' => 2, 'seller' => 2],
        };
        $seats = [];
        foreach ([...$least, 'coagent' => 1, 'escrow' => 1, 'lender' => 1, 'other' => 0] as $name => $count) {
            $role = PartyRole::from($name);
            if (! $file->isOwnAffair($role->side())) {
                continue;
            }
            $taken = (int) $file->parties->where('role', $role)->max('number');
            $more = $role->isClient() || $role === PartyRole::Other ? 1 : 0;
            for ($number = 1; $number <= max($count, $taken + $more) && $number < 50; $number++) {
                $seats[] = "{$role->value}.{$number}";
            }
        }

        return $seats;
    }

    private const SOURCES = 'past client, website, open house';

    /** @return array{list<array{Term, string}>, list<array{Term, string}>} two columns of terms, each with a hint */
    public static function terms(DealFile $file): array
    {
        $columns = match ($file->kind) {
            DealKind::Lease => [
                [[Term::Rent, 'a month'], [Term::Deposit, ''], [Term::Agency, '']],
                [
                    [Term::OfferDate, ''],
                    [Term::Acceptance, ''],
                    [Term::LeaseStart, ''],
                    [Term::LeaseEnd, ''],
                    [Term::Possession, ''],
                    [Term::CommissionNote, ''],
                    [Term::ClientSource, self::SOURCES],
                ],
            ],
            DealKind::Referral => [
                [[Term::ReferredTo, 'the other brokerage'], [Term::ReferralPercent, '25']],
                [[Term::Price, ''], [Term::Closing, ''], [Term::CommissionNote, ''], [Term::ClientSource, self::SOURCES]],
            ],
            DealKind::Papers => [[], []],
            DealKind::Sale => [
                [
                    [Term::Price, '412,500 or 450k'],
                    [Term::EarnestMoney, ''],
                    [Term::Financing, ''],
                    [Term::LoanPercent, '96.5'],
                    [Term::LoanGiven, ''],
                    [Term::Concessions, ''],
                    [Term::BuyerCosts, ''],
                    [Term::SaleOfHome, ''],
                    [Term::EscrowHolder, ''],
                    [Term::Lender, ''],
                    [Term::Included, ''],
                    [Term::Excluded, ''],
                    [Term::Agency, ''],
                ],
                [
                    ...$file->represents->isListing() ? [[Term::ListedOn, ''], [Term::ListingExpires, '']] : [],
                    [Term::OfferDate, '11/23'],
                    [Term::OfferExpiry, ''],
                    [Term::OfferExpiryTime, '5pm'],
                    [Term::Acceptance, ''],
                    [Term::AcceptanceTime, '4:10pm'],
                    [Term::Closing, '18 Dec'],
                    [Term::Possession, ''],
                    [Term::EarnestDays, 'days'],
                    [Term::InspectionDays, 'days'],
                    [Term::AppraisalDays, 'days'],
                    [Term::LoanDays, 'days'],
                    ...$file->represents->isListing() ? [[Term::ListingCommission, '2.75']] : [],
                    ...$file->represents->side()?->isListing() === true ? [] : [[Term::BuyerCommission, '2.5']],
                    [Term::CommissionNote, 'a bonus, a reduced rate'],
                    [Term::ClientSource, self::SOURCES],
                ],
            ],
        };

        return [self::own($file, $columns[0]), self::own($file, $columns[1])];
    }

    /**
     * @param list<array{Term, string}> $terms
     * @return list<array{Term, string}> those that are not the other side's own
     */
    private static function own(DealFile $file, array $terms): array
    {
        return array_values(array_filter($terms, static fn (array $term) => $file->isOwnAffair($term[0]->side())));
    }
}
