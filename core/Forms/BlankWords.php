<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Terms\Kind;
use Unanimus\Terms\Term;

/**
 * Which fact of a deal the words before and after a blank ask for.
 *
 * @internal to its area
 */
final class BlankWords
{
    /** Words before and after a place, which is written "__". */
    private const AROUND = [
        '/__ (\w+ )?days? (in which )?(to|for) [^_]*\binspect/' => 'inspection_days',
        '/__ (\w+ )?days? (to|for) [^_]*\bapprais/' => 'appraisal_days',
        '/__ (\w+ )?days? (to|for) [^_]*\bearnest/' => 'earnest_days',
        '/__ (\w+ )?days? (to|for) [^_]*\b(loan|financing|mortgage)/' => 'loan_days',
        '/\b(inspect\w*|due diligence)\b[^_]*__ (\w+ )?days?\b/' => 'inspection_days',
        '/\bapprais\w*\b[^_]*__ (\w+ )?days?\b/' => 'appraisal_days',
        '/\bearnest\b[^_]*__ (\w+ )?days?\b/' => 'earnest_days',
        '/\b(loan|financing|mortgage)\b[^_]*__ (\w+ )?days?\b/' => 'loan_days',
        '/\b(loan|mortgage|financ\w+)\b[^_]*__ ?%|__ ?% (of|of the) [^_]*\bprice/' => 'loan_percent',
        '/__ ?\((the )?["“\']?sellers?\b/' => 'sellers.names',
        '/__ ?\((the )?["“\']?(buyers?|purchasers?)\b/' => 'buyers.names',
        '/__ ?\((the )?["“\']?(tenants?|lessees?)\b/' => 'tenants.names',
        '/__ ?\((the )?["“\']?(landlords?|lessors?)\b/' => 'landlords.names',
        '/\b(clos(e|es|ed|ing)|settle(d|ment)?) (takes place )?(on or before|on|by) __/' => 'closing',
        '/\b(lease|term|tenancy) (begins?|starts?|commences?)( on)? __/' => 'lease_start',
        '/\b((lease|term|tenancy|and) (ends?|expires?)|through)( on)? __/' => 'lease_end',
        '/\b(agreement|contract|offer) is (made|dated)( this| on| as of)? __/' => 'offer_date',
        '/\b(property|premises|home|house) (is )?(at|located at|situated at|known as) __/' => 'property.address',
        '/\binclud(ed|es)( items| in the sale)? __/' => 'included',
        '/\bexclud(ed|es)( items| from the sale)? __/' => 'excluded',
    ];

    /** Facts that are bound only where a blank holds what they are. */
    private const MONEY = ['price', 'list_price', 'earnest_money', 'loan_amount', 'down_payment', 'concessions', 'rent', 'deposit'];

    private const DAYS = ['closing', 'possession', 'acceptance', 'offer_date', 'offer_expiry', 'lease_start', 'lease_end'];

    /** Words before a place, the first that fit. */
    private const BEFORE = [
        '/listing (no\b\.?|number|#)/' => 'listing.number',
        '/purchase price|sales? price|agreed price/' => 'price',
        '/list(ing)? price|asking price/' => 'list_price',
        '/earnest money|good faith deposit/' => 'earnest_money',
        '/loan amount|amount of (the )?loan|amount financed/' => 'loan_amount',
        '/down payment/' => 'down_payment',
        '/seller.?s? (credit|concession)|concession/' => 'concessions',
        '/closing date|date of closing|closing (shall|will)|close of escrow|settlement date/' => 'closing',
        '/possession/' => 'possession',
        '/acceptance date|date of acceptance|effective date/' => 'acceptance',
        '/offer date|date of (the )?offer|dated/' => 'offer_date',
        '/expires|expiration/' => 'offer_expiry',
        '/escrow (holder|agent|company)|title company/' => 'escrow_holder',
        '/^lender|name of lender/' => 'lender',
        '/property address|address of (the )?property|real property (located )?at/' => 'property.address',
        '/street address|(^|for |the )property$|premises/' => 'property.address',
        '/parcel|tax id|assessor/' => 'property.parcel',
        '/legal description/' => 'property.legal',
        '/county/' => 'property.county',
        '/\bcity\b|\btown\b/' => 'property.city',
        '/\bzip\b|postal code/' => 'property.zip',
        '/^state$/' => 'property.state',
        '/\blot\b/' => 'property.lot',
        '/\bblock\b/' => 'property.block',
        '/subdivision/' => 'property.subdivision',
        '/year built|built in/' => 'property.year_built',
        '/flood zone/' => 'property.flood_zone',
        '/monthly rent|^rent/' => 'rent',
        '/security deposit/' => 'deposit',
        '/listing (agent|broker)|seller.?s (agent|broker)/' => 'coagent.1.name',
        '/buyer.?s (agent|broker)|selling agent|agent.?s? name|^agent/' => 'agent.1.name',
        '/brokerage|firm|company name/' => 'brokerage.name',
        '/buyer ?(no\.?)? ?2|second buyer|co-?buyer/' => 'buyer.2.name',
        '/^buyer ?1/' => 'buyer.1.name',
        '/^buyer(\(s\)|s)?( names?)?$|names? of buyers?|buyer.{0,3} legal name|(between|by and between)$/' => 'buyers.names',
        '/seller ?(no\.?)? ?2|second seller|co-?seller/' => 'seller.2.name',
        '/^seller ?1/' => 'seller.1.name',
        '/^(and )?seller(\(s\)|s)?( names?)?$|names? of sellers?|seller.{0,3} legal name/' => 'sellers.names',
    ];

    /** The fact a blank of that kind follows; null when its words name none. */
    public static function binding(string $label, string $after, Kind $kind): ?string
    {
        $label = mb_strtolower(trim($label, " \t:.,$#"));
        $around = $label.' __ '.mb_strtolower(trim($after));
        foreach (self::AROUND as $pattern => $fact) {
            if (preg_match("{$pattern}u", $around) === 1) {
                return self::fits($fact, $kind);
            }
        }
        foreach (self::BEFORE as $pattern => $fact) {
            if (preg_match("{$pattern}u", $label) === 1) {
                return self::fits($fact, $kind);
            }
        }

        return null;
    }

    /** A day count "… days after acceptance" is not the day itself, nor a percentage the price. */
    private static function fits(string $fact, Kind $kind): ?string
    {
        $kinds = match (true) {
            in_array($fact, self::MONEY, true) => [Kind::Money, Kind::Text],
            in_array($fact, self::DAYS, true) => [Kind::Date, Kind::Text],
            Term::tryFrom($fact)?->kind() === Kind::Percent => [Kind::Percent, Kind::Number],
            Term::tryFrom($fact)?->kind() === Kind::Number => [Kind::Number, Kind::Text],
            default => [Kind::Text, Kind::Lines, Kind::Number],
        };

        return in_array($kind, $kinds, true) ? $fact : null;
    }
}
