<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * Who a contract that is no form of ours says its parties are: after their label, or before what they are called.
 *
 * @internal to its area
 */
final class SaidPeople
{
    private const ROLES = [
        'buyer' => '(?:buyer|purchaser|offeror)',
        'seller' => '(?:seller|vendor|owner)',
        'tenant' => '(?:tenant|lessee|renter)',
        'landlord' => '(?:landlord|lessor)',
    ];

    /** Of one role. */
    private const MOST = 4;

    private const WORD = '\p{Lu}[\p{L}’\'-]*\.?';

    private const ENTITY = '(?:LLC|L\.L\.C\.|LLP|LP|Inc\.?|Corp\.?|Trust|Trustee)\b';

    /** Words that begin with a capital and are nobody's name. */
    private const NO_NAME = '(?:Agreement|Contract|Property|Address|Date|Price|Purchase|Offer|Listing|Broker|Agent|Realty|'.
        'Buyers?|Sellers?|Tenants?|Landlords?|Purchasers?|The|This|Signature|Name|Phone|Email|Initials|State|County|City|Street|'.
        'Lane|Road|Avenue|Drive|Court|Way)';

    /** @return list<SaidTerm> */
    public static function on(RunningText $page, int $number): array
    {
        $said = [];
        foreach (self::ROLES as $role => $called) {
            $at = 0;
            foreach (self::names($page, $called) as [$name, $from, $quote]) {
                if (++$at > self::MOST) {
                    break;
                }
                $said[] = new SaidTerm("{$role}.{$at}", $name, $quote, $number, $page->place($from, $from + strlen($name)));
            }
        }

        return $said;
    }

    /** @return list<array{string, int, string}> names, where each begins in the text, and the words they stand in */
    private static function names(RunningText $page, string $called): array
    {
        $name = '(?:Estate of )?'.self::WORD.'(?: (?:'.self::WORD.'|de|del|la|van|von|der|den|di|da|y)){1,4}(?:, '.self::ENTITY.')?';
        $names = "(?<v>{$name}(?:(?:,?\\s(?:and|&)\\s|,\\s){$name}){0,3})";
        $patterns = [
            // Buyer(s): Sunniva Eide and José Nguyễn-Ortiz
            "/\\b(?i:{$called})(?:\\(s\\)|s)?(?:[’']s?)?(?i: (?:names?|legal names?|\\(s\\)))? ?: ?{$names}/u",
            // Sunniva Eide and José Nguyễn-Ortiz, husband and wife ("Buyer"), (hereinafter "Buyer"), as Buyer
            "/{$names}(?:,? \\p{Ll}[\\p{Ll} ]{0,50})?,?\\s(?:\\(|,\\s?)?(?i:(?:hereinafter|hereafter|herein|collectively|together|".
                "jointly|the|as|called|referred|to|known|each|both)\\s){0,5}[“\"'‘]?(?i:{$called})s?(?:\\(s\\))?[”\"'’,.)]/u",
            // The Seller is the Estate of Anders Lindqvist
            "/\\b(?i:{$called})s? (?:is|are) (?:the )?{$names}/u",
            // Seller Maren Holt counters
            "/\\b(?i:{$called})s? {$names}(?=,|,? \\p{Ll})/u",
        ];
        foreach ($patterns as $pattern) {
            if (preg_match($pattern, $page->text, $m, PREG_OFFSET_CAPTURE) !== 1) {
                continue;
            }
            $found = [];
            $between = '/,?\s(?:and|&)\s|,\s(?!'.self::ENTITY.')/u';
            foreach (preg_split($between, $m['v'][0], -1, PREG_SPLIT_OFFSET_CAPTURE) ?: [] as [$one, $at]) {
                $one = self::withoutLabel($one);
                if (preg_match('/\b'.self::NO_NAME.'\b/u', $one) !== 1 && mb_strlen($one) <= 80) {
                    $found[] = [$one, $m['v'][1] + $at, trim((string) preg_replace('/\s+/u', ' ', mb_substr($m[0][0], 0, 120)))];
                }
            }
            if ($found !== []) {
                return $found;
            }
        }

        return [];
    }

    /** A name without what stands right before or after it: "Between Greta Lindholm-Osei", "Piet Vantongeren Date", an end of sentence. */
    private static function withoutLabel(string $name): string
    {
        $plain = (string) preg_replace(
            ['/(?: '.self::NO_NAME.')+$/u', '/^(?:Between|By|From|And|With) /u', '/(?<!\bJr|\bSr|\b\p{Lu}|Inc|Corp)\.$/u'],
            '',
            $name,
        );

        return str_contains($plain, ' ') ? $plain : $name;
    }
}
