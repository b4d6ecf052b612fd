<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * How contracts say what a deal is: what follows a label or stands in a sentence, caught as "v". The surer before the vaguer.
 *
 * @internal to its area
 */
final class SaidPatterns
{
    /** "From $400,000 to $395,000": what it is changed to. */
    private const MONEY = '(?:from\s\$?[\d,.]+\sto\s)?(?<v>\$\s?\d{1,3}(?:,\d{3})+(?:\.\d\d)?|'.
        '\$\s?\d{3,9}(?:\.\d\d)?|(?<![\d.,\/-])\d{1,3}(?:,\d{3})+(?:\.\d\d)?)(?!\s?%)(?!\d|,\d)';

    private const MONTH = '(?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)[a-z]*\.?';

    private const DAY = '(?:'.self::MONTH.'\s\d{1,2}(?:st|nd|rd|th)?,?\s\d{4}|\d{1,2}(?:st|nd|rd|th)?\sday\sof\s'.self::MONTH.',?\s\d{4}|'.
        '\d{1,2}\/\d{1,2}\/(?:\d{4}|\d\d)\b|\d{1,2}-\d{1,2}-(?:\d{4}|\d\d)\b|\d{4}-\d\d-\d\d)';

    private const DATE = '(?:from\s'.self::DAY.'\sto\s)?(?<v>'.self::DAY.')';

    /** "ten (10) days", "10 business days". */
    private const DAYS = '(?:[a-z-]+\s\()?(?<v>\d{1,3})\)?\s(?:calendar\s|business\s|banking\s)?days?';

    private const TIME = '(?<v>\d{1,2}(?::\d\d)?\s?[ap]\.?m\b\.?|noon|midnight)';

    private const SALE = ['price', 'earnest_money', 'earnest_days', 'closing', 'loan_percent', 'loan_given', 'loan_days',
        'financing', 'lender', 'concessions', 'appraisal_days', 'offer_expiry', 'offer_expiry_time'];

    private const LEASE = ['rent', 'deposit', 'lease_start', 'lease_end'];

    private const LISTING = ['listed_on', 'listing_expires', 'list_price'];

    /** What stands right after a name and is the next blank's label. */
    private const NO_LABEL = '(?!County|State|Z[Ii][Pp]|Parcel|Unit|City|Town)';

    /** Read with their capitals: names. */
    private const NAMED = ['property.county', 'property.city', 'property.zip'];

    /** What a sentence may say between its label and its figure: no other figure, and no other sentence. */
    private const BETWEEN = '[^$\d.]{0,110}?';

    /** The same with an amount in words: "Four Hundred Thousand and 00/100 Dollars (". */
    private const IN_WORDS = '(?:[^$\d.]|\b\d\d\/100\b){0,170}?';

    private const ROAD = 'street|st|avenue|ave|road|rd|lane|ln|drive|dr|court|ct|way|terrace|ter|place|pl|boulevard|blvd|circle|cir|'.
        'trail|trl|parkway|pkwy|highway|hwy|row|ridgeway|square|sq|loop|run|path|crossing|point|alley|turnpike';

    /**
     * @param string $text of the paper: a lease has a rent and no price
     * @return array<string, list<string>> patterns by the name of a term or of a fact of the property
     */
    public static function terms(string $text): array
    {
        $head = mb_substr($text, 0, 400);
        $lists = preg_match('/\blisting\s(?:agreement|contract)\b/iu', $head) === 1;
        $leases = ! $lists && preg_match('/\b(?:lease|rental)\s(?:agreement|contract)\b|\A\W*(?:residential\s)?lease\b/iu', $head) === 1;
        $not = [
            ...$leases ? self::SALE : self::LEASE,
            ...$lists ? [Term::Price->value, Term::OfferDate->value] : self::LISTING,
        ];

        $terms = array_diff_key(self::all(), array_flip($not));
        if (isset($terms[Term::Financing->value]) && self::offersChoice($text)) {
            // What it prints to choose from it does not say.
            $terms[Term::Financing->value] = array_slice($terms[Term::Financing->value], 0, 2);
        }

        return $terms;
    }

