<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Parties\PartyRole;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Kind;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * The facts of a deal that a blank may follow.
 */
final class Bindings
{
    /** What is put together or computed rather than entered. */
    private const COMPOSED = [
        'property.address' => 'Address of the property',
        'brokerage.name' => 'Name of the brokerage',
        'listing.number' => 'Listing number',
        'loan_amount' => 'Loan amount',
        'down_payment' => 'Down payment',
        'balance' => 'Balance at closing',
        'cash_at_closing' => 'Cash at closing',
        'price_per_area' => 'Price per square foot',
        'agency.buyers' => 'Whom we act for, told to buyers or tenants',
        'agency.sellers' => 'Whom we act for, told to sellers or landlords',
        'agency.first' => 'Whom our agent serves',
        'agency.second' => 'Whom the other agent serves',
        'agency.consent' => 'Both sides have to consent',
        'clients.names' => 'Our clients, all names',
    ];

    private const OF_SEAT = ['name' => 'name', 'firm' => 'company', 'email' => 'email address', 'phone' => 'phone', 'address' => 'address'];

    /** @return array<string, string> the usual ones, name to label, by label */
    public static function all(): array
    {
        $all = self::COMPOSED;
        foreach ([...PropertyFact::cases(), ...Term::cases()] as $item) {
            // What is unusual about our commission, and how a client came to us, is nobody's on a form.
            if ($item === Term::CommissionNote || $item === Term::ClientSource) {
                continue;
            }
            $all[$item->value] = $item->label();
        }
        foreach (PartyRole::values() as $role) {
            in_array($role, ['agent', 'coagent', 'broker', 'escrow', 'lender'], true) ||
                ($all["{$role}s.names"] = ucfirst("{$role}s, all names"));
            foreach (in_array($role, ['buyer', 'seller'], true) ? [1, 2, 3] : [1] as $number) {
                $all["{$role}.{$number}.name"] = ucfirst(Seat::of("{$role}.{$number}")->label()).', name';
            }
        }
        asort($all);

        return $all;
    }

    /** Whether a blank may follow it: a fact by name, or "fact?value" for a tick. */
    public static function isKnown(string $binding): bool
    {
        $fact = explode('?', $binding, 2)[0];
        if (str_ends_with($binding, '?')) {
            return false;
        }

        return isset(self::COMPOSED[$fact]) ||
            PropertyFact::tryFrom($fact) !== null ||
            Term::tryFrom($fact) !== null ||
            in_array($fact, ['represents', 'kind', 'status', 'office', 'entity.party', 'attorney.party'], true) ||
            preg_match('/^attached\.[a-z]{1,3}-\d{1,4}$/', $fact) === 1 ||
            (preg_match('/^([a-z]+)s\.(names|count)$/', $fact, $m) === 1 && in_array($m[1], PartyRole::values(), true)) ||
            (preg_match('/^([a-z]+)\.[1-9]\d?\.([a-z]+)$/', $fact, $m) === 1 &&
                in_array($m[1], PartyRole::values(), true) &&
                isset(self::OF_SEAT[$m[2]]));
    }

    /** As read: "Price", "Buyer 2, name", "Financing is cash". */
    public static function label(string $binding): string
    {
        $fact = explode('?', $binding, 2)[0];
        $label =
            self::all()[$fact] ??
            (preg_match('/^([a-z]+\.\d+)\.([a-z]+)$/', $fact, $m) === 1 && isset(self::OF_SEAT[$m[2]])
                ? ucfirst(Seat::of($m[1])->label()).', '.self::OF_SEAT[$m[2]]
                : $fact);

        return $fact === $binding ? $label : "{$label} is ".substr($binding, strlen($fact) + 1);
    }

    /** What a blank that follows it would hold; null when anything goes. */
    public static function kind(string $binding): ?Kind
    {
        return match (true) {
            str_contains($binding, '?'), str_starts_with($binding, 'attached.') => Kind::Tick,
            in_array($binding, ['loan_amount', 'down_payment', 'balance', 'cash_at_closing', 'price_per_area'], true) => Kind::Money,
            default => Term::tryFrom($binding)?->kind() ?? PropertyFact::tryFrom($binding)?->kind(),
        };
    }
}
