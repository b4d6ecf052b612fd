<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * What a signed amendment changes in the terms and dates of a file.
 */
final class Amendment
{
    private const NUMBERS = ['M-207'];

    /** Blanks with a new value, and the term it is the new value of. */
    private const TERMS = [
        'new_price' => 'price',
        'earnest' => 'earnest_money',
        'credit' => 'concessions',
        'new_closing' => 'closing',
        'new_possession' => 'possession',
    ];

    /** Blanks with a new day, and the deadline it is set for. */
    private const DEADLINES = ['new_inspection' => 'inspection', 'new_loan' => 'loan', 'new_appraisal' => 'appraisal'];

    /** What it says in words, which a person has to see to. */
    private const IN_WORDS = ['added', 'party_out', 'included', 'excluded', 'repairs', 'other'];

    /**
     * @param array<string, string> $terms new values as kept, by term
     * @param array<string, string> $deadlines new days as kept, by deadline
     * @param list<string> $inWords labels of blanks that say more, in words
     */
    private function __construct(public readonly array $terms, public readonly array $deadlines, public readonly array $inWords)
    {
    }

    /** Whether a form of that number is an amendment. */
    public static function has(?string $number): bool
    {
        return in_array($number, self::NUMBERS, true);
    }

    /**
     * What a new value in that blank replaces.
     *
     * @return array{blank: string, term: string|null, deadline: string|null}|null the blank that says how it was until now, and the
     *                                                                             term or the deadline it is the value of
     */
    public static function replaces(Form $form, string $blank): ?array
    {
        $until = preg_replace('/^new_/', 'old_', $blank, 1, $found);
        if ($found !== 1 || $form->blank((string) $until) === null) {
            return null;
        }

        return ['blank' => (string) $until, 'term' => self::TERMS[$blank] ?? null, 'deadline' => self::DEADLINES[$blank] ?? null];
    }

    /** @param  array<string, string>  $values  what stands in its blanks, as kept */
    public static function of(Form $form, array $values): self
    {
        $given = static fn (array $blanks) => array_filter(
            array_map(static fn (string $blank) => trim($values[$blank] ?? ''), array_combine(array_keys($blanks), array_keys($blanks))),
            static fn (string $value) => $value !== '',
        );
        $named = static function (array $blanks) use ($given): array {
            $changes = [];
            foreach ($given($blanks) as $blank => $value) {
                $changes[$blanks[$blank]] = $value;
            }

            return $changes;
        };
        $words = array_filter(self::IN_WORDS, static fn (string $blank) => trim($values[$blank] ?? '') !== '');

        return new self(
            $named(self::TERMS),
            $named(self::DEADLINES),
            array_values(array_map(static fn (string $blank) => $form->blank($blank)->label ?? $blank, $words)),
        );
    }

    /** Whether it changes a term or a date that the file keeps. */
    public function changesAnything(): bool
    {
        return $this->terms !== [] || $this->deadlines !== [];
    }
}