    /** Whether a paper speaks of more than one kind of financing. */
    private static function offersChoice(string $text): bool
    {
        $kinds = ['conventional\s(?:loan|mortgage|financing)', '(?:fha|va|usda|government)\b', 'cash\b(?!\sat\sclosing)'];

        return count(array_filter($kinds, static fn (string $kind) => preg_match("/\b{$kind}/iu", $text) === 1)) > 1;
    }

    /** @return array<string, list<string>> */
    private static function all(): array
    {
        $money = self::MONEY;
        $date = self::DATE;
        $day = '(?<v>'.self::DAY.')';
        $days = self::DAYS;
        $between = self::BETWEEN;
        $words = self::IN_WORDS;
        $price = '(?:total\s)?(?:purchase|sales?|selling|contract|offer(?:ed|ing)?)\sprice';
        $ends = '\boffer\b[^.]{0,90}?\b(?:expires?|expiration|open|valid|accepted|withdrawn|void|revoked|terminates?)\b';
        $begins = '\b(?:begin\w*|commenc\w*|start\w*|from)\b[^.\d]{0,30}?'.$day;
        $until = '\b(?:end\w*|expir\w*|through|until|to|terminat\w*)\b[^.\d]{0,30}?'.$day;
        $patterns = [
            Term::Price->value => [
                "{$price}\b{$words}{$money}",
                "(?:agrees?|offers?)\sto\s(?:pay|buy|purchase){$words}{$money}",
                "(?:for|to|at)\s(?:the\s|a\s)?(?:total\s)?(?:sum|price)\s(?:of|shall\sbe|is){$words}{$money}",
                "(?:\A|[\n\t])price\s?:\s?{$money}",
            ],
            Term::EarnestMoney->value => [
                "(?:earnest\smoney|good\sfaith\sdeposit|initial\sdeposit){$words}{$money}",
                "deposits?\b[^$\d.]{0,40}?{$money}",
            ],
            Term::EarnestDays->value => [
                "earnest\smoney[^.]{0,160}?within\s{$days}",
                "within\s{$days}[^.]{0,60}?(?:deposit|deliver)[^.]{0,40}?earnest",
            ],
            Term::Closing->value => [
                "(?:closing|settlement)(?:\sdate|\sday)?\s?:\s?(?:on\sor\sbefore\s)?{$date}",
                "(?:closing|settlement|close\sof\sescrow)(?:\sdate)?\b{$between}{$date}",
                "\b(?:clos(?:e|ed|es|ing)|consummated|settled?)\s(?:on|by|no\slater\sthan|on\sor\sbefore|on\sor\sabout)\s{$date}",
            ],
            Term::Possession->value => [
                "possession\b(?:(?!closing|settlement)[^$\d.]){0,110}?{$date}",
                'possession\b[^.\d]{0,80}?(?<v>(?:at|upon|on|day\sof)\s(?:the\s)?(?:closing|settlement))\b',
            ],
            Term::OfferDate->value => [
                "(?:date\sof\s(?:this\s|the\s)?offer|offer\sdate|offer\sdated?)\s?:?\s?{$date}",
                '\A[^$]{0,400}?\b(?:dated|'.
                    "(?<!settlement )(?<!closing )(?<!expiration )(?<!inspection )date\s?:|".
                    "made\s(?:on|this|as\sof|and\sentered\sinto\son))\s?{$date}",
            ],
            Term::OfferExpiry->value => [
                "{$ends}[^.]{0,70}?{$date}",
                "(?:expiration|expires?|acceptance\sdeadline)(?:\sdate|\son)?\s?:?\s?{$date}",
            ],
            Term::OfferExpiryTime->value => [
                "{$ends}[^.]{0,50}?".self::TIME,
            ],
            Term::Acceptance->value => [
                "(?:(?:mutual\s)?acceptance|effective|ratification|binding(?:\sagreement)?)\sdate\b{$between}{$date}",
                "(?:accepted|ratified)\s(?:by\s(?:all\sparties|the\sseller|seller)\s)?on\s{$date}",
            ],
            Term::Financing->value => [
                '(?:financing|loan|type\sof\s(?:loan|financing))(?:\stype)?\s?:\s?(?<v>conventional|cash|fha|va|usda|government)\b'.
                    '(?!\W{0,6}(?:conventional|cash|fha|va|usda|government|assum|other|owner|seller))',
                '(?:\[\s?[x✓✔]\s?\]|☒|☑|✓|✔)\s?(?<v>conventional|(?:all\s)?cash|fha|va|usda)\b',
                '\b(?<v>conventional|fha|va|usda)(?:[\s-]insured|[\s-]guaranteed)?\s(?:mortgage\s)?(?:loan|mortgage|financing)\b',
                '\b(?<v>all\scash|cash)\s(?:sale|offer|purchase|transaction|at\sclosing)\b',
            ],
            Term::LoanPercent->value => [
                '(?<v>\d{1,3}(?:\.\d+)?\s?%)\s(?:of\sthe\s(?:purchase|sales?|contract)\sprice|loan.to.value|ltv)',
                '(?:loan|mortgage)\s(?:amount\s)?(?:of|for|equal\sto|:)[^.$%\d]{0,30}?(?<v>\d{1,3}(?:\.\d+)?\s?%)',
            ],
            Term::LoanGiven->value => [
                "(?:loan|mortgage)\samount\b{$between}{$money}",
                "(?:loan|mortgage)\s(?:of|for|in\sthe\samount\sof)\s{$money}",
            ],
            Term::LoanDays->value => ["(?:loan|financing|mortgage)\b[^.]{0,120}?(?:approval|commitment|contingency)[^.]{0,80}?{$days}"],
            Term::InspectionDays->value => [
                "(?:inspections?|due\sdiligence)\b[^.]{0,160}?within\s{$days}",
                "(?:inspection|due\sdiligence)(?:\s(?:period|contingency))?\b{$between}{$days}",
                "within\s{$days}[^.]{0,80}?\binspect",
            ],
            Term::AppraisalDays->value => [
                "apprais(?:al|ed)\b[^.]{0,120}?within\s{$days}",
                "appraisal(?:\speriod|\scontingency)?\s?:\s?{$days}",
            ],
            Term::Concessions->value => [
                "seller\s(?:shall|will|agrees\sto|to)\s(?:pay|contribute|credit){$words}{$money}",
                "(?:seller\s)?(?:concessions?|contribution|credit\sto\sbuyer){$between}{$money}",
            ],
            Term::EscrowHolder->value => [
                '(?:escrow\s(?:agent|holder|company)|title\scompany|closing\sagent|settlement\sagent) ?:[ \t]?(?<v>[^\n\t:]{3,60})',
                '(?:held|deposited)\s(?:in\s(?:trust|escrow)\s)?(?:by|with)\s'.
                    '(?<v>\p{Lu}[\w&.’\'-]+(?: (?:\p{Lu}[\w&.’\'-]*|of|and|&)){0,5})',
            ],
            Term::Lender->value => ['\blender ?:[ \t]?(?<v>[^\n\t:]{3,60})'],
            Term::Included->value => [
                '(?<!not )(?:included(?:\sitems)?|inclusions|personal\sproperty\sincluded) ?:[ \t]?(?<v>[^\n\t:]{3,160})(?=\n|\z)',
            ],
            Term::Excluded->value => ['(?:excluded(?:\sitems)?|exclusions) ?:[ \t]?(?<v>[^\n\t:]{3,160})(?=\n|\z)'],
            Term::Rent->value => ["(?:monthly|base)?\s?\brent\b{$words}{$money}"],
            Term::Deposit->value => ["security\sdeposit\b{$words}{$money}", "\bdeposit\s?:\s?{$money}"],
            Term::LeaseStart->value => ["(?:lease|term|tenancy)\b[^.]{0,90}?{$begins}"],
            Term::LeaseEnd->value => ["(?:lease|term|tenancy)\b[^$]{0,140}?{$until}"],
            Term::ListedOn->value => [
                "listing\s?(?:period|term|agreement|contract)?\b[^.]{0,60}?{$begins}",
            ],
            Term::ListingExpires->value => [
                "listing\s?(?:period|term|agreement|contract)?\b[^$]{0,140}?{$until}",
            ],
            PropertyFact::ListPrice->value => ["list(?:ing)?\sprice\b{$words}{$money}", "\bprice\sof\s{$money}"],
            PropertyFact::Parcel->value => [
                '(?:parcel|tax)\s(?:id|identification)?\s?(?:(?:number|no\.?|id)\s?[:#]?|[:#])\s?(?<v>[\w][\w.-]{3,30}\d)',
            ],
            PropertyFact::City->value => [
                '(?:\A|[\n\t ])(?:City|Town|Municipality)\s?:?[ \t]'.
                    '(?<v>'.self::NO_LABEL.'\p{Lu}[\p{L}’\'-]+(?: '.self::NO_LABEL.'\p{Lu}[\p{L}’\'-]+)?)',
            ],
            PropertyFact::Zip->value => ['\b(?:ZIP|Zip)(?:\s(?:code|Code))?\s?:?[ \t](?<v>\d{5}(?:-\d{4})?)\b'],
            PropertyFact::County->value => [
                '\b(?i:county)\s?(?:of\s|:\s?)(?<v>'.self::NO_LABEL.'\p{Lu}[\p{L}’\'-]+(?: '.self::NO_LABEL.'\p{Lu}[\p{L}’\'-]+)?)',
                '(?:\A|[\n\t])County[ \t](?<v>'.self::NO_LABEL.'\p{Lu}[\p{L}’\'-]+(?: '.self::NO_LABEL.'\p{Lu}[\p{L}’\'-]+)?)',
                '(?<v>'.self::NO_LABEL.'\p{Lu}[\p{L}’\'-]+) County\b',
            ],
            PropertyFact::Legal->value => ['legal\sdescription ?:[ \t]?(?<v>[^\n\t]{8,300})'],
            PropertyFact::Subdivision->value => ['subdivision ?:[ \t]?(?<v>[^\n\t:,]{3,60})'],
            PropertyFact::Lot->value => ['\blot(?:\s(?:number|no\.?|#))?\s?:?\s?(?<v>\d{1,4}[A-Z]?)\b'],
            PropertyFact::Block->value => ['\bblock(?:\s(?:number|no\.?|#))?\s?:?\s?(?<v>\d{1,4}|[A-Z])\b'],
            PropertyFact::YearBuilt->value => ['year\sbuilt\s?:?\s?(?<v>1[7-9]\d\d|20\d\d)'],
        ];

        return array_map(
            static fn (array $all) => array_map(static fn (string $one) => "/(?:{$one})/u", $all),
            array_combine(array_keys($patterns), array_map(
                static fn (string $name, array $all) => in_array($name, self::NAMED, true)
                    ? $all
                    : array_map(static fn (string $one) => "(?i:{$one})", $all),
                array_keys($patterns),
                $patterns,
            )),
        );
    }

