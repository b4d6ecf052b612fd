<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Steps\StepRefused;
use Unanimus\Terms\FieldText;

/** What an authorization says to escrow, with fields of the deal in braces: "Pay {company}." */
final class DisbursementWording
{
    /** What escrow pays to each directly, unless an office words it otherwise. */
    public const DIRECT = 'To {escrow}: from the commission due to {company} at closing, pay the amounts below to the people named. '.
        'This authorization ends if the sale does not close.';

    /** What escrow pays to the company, which pays the others. */
    public const THROUGH_COMPANY = 'To {escrow}: pay the amounts below from the commission due to {company} at closing. {company} '.
        'pays its agents from its part. This authorization ends if the sale does not close.';

    /** Fields that a text may name. */
    public const FIELDS = ['escrow', 'company', 'property', 'buyers', 'sellers', 'closing', 'price', 'gross', 'broker', 'account'];

    /**
     * Refuses a text that names fields there are none of.
     *
     * @throws StepRefused naming the first of them
     */
    public static function check(string $text): void
    {
        foreach (array_diff(FieldText::codes($text), self::FIELDS) as $field) {
            throw CommissionRefusal::UnknownField->because(field: '{'.$field.'}');
        }
    }

    /**
     * The text as it is said of a deal.
     *
     * @param array<string, string> $values by field
     *
     * @throws StepRefused when it names a field that is unknown, or of which the file says nothing
     */
    public static function fill(string $text, array $values): string
    {
        self::check($text);

        return implode('', array_map(static function (array $part) use ($values): string {
            [$written, $code] = $part;
            $value = $code === null ? $written : $values[$code] ?? '';

            return $value !== '' ? $value : throw CommissionRefusal::EmptyField->because(field: $written);
        }, FieldText::parts($text)));
    }
}
