<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Parties\PartyRole;

/**
 * Whom words beside a line to sign mean: "Purchaser #2" the second buyer, "Licensee" the agent, "client" nobody in particular.
 *
 * @internal to its area
 */
final readonly class SignerWords
{
    /** Whose helper somebody may be. */
    private const SIDES = 'buyer|purchaser|seller|vendor|owner|tenant|lessee|landlord|lessor|client|listing|selling';

    /** What they are called, the longer before the shorter; a role's helper before the role: "buyer's agent" is the agent. */
    private const ROLES = [
        'agent' => '(?:(?:'.self::SIDES.'|leasing|cooperating|real estate)[^\w\/]{0,2}s?[^\w\/]{0,3})?'.
            '(?:broker )?(?:agentes?(?: inmobiliari[oa]s?)?|agents?|licensees?|salespersons?|sales associate|associate broker)'.
            '(?: for (?:the )?(?:'.self::SIDES.')s?\b)?',
        'broker' => '(?:(?:'.self::SIDES.'|managing|designated|principal|supervising|responsible|qualifying|employing|'.
            'sponsoring|referring|receiving|real estate)[^\w\/]{0,2}s?[^\w\/]{0,3})?'.
            '(?:corredor(?:es|a)?|brokers?(?:\W{1,3}manager)?|brokerage|broker of record|firm)',
        'escrow' => 'escrow (?:agent|officer|holder)|settlement agent|closing agent|title officer',
        'lender' => 'lender|loan officer|mortgagee',
        'tenant' => '(?:co\W?)?(?:tenants?|lessees?|renters?|residents?)|arrendatari[oa]s?|inquilin[oa]s?',
        'landlord' => '(?:co\W?)?(?:landlords?|lessors?)|arrendador(?:es|a)?',
        'buyer' => '(?:co\W?)?(?:buyers?|purchasers?|vendees?|offerors?|transferees?|grantees?|comprador(?:es|a)?)',
        'seller' => '(?:co\W?)?(?:sellers?|vendors?|owners?|offerees?|transferors?|grantors?|vendedor(?:es|a)?|homeowners?)',
    ];

    private const IN_SPANISH = '(?:comprador(?:es|a)?|vendedor(?:es|a)?|agente|corredor(?:a)?|'.
        'arrendador(?:a)?|arrendatari[oa]|inquilin[oa])';

    /** Words that name somebody without saying whom. */
    private const SOMEBODY = 'clients? or customers?|clients?\W{0,2}\/\W{0,2}customers?|clients?|customers?|principals?|undersigned|'.
        'part(?:y|ies)|applicants?|consumers?|recipients?|(?:co\W?)?borrowers?|signers?|prospects?|optionees?|optionors?|'.
        '(?:sub)?assignors?|assignees?|guarantors?|mortgagors?|licensors?|sub(?:tenant|lessee|lessor|landlord)s?|'.
        'authorized (?:representatives?|signers?|signator(?:y|ies)|officers?|persons?)|'.
        self::OUTSIDERS;

    /** "Maren Holt, Trustee of the Holt Family Trust". */
    private const FOR_ANOTHER = '/^[\p{L} .’\'-]{3,60},\s*(?:as )?(?:the |its )?(?:sole |successor |managing )?(?:co\W?)?'.
        '(?:trustees?|executors?|executrix|administrators?|personal representatives?|attorney.in.fact|guardians?|'.
        'members?|managers?|presidents?|(?:general )?partners?)\b/iu';

    /** They sign beside the parties, and are never one of them. */
    private const OUTSIDERS = 'witness(?:es)?(?! whereof)|notary(?: public)?|testigos?|notari[oa]|'.self::BESIDE;

    /** Whoever advises a party signs for nobody. */
    private const COUNSEL = '(?:(?:'.self::SIDES.')[^\w\/]{0,2}s?[^\w\/]{1,3})?'.
        '(?:attorneys?|counsel|lawyers?)(?!\W?(?:-?in)\W?fact)\b(?: for (?:the )?(?:'.self::SIDES.'))?';

    /** They stand beside a party, and are named after it. */
    private const BESIDE = self::COUNSEL.'|(?:non\W?owner )?spouses?(?: of (?:the )?(?:'.self::SIDES.')s?)?';

    private const NUMBERED = ['one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'a' => 1, 'b' => 2, 'c' => 3, 'd' => 4];

    /** What the names of those end in for whom somebody else signs. */
    private const ENTITY = '/^\W*(?:[\p{L}\d&’\'.-]+,?\s+){1,6}(?:L\.?L\.?C\.?|L\.?L?\.?P\.?|Inc\.?|Corp(?:oration)?\.?|Co\.|Company|'.
        'Trust|Estate|Partnership|Association|Bank)\W*$/u';

    /**
     * @param PartyRole|null $role null: they name nobody
     * @param int|null $number as it is said; null: it is not
     * @param string $word as it is written
     */
    private function __construct(public ?PartyRole $role, public ?int $number, public string $word)
    {
    }

    /** Whom the first such word means; null when there is none. */
    public static function in(string $text): ?self
    {
        if (preg_match('/^\W*('.self::BESIDE.')/iu', $text, $m) === 1) {
            return new self(null, null, mb_strtolower($m[1]));
        }
        $first = null;
        $at = PHP_INT_MAX;
        foreach (self::ROLES as $role => $pattern) {
            if (preg_match('/\b(?:'.$pattern.')\b/iu', $text, $m, PREG_OFFSET_CAPTURE) !== 1) {
                continue;
            }
            [$word, $place] = $m[0];
            // "Buyer's agent" begins where "buyer" does, and is meant as a whole.
            if ($place < $at || ($place === $at && strlen($word) > strlen((string) $first?->word))) {
                $at = $place;
                $first = new self(PartyRole::from($role), self::number($text, $place, $word), $word);
            }
        }
        if ($first !== null) {
            return $first;
        }

        return preg_match('/\b(?:'.self::SOMEBODY.')\b/iu', $text, $m) === 1 ? new self(null, null, mb_strtolower($m[0])) : null;
    }

    /** Whom a single letter right before a place for initials means, "Initials: B ____ S ____"; null when it is none. */
    public static function letter(string $before): ?self
    {
        $role = preg_match('/(?:^|\s)[(\[]?([BSTL])[)\]]?\W*$/u', $before, $m) === 1
            ? ['B' => PartyRole::Buyer, 'S' => PartyRole::Seller, 'T' => PartyRole::Tenant, 'L' => PartyRole::Landlord][$m[1]]
            : null;

        return $role === null ? null : new self($role, null, $m[1]);
    }

    /** A company, trust or estate for whom somebody signs, "Greywater Holdings, LLC"; null when the words are no such name. */
    public static function entity(string $text): ?self
    {
        return preg_match(self::ENTITY, $text) === 1 ? new self(null, null, trim($text, " \t:,")) : null;
    }

    /** Who a company, trust or estate is, "BUYER: Greywater Holdings, LLC"; null when the words say no such thing. */
    public static function owner(string $text): ?self
    {
        return preg_match('/^([^:]{3,30}):\s*(\S.+)$/u', trim($text), $m) === 1 && self::isAll($m[1]) ? self::in($m[1]) : null;
    }

    /** Whether the word means someone who signs beside the parties: a witness, a notary. */
    public function isOutsider(): bool
    {
        return $this->role === null && preg_match('/^(?:'.self::OUTSIDERS.')$/iu', $this->word) === 1;
    }

    /** Whether nothing but such a word stands there, as in a heading or a caption: "BUYER(S):", "Seller 1". */
    public static function isAll(string $text): bool
    {
        $pattern = implode('|', self::ROLES).'|'.self::SOMEBODY;
        $clients = '(?:'.implode('|', array_intersect_key(self::ROLES, ['tenant' => 1, 'landlord' => 1, 'buyer' => 1, 'seller' => 1])).
            '|principals?)';

        // "purchaser." is where a sentence ends.
        return preg_match('/^\p{Ll}[\p{L} ]*\.$/u', $text) !== 1 && preg_match(
            '/^\W*(?:\(?[1-4][).:]\)?\s*)?'.
                '(?:(?:(?:signed|accepted|agreed|executed|acknowledged|approved)\W{1,2})?by:? |'.
                '(?:accepted|agreed|acknowledged|approved)\W{1,2})?'.
                '(?:the |each |authorized |proposed |prospective |(?:for|on behalf of) (?:the )?)?'.
                '(?:first |second |[1lI|]st |2nd |primary |main |secondary |additional |joint )?'.
                // "Comprador / Buyer"; on a scan a stroke is easily lost.
                '(?:'.self::IN_SPANISH.'\W{1,3})?'.
                '(?:'.$pattern.')(?:\W{0,2}s\)?)?'.
                '(?:\s?(?:\/|\bor\b|\band\b)\s?(?:'.$pattern.'|manager|representative|(?:authorized|designated) agent)|\s'.$clients.'\b)?'.
                '(?:\W{0,2}s\)?)?(?: of record)?\)?(?:[’\']s?)?'.
                '\s*(?:no\.?|#)?\s*(?:[(#]?\d?\)?|one|two|three|four|\(?[A-D]\)?)'.
                '(?:\s*\(?(?:signature|signs?|sign here|(?:all|each|both) (?:must )?sign|'.
                'or (?:his |her |its |their )?(?:authorized.{0,20}|designees?))\)?)?'.
                '(?:,?\s*(?:by|as) (?:(?:its|his|her|their|an?|the) )?(?:attorney.in.fact|authorized \w+|trustee|executor|guardian|'.
                'personal representative|power of attorney))?'.
                '(?:[’\']s? (?:legal |court.appointed )?(?:guardian|conservator|executor|administrator|trustee|personal representative|'.
                'attorney.in.fact|representative))?'.
                '(?:\s+(?:for|of) (?:the )?(?:'.self::SIDES.')(?:\W{0,2}s\)?)?)?\s*[:.,]?\W*$/iu',
            trim($text),
        ) === 1;
    }

    /**
     * Whether it is said that they acknowledge, accept or agree, and a line follows: "Escrow officer acknowledges receipt: ____",
     * "Accepted by broker: ____".
     */
    public static function act(string $text): bool
    {
        $does = '(?:acknowledg|accept|agree|confirm|receiv|approv)\w*\b[^.:]{0,30}:\W*$';

        $who = '(?:the )?(?:'.implode('|', self::ROLES).')(?:\W{0,2}s\)?)?';
        $done = '(?:accepted|approved|agreed(?: to)?|acknowledged|confirmed|received|reviewed|authorized|delivered)';

        return preg_match("/^\W*{$who}\s+(?:hereby )?{$does}/iu", trim($text)) === 1 ||
            preg_match("/^\W*{$done}(?: and \w+)? by {$who}\s*:\W*$/iu", trim($text)) === 1;
    }

    /** Whether it begins with what somebody states of themselves: "Purchaser has received copies of", "Tenant waives". */
    public static function states(string $text): bool
    {
        $who = '(?:the )?(?:'.implode('|', self::ROLES).')(?:\W{0,2}s\)?)?';

        $does = '(?:(?:has|have) (?:received|read|reviewed|waived|seen|been (?:given|told|offered|shown|advised|informed))|'.
            '(?:was|were) (?:given|told|offered|shown)|waives?|acknowledges?|knows?|understands?)';

        return preg_match("/^\W*{$who} {$does}\b/iu", $text) === 1;
    }

    /** Whether a paragraph begins with them: "3. Purchasers know that dues are owed". */
    public static function begin(string $text): bool
    {
        $who = '(?:the )?(?:'.implode('|', self::ROLES).')(?:\W{0,2}s\)?)?';

        return preg_match("/^\W*(?:\d{1,2}[.)]\s*)?{$who} \p{Ll}/iu", $text) === 1;
    }

    /** Whether it heads what somebody says and signs: "Acceptance by seller", "2. Buyer's acknowledgment". */
    public static function isSection(string $text): bool
    {
        $who = '(?:the )?(?:'.implode('|', self::ROLES).')(?:\W{0,2}s\)?)?(?:[’\']s?)?';

        $what = '(?:acceptance|acknowledge?ment|approval|agreement|consent|signature|response|certification|receipt|authorization|'.
            'execution|election|decision|reply|statement|declaration|disclosure|representation|confirmation|counteroffer)s?';

        $number = '(?:(?:part|section)?\s*(?:\d{1,2}|[A-Z])[.):]\s*)?';

        return preg_match("/^\W*{$number}(?:{$what} (?:of|by|from) {$who}|{$who} {$what})\W*$/iu", $text) === 1;
    }

    /** Whether a numbered paragraph begins there: "4. Inspection. Buyer may inspect". */
    public static function isParagraph(string $text): bool
    {
        return preg_match('/^\W*\d{1,2}(?:[.)]|(?:\.\d{1,2})+)\s+\p{L}+.* \p{L}+ \p{L}+/u', $text) === 1;
    }

    /** Whether a name stands there with what its bearer is: "Sunniva Eide, Buyer", "Seller: Beatrix Palomar". */
    public static function isNamed(string $text): bool
    {
        $roles = '(?:'.implode('|', self::ROLES).')(?:\W{0,2}s)?(?:\s?#?\d)?';

        return preg_match('/^[\p{L} .’\'-]{3,60}\s*(?:[,–—-]|\()\s*(?:as )?(?:the )?'.$roles.'\)?\W*$/iu', trim($text)) === 1 ||
            preg_match('/^'.$roles.'\s*[:,–—-]\s*[\p{L} .’\'-]{3,60}$/iu', trim($text)) === 1 ||
            preg_match(self::FOR_ANOTHER, trim($text)) === 1;
    }

    /** Whether nothing but a person's name stands there, as it looks: "Beatrix Palomar". */
    public static function isPerson(string $text): bool
    {
        return preg_match('/^\p{Lu}[\p{L}’\'-]+(?: \p{Lu}[\p{L}’\'.-]*){1,3}$/u', trim($text)) === 1 && self::in($text) === null;
    }

    private static function number(string $text, int $at, string $word): ?int
    {
        $after = substr($text, $at + strlen($word), 14);
        if (preg_match('/^(?:\(s\)|[’\']?s)?\s*(?:no\.?\s?|number\s|#\s?|\()?\s?([1-9])\b(?!\s*[.)]?\s?\d)/iu', $after, $m) === 1) {
            return (int) $m[1];
        }
        if (preg_match('/^\s*\(?(one|two|three|four|[A-D])\)?\W*$/iu', substr($text, $at + strlen($word)), $m) === 1) {
            return self::NUMBERED[strtolower($m[1])];
        }
        $before = substr($text, max(0, $at - 10), min(10, $at));

        return preg_match('/\b(?:second(?:ary)?|2nd|co|joint)\W{0,2}$/i', $before) === 1 || preg_match(
            '/^co(?:[\W_]|buyer|purchaser|seller|vendor|owner|offeror|tenant|lessee|landlord|lessor)/i',
            $word
        ) === 1
            ? 2
            : (preg_match('/\b(?:first|primary|main|[1lI|]st)\W{0,2}$/i', $before) === 1 ? 1 : null);
    }
}