    /** Where a property stands: after what calls it so, or as a whole address with town and state. */
    public static function address(): string
    {
        $street = '\d{1,6}[A-Z]?\s(?:(?:N|S|E|W|NE|NW|SE|SW)\.?\s)?(?:[\p{L}\d.’\'-]+\s){0,4}?'.
            '(?i:'.self::ROAD.')\b\.?(?:\s(?:N|S|E|W|NE|NW|SE|SW)\b)?';
        $unit = '(?:,?\s(?i:unit|apt\.?|apartment|suite|ste\.?|#)\s?(?:[A-Z]|[\w-]*\d[\w-]{0,6})\b)?';
        $town = '(?:,\s?\p{Lu}[\p{L}’\'. -]{2,30}?(?=,|\s[A-Z]{2}\b|\s\d{5}|\n|\t|$))?';
        $state = '(?:,?\s(?:[A-Z]{2}|\p{Lu}\p{Ll}+)(?=\s\d{5}))?(?:,?\s[A-Z]{2}\b)?(?:\s\d{5}(?:-\d{4})?)?';
        $called = '(?i:(?:property|premises|street|legal\saddress|real\sestate|known\sas|located\sat|situated\sat)'.
            '(?:\saddress)?(?:\s(?:is|known\sas|located\sat|situated\sat|commonly\sknown\sas|at))*)\s?[:,(]?\s?';

        return "/{$called}(?<v>{$street}{$unit}{$town}{$state})/u";
    }

    /** A kind of financing by what other papers call it; empty when that is none of ours. */
    public static function financing(string $said): string
    {
        return match (true) {
            preg_match('/cash/i', $said) === 1 => 'cash',
            preg_match('/conventional/i', $said) === 1 => 'conventional',
            preg_match('/fha|va|usda|government/i', $said) === 1 => 'government',
            default => '',
        };
    }
}
