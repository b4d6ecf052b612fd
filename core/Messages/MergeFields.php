<?php

declare(strict_types=1);

namespace Unanimus\Messages;

use Unanimus\Terms\Facts;
use Unanimus\Terms\FieldText;
use Unanimus\Terms\Term;

/** Fields of the deal in a letter, in braces: "The price is {price}." */
final class MergeFields
{
    /** Fields besides the terms, with what they are called. */
    public const OWN = [
        'to.first' => 'Recipient’s first name',
        'to.name' => 'Recipient’s name',
        'sender.name' => 'Your name',
        'sender.phone' => 'Your phone number',
        'sender.email' => 'Your email address',
        'property.address' => 'Property address',
        'file' => 'File name',
        'buyers.names' => 'Buyers',
        'sellers.names' => 'Sellers',
        'tenants.names' => 'Tenants',
        'landlords.names' => 'Landlords',
        'brokerage.name' => 'Brokerage',
        'office' => 'Office',
        'today' => 'Today',
        'event' => 'What happened',
    ];

    /** @return array<string, string> every field there is, with what it is called */
    public static function all(): array
    {
        $terms = [];
        foreach (Term::cases() as $term) {
            $terms[$term->value] = $term->label();
        }

        return [...self::OWN, ...$terms];
    }

    /** @return list<string> what fields are called that speak of whoever gets the letter */
    public static function ofRecipient(): array
    {
        return array_values(array_filter(self::OWN, static fn (string $code) => str_starts_with($code, 'to.'), ARRAY_FILTER_USE_KEY));
    }

    /** @return list<string> what stands in braces and is no field, with its braces */
    public static function unknown(string $text): array
    {
        return array_map(
            static fn (string $code) => '{'.$code.'}',
            array_values(array_diff(FieldText::codes($text), array_keys(self::all()))),
        );
    }

    /**
     * A text with its fields filled in, and what could not be.
     *
     * @param array<string, string> $own values of fields that are not the file's: who writes, to whom
     */
    public static function fill(string $text, Facts $facts, array $own): MergedText
    {
        $all = self::all();

        return new MergedText(array_map(static function (array $part) use ($all, $facts, $own): MergedPiece {
            [$written, $code] = $part;
            $value = $code === null || ! isset($all[$code]) ? '' : FieldText::value($code, $facts, $own);

            return match (true) {
                $code === null => MergedPiece::words($written),
                ! isset($all[$code]) => MergedPiece::unknown($written),
                $value === '' => MergedPiece::empty($all[$code]),
                default => MergedPiece::value($value),
            };
        }, FieldText::parts($text)));
    }
}
