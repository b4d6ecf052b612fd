<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/**
 * The words of United States addresses: kinds of street, directions, designators of units, numbers written out.
 *
 * @link https://pe.usps.com/text/pub28/welcome.htm USPS Publication 28: suffixes (appendix C1), unit designators (C2), directionals (section 233), highways (appendix F)
 *
 * @internal to its area
 */
final class AddressWords
{
    public const SUFFIXES = [
        'alley' => 'ALY', 'ally' => 'ALY', 'avenue' => 'AVE', 'aven' => 'AVE', 'av' => 'AVE', 'bend' => 'BND', 'boulevard' => 'BLVD', 'boul' => 'BLVD', 'branch' => 'BR', 'bridge' => 'BRG', 'bypass' => 'BYP', 'causeway' => 'CSWY', 'center' => 'CTR',
        'centre' => 'CTR', 'circle' => 'CIR', 'circ' => 'CIR', 'common' => 'CMN', 'corner' => 'COR', 'court' => 'CT', 'crt' => 'CT', 'cove' => 'CV', 'creek' => 'CRK', 'crescent' => 'CRES', 'crossing' => 'XING', 'drive' => 'DR', 'driv' => 'DR', 'estate' => 'EST',
        'expressway' => 'EXPY', 'extension' => 'EXT', 'freeway' => 'FWY', 'garden' => 'GDN', 'gardens' => 'GDNS', 'gateway' => 'GTWY', 'glen' => 'GLN', 'green' => 'GRN', 'grove' => 'GRV', 'harbor' => 'HBR', 'heights' => 'HTS', 'highway' => 'HWY', 'hiway' => 'HWY', 'hwy' => 'HWY', 'hill' => 'HL',
        'hills' => 'HLS', 'hollow' => 'HOLW', 'island' => 'IS', 'junction' => 'JCT', 'lake' => 'LK', 'landing' => 'LNDG', 'lane' => 'LN', 'lodge' => 'LDG', 'manor' => 'MNR', 'meadow' => 'MDW', 'meadows' => 'MDWS', 'mill' => 'ML', 'mount' => 'MT', 'mountain' => 'MTN',
        'orchard' => 'ORCH', 'parkway' => 'PKWY', 'pkwy' => 'PKWY', 'place' => 'PL', 'plain' => 'PLN', 'plaza' => 'PLZ', 'point' => 'PT', 'port' => 'PRT', 'prairie' => 'PR', 'ranch' => 'RNCH', 'ridge' => 'RDG', 'river' => 'RIV', 'road' => 'RD', 'route' => 'RTE',
        'shore' => 'SHR', 'spring' => 'SPG', 'springs' => 'SPGS', 'square' => 'SQ', 'station' => 'STA', 'street' => 'ST', 'str' => 'ST', 'strt' => 'ST', 'summit' => 'SMT', 'terrace' => 'TER', 'terr' => 'TER', 'trace' => 'TRCE', 'track' => 'TRAK', 'trail' => 'TRL',
        'tunnel' => 'TUNL', 'turnpike' => 'TPKE', 'valley' => 'VLY', 'view' => 'VW', 'village' => 'VLG', 'vista' => 'VIS', 'way' => 'WAY', 'wells' => 'WLS',
    ];

    public const DIRECTIONS = ['north' => 'N', 'south' => 'S', 'east' => 'E', 'west' => 'W', 'northeast' => 'NE', 'northwest' => 'NW', 'southeast' => 'SE', 'southwest' => 'SW'];

    /** Designators with a number behind them, and the short form each is kept under; those of one home are one ("Apt 3", "Unit 3", "#3"). */
    public const UNITS = [
        'apartment' => '', 'apt' => '', 'unit' => '', 'suite' => '', 'ste' => '', 'room' => '', 'rm' => '', 'no' => '', 'number' => '', 'building' => 'BLDG', 'bldg' => 'BLDG', 'department' => 'DEPT', 'dept' => 'DEPT', 'floor' => 'FL', 'fl' => 'FL', 'hangar' => 'HNGR',
        'lot' => 'LOT', 'penthouse' => 'PH', 'ph' => 'PH', 'pier' => 'PIER', 'slip' => 'SLIP', 'space' => 'SPC', 'spc' => 'SPC', 'sp' => 'SPC', 'trailer' => 'TRLR', 'trlr' => 'TRLR', 'tower' => 'TWR', 'twr' => 'TWR', 'phase' => 'PHASE', 'block' => 'BLK', 'blk' => 'BLK',
    ];

