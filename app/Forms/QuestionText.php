<?php

declare(strict_types=1);

namespace App\Forms;

use Illuminate\Support\Facades\Lang;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Filled;

/** A question as a client reads it: a whole sentence, and what can be chosen; lang/…/questions.php has the words. */
final readonly class QuestionText
{
    /** @param  list<string>  $choices  one for each tick of the question */
    private function __construct(public string $ask, public array $choices)
    {
    }

    /** @param  non-empty-list<Filled>  $question */
    public static function of(string $form, array $question): self
    {
        $blank = $question[0]->blank;
        [$row, $first] = self::split($blank->label);
        $ask =
            self::words("questions.{$form}.".($blank->group ?? $blank->name)) ??
            self::words("questions.{$form}.{$blank->name}") ??
            self::ofFact($blank->binding) ??
            self::ofRow($row, $first) ??
            (count($question) > 1 ? self::which($row) : (string) __('client.fill.ask_'.self::kind($blank), ['label' => $blank->label]));

        return new self(
            $ask,
            array_map(static function (Filled $filled) use ($row): string {
                [$own, $says] = self::split($filled->blank->label);
                $says = $own === $row && $own !== null ? $says : $filled->blank->label;

                return Lang::get('questions.choices')[$says] ?? ucfirst($says);
            }, $question),
        );
    }

    /** What a fact is asked with in every form. */
    private static function ofFact(?string $binding): ?string
    {
        return Lang::get('questions.facts')[explode('?', $binding ?? '')[0]] ?? null;
    }

    private static function which(?string $row): string
    {
        return ($row === null ? '' : "{$row}: ").__('client.fill.'.($row === null ? 'which' : 'which_of_row'));
    }

    private static function kind(Blank $blank): string
    {
        $kind = $blank->kind->value;

        return in_array($kind, ['money', 'number', 'percent', 'date', 'time', 'tick'], true) ? $kind : 'text';
    }

    private static function ofRow(?string $row, string $says): ?string
    {
        if ($row === null || ! is_string(Lang::get('questions.rows')[$says] ?? null)) {
            return null;
        }
        $isMany = str_contains($row, ' and ') || (str_ends_with($row, 's') && ! str_ends_with($row, 'ss'));

        return trans_choice("questions.rows.{$says}", $isMany ? 2 : 1, ['row' => $row]);
    }

    /** @return array{string|null, string} the row and what the blank says of it */
    private static function split(string $label): array
    {
        [$row, $says] = array_pad(explode(': ', $label, 2), 2, null);

        return $says === null ? [null, $label] : [$row, $says];
    }

    private static function words(string $key): ?string
    {
        $words = Lang::get($key);

        return is_string($words) && $words !== $key ? $words : null;
    }
}
