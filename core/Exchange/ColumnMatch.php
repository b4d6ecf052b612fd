<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * Which column of a table holds what of a file: proposed from its heading, or remembered from the last table.
 */
final class ColumnMatch
{
    /** What a column may hold besides terms and facts of the property. */
    public const OTHERS = [
        'listing.number' => 'Listing number',
        'address' => 'Address in one line',
        'represents' => 'Side',
        'kind' => 'Kind of deal',
        'status' => 'Status',
        'agent' => 'Agent',
        'labels' => 'Tags',
        'folder' => 'Folder of its documents',
        'buyer.1.name' => 'Buyer',
        'buyer.2.name' => 'Second buyer',
        'seller.1.name' => 'Seller',
        'seller.2.name' => 'Second seller',
        'tenant.1.name' => 'Tenant',
        'landlord.1.name' => 'Landlord',
        'buyer.1.email' => 'Buyer’s email',
        'seller.1.email' => 'Seller’s email',
        'buyer.1.phone' => 'Buyer’s phone',
        'seller.1.phone' => 'Seller’s phone',
    ];

    private const WORDS = [
        'listing.number' => ['listing', 'listing no', 'listing id', 'listing nr', 'exchange number', 'number'],
        'address' => ['address', 'property', 'property address', 'full address', 'location'],
        'property.street' => ['street', 'street address', 'address 1', 'address line 1'],
        'property.unit' => ['unit', 'apt', 'address 2', 'address line 2', 'suite'],
        'property.city' => ['city', 'town', 'municipality'],
        'property.state' => ['state', 'st', 'province'],
        'property.zip' => ['zip', 'zip code', 'zipcode', 'postal code', 'postcode'],
        'property.year_built' => ['year built', 'built', 'year'],
        'property.area' => ['sq ft', 'sqft', 'living area', 'square feet', 'area'],
        'property.kind' => ['property type', 'property kind', 'type of property'],
        'property.parcel' => ['parcel', 'parcel no', 'parcel number', 'apn', 'tax id'],
        'property.county' => ['county'],
        'property.association' => ['association', 'hoa'],
        'list_price' => ['list price', 'asking price', 'listed at'],
        'price' => ['price', 'sale price', 'sales price', 'contract price', 'purchase price', 'sold price'],
        'represents' => ['side', 'we represent', 'representing'],
        'kind' => ['kind', 'deal type', 'transaction type', 'type'],
        'status' => ['status', 'stage', 'state of deal'],
        'agent' => ['agent', 'our agent', 'agent name', 'agent email', 'realtor', 'assigned to'],
        'buyer.1.name' => ['buyer', 'buyer 1', 'buyer name', 'buyers', 'purchaser'],
        'buyer.2.name' => ['buyer 2', 'second buyer', 'co buyer'],
        'seller.1.name' => ['seller', 'seller 1', 'seller name', 'sellers', 'owner'],
        'seller.2.name' => ['seller 2', 'second seller', 'co seller'],
        'tenant.1.name' => ['tenant', 'lessee', 'renter'],
        'landlord.1.name' => ['landlord', 'lessor'],
        'buyer.1.email' => ['buyer email', 'buyer mail', 'buyer e mail'],
        'seller.1.email' => ['seller email', 'seller mail', 'seller e mail'],
        'buyer.1.phone' => ['buyer phone', 'buyer telephone'],
        'seller.1.phone' => ['seller phone', 'seller telephone'],
        'acceptance' => ['accepted', 'acceptance', 'acceptance date', 'contract date', 'accepted on', 'under contract date'],
        'closing' => ['closing', 'closing date', 'close date', 'closes', 'settlement', 'settlement date', 'coe'],
        'listing_expires' => ['expires', 'expiration', 'listing expires', 'expiration date', 'expiry'],
        'listed_on' => ['listed', 'list date', 'listed on', 'listing date'],
        'financing' => ['financing', 'loan type', 'finance'],
        'loan_percent' => ['loan percent', 'ltv', 'loan'],
        'earnest_money' => ['earnest money', 'earnest', 'deposit paid', 'emd'],
        'escrow_holder' => ['escrow', 'title company', 'escrow holder', 'title'],
        'lender' => ['lender', 'bank'],
        'client_source' => ['source', 'lead source', 'client source', 'came from'],
        'labels' => ['labels', 'tags', 'notes label'],
        'folder' => ['folder', 'folder name', 'documents', 'document folder', 'path'],
    ];

    /**
     * A proposal for each heading; '' where nothing fits, and each thing once.
     *
     * @param list<string> $headings
     * @param array<string, string> $remembered plain heading to fact
     * @return array<int, string> by column
     */
    public static function propose(array $headings, array $remembered = []): array
    {
        $matched = [];
        foreach ($headings as $column => $heading) {
            $fact = $remembered[self::plain($heading)] ?? (self::byWords($heading) ?? '');
            $matched[$column] = $fact !== '' && in_array($fact, $matched, true) ? '' : $fact;
        }

        return $matched;
    }

    /** @return array<string, string> everything a column may hold, to its label */
    public static function targets(): array
    {
        $all = self::OTHERS;
        foreach ([...PropertyFact::cases(), ...Term::cases()] as $item) {
            $all[$item->value] = $item->label();
        }

        return $all;
    }

    /** A heading as it is compared: "E-Mail (Buyer)" to "e mail buyer". */
    public static function plain(string $heading): string
    {
        return trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', mb_strtolower($heading)));
    }

    private static function byWords(string $heading): ?string
    {
        $plain = self::plain($heading);
        foreach (self::WORDS as $fact => $words) {
            if (in_array($plain, $words, true)) {
                return $fact;
            }
        }
        foreach (self::targets() as $fact => $label) {
            if (self::plain($label) === $plain || self::plain(str_replace(['.', '_'], ' ', (string) $fact)) === $plain) {
                return (string) $fact;
            }
        }

        return null;
    }
}