    /** Designators that stand alone (Publication 28, section 213.1). */
    public const ALONE = ['penthouse' => 'PH', 'ph' => 'PH', 'rear' => 'REAR', 'front' => 'FRNT', 'frnt' => 'FRNT', 'upper' => 'UPPR', 'uppr' => 'UPPR', 'lower' => 'LOWR', 'lowr' => 'LOWR', 'basement' => 'BSMT', 'bsmt' => 'BSMT', 'side' => 'SIDE', 'lobby' => 'LBBY', 'garage' => 'GARAGE', 'carriage house' => 'CARRIAGE HOUSE'];

    /** Roads that have a number for a name: "County Road 12", "Ranch Rd 620", "Avenue 416". */
    public const NUMBERED = [
        'county', 'co', 'cr', 'state', 'sr', 'us', 'u.s', 'interstate', 'i', 'ranch', 'rr', 'rm', 'farm', 'market', 'to', 'fm', 'forest', 'township', 'twp', 'private', 'parish', 'old', 'road', 'rd', 'highway', 'hwy', 'route', 'rte', 'rt', 'avenue', 'ave', 'street', 'st', 'trail', 'trl',
        'lane', 'ln', 'drive', 'dr', 'loop', 'business', 'alternate', 'alt', 'bypass', 'spur', 'service', 'frontage', 'n', 's', 'e', 'w', 'north', 'south', 'east', 'west', 'park', 'national', 'park',
    ];

    /** Kinds of road whose number is their name, whatever stands before. */
    public const ROADS = ['highway', 'hwy', 'hiway', 'route', 'rte', 'rt', 'road', 'rd', 'interstate'];

    public const ORDINALS = [
        'first' => '1ST', 'second' => '2ND', 'third' => '3RD', 'fourth' => '4TH', 'fifth' => '5TH', 'sixth' => '6TH', 'seventh' => '7TH', 'eighth' => '8TH', 'ninth' => '9TH', 'tenth' => '10TH', 'eleventh' => '11TH', 'twelfth' => '12TH', 'thirteenth' => '13TH',
        'fourteenth' => '14TH', 'fifteenth' => '15TH', 'sixteenth' => '16TH', 'seventeenth' => '17TH', 'eighteenth' => '18TH', 'nineteenth' => '19TH', 'twentieth' => '20TH',
    ];

    /** The states and territories (Publication 28, appendix B), and Merrow. */
    public const STATES = [
        'AL', 'AK', 'AZ', 'AR', 'CA', 'CO', 'CT', 'DE', 'DC', 'FL', 'GA', 'HI', 'ID', 'IL', 'IN', 'IA', 'KS', 'KY', 'LA', 'ME', 'MD', 'MA', 'MI', 'MN', 'MS', 'MO', 'MT', 'NE', 'NV', 'NH', 'NJ', 'NM', 'NY', 'NC', 'ND', 'OH', 'OK', 'OR', 'PA', 'PR', 'RI', 'SC',
        'SD', 'TN', 'TX', 'UT', 'VT', 'VA', 'VI', 'WA', 'WV', 'WI', 'WY', 'GU', 'AS', 'MP', 'MW',
    ];

    /** Whether a word says what kind of street it is, in full or short. */
    public static function isSuffix(string $word): bool
    {
        return isset(self::SUFFIXES[$word]) || in_array(mb_strtoupper($word), self::SUFFIXES, true);
    }

    /** The direction a word says, "NW" also as "n.w."; null when it says none. */
    public static function direction(string $word): ?string
    {
        $plain = str_replace('.', '', $word);

        return self::DIRECTIONS[$plain] ?? (in_array(mb_strtoupper($plain), self::DIRECTIONS, true) ? mb_strtoupper($plain) : null);
    }
}
