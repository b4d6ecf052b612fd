<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Terms\Facts;

/**
 * What stands in each blank of a paper: what was entered there, else what is computed, else what the terms say.
 */
final readonly class Filling
{
    /** @param  array<string, Filled>  $blanks by name, in reading order */
    private function __construct(public array $blanks)
    {
    }

    /**
     * Works out every blank.
     *
     * @param array<string, string> $entries what was entered on this paper, by blank; '' is a blank knowingly left empty
     */
    public static function of(Form $form, array $entries, Facts $facts): self
    {
        $filled = [];
        foreach ($form->blanks as $blank) {
            $fact = $blank->binding === null ? null : $facts->get($blank->binding);
            $filled[$blank->name] = match (true) {
                array_key_exists($blank->name, $entries) => new Filled(
                    $blank,
                    $entries[$blank->name],
                    'entered here',
                    true,
                    $fact !== null && $fact->value !== $entries[$blank->name],
                    $fact?->value,
                ),
                $fact !== null => new Filled($blank, $fact->value, $fact->source, false, false, $fact->value),
                default => new Filled($blank, '', 'empty', false, false, null),
            };
        }
        // A formula may use another formula's result, so blanks are taken in order until nothing changes.
        $computed = array_filter($form->blanks, static fn (Blank $blank) => $blank->formula !== null && ! $filled[$blank->name]->entered);
        for ($round = 0, $changed = true; $changed && $round < 4; $round++) {
            $changed = false;
            foreach ($computed as $blank) {
                $value = self::compute((string) $blank->formula, $filled);
                if ($value !== $filled[$blank->name]->value || $round === 0) {
                    $changed = $changed || $value !== $filled[$blank->name]->value;
                    $filled[$blank->name] = new Filled(
                        $blank,
                        $value,
                        $value === '' ? 'empty' : 'computed: '.self::readable((string) $blank->formula, $form),
                        false,
                        false,
                        null,
                    );
                }
            }
        }

        return new self($filled);
    }

    /** The value as kept in that blank; empty when there is none. */
    public function value(string $name): string
    {
        return $this->blanks[$name]->value ?? '';
    }

    /** @return list<Blank> required blanks that are still empty */
    public function missing(): array
    {
        $answered = [];
        foreach ($this->blanks as $filled) {
            $filled->value === '' || $filled->blank->group === null || ($answered[$filled->blank->group] = true);
        }
        $missing = [];
        foreach ($this->blanks as $filled) {
            $blank = $filled->blank;
            $counts = $blank->required && ($blank->when === null || $this->value($blank->when) !== '');
            if ($counts && $filled->value === '' && ! isset($answered[$blank->group ?? ''])) {
                $missing[] = $blank;
            }
        }

        return $missing;
    }

    /** @return array<string, string> what prints in each blank that is not empty */
    public function printed(): array
    {
        $printed = [];
        foreach ($this->blanks as $name => $filled) {
            if ($filled->value !== '') {
                $printed[$name] = $filled->blank->kind->show($filled->value);
            }
        }

        return $printed;
    }

    /** @param  array<string, Filled>  $filled */
    private static function compute(string $formula, array $filled): string
    {
        $sum = Money::zero();
        $known = false;
        foreach (self::parts($formula) as [$sign, $percentOf, $name]) {
            $value = isset($filled[$name]) ? $filled[$name]->value : '';
            $percent = $percentOf === null ? null : (isset($filled[$percentOf]) ? $filled[$percentOf]->value : '');
            if ($percent === '') {
                return '';
            }
            try {
                $amount = $value === '' ? Money::zero() : Money::of($value);
                $amount = $percent === null ? $amount : $amount->share(Percent::of($percent));
            } catch (AmountUnreadable) {
                return '';
            }
            $known = $known || $value !== '';
            $sum = $sign === '-' ? $sum->minus($amount) : $sum->plus($amount);
        }

        return $known ? $sum->decimal() : '';
    }

    /** @return list<array{string, string|null, string}> sign, the blank with the percentage, the blank with the amount */
    private static function parts(string $formula): array
    {
        preg_match_all('/([+-]?)\s*(?:([a-z_0-9]+)\s*%\s*)?([a-z_0-9]+)/', $formula, $found, PREG_SET_ORDER);

        return array_map(static fn (array $m) => [$m[1], $m[2] === '' ? null : $m[2], $m[3]], $found);
    }

    private static function readable(string $formula, Form $form): string
    {
        return (string) preg_replace_callback(
            '/[a-z_0-9]+/',
            static fn (array $m) => strtolower($form->blank($m[0])->label ?? $m[0]),
            strtr($formula, ['-' => '−', '%' => '% of']),
        );
    }
}
