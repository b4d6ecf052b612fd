<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Brick\Math\BigDecimal;
use Unanimus\Terms\Facts;

/**
 * A question about one fact of the deal: "property.year_built below 1978". A fact that is not known answers no to all
 * but "is not known".
 */
final readonly class Condition implements Test
{
    /** The operators, as stored and as read. */
    public const OPERATORS = [
        'is' => 'is',
        'is_not' => 'is not',
        'one_of' => 'is one of',
        'contains' => 'contains',
        'below' => 'is below',
        'above' => 'is above',
        'at_most' => 'is at most',
        'at_least' => 'is at least',
        'known' => 'is known',
        'unknown' => 'is not known',
    ];

    /** @throws ConditionUnreadable when the operator is not one of ours, or it compares with nothing */
    public function __construct(public string $fact, public string $operator, public string $value = '')
    {
        if (! isset(self::OPERATORS[$operator])) {
            throw new ConditionUnreadable("“{$operator}” is not an operator of conditions.");
        }
        if (preg_match('/^[a-z][a-z0-9_.-]{0,79}$/', $fact) !== 1) {
            throw new ConditionUnreadable("“{$fact}” is no name of a fact.");
        }
        if ($this->needsValue() && trim($value) === '') {
            throw new ConditionUnreadable(FactCatalog::label($fact).' '.self::OPERATORS[$operator].' … what? Give a value.');
        }
    }

    /** Whether the operator compares with a value. */
    public function needsValue(): bool
    {
        return ! in_array($this->operator, ['known', 'unknown'], true);
    }

    /** Whether it holds. Numbers and amounts compare exactly, days by the calendar, words without regard to case. */
    public function holds(Facts $facts): bool
    {
        $known = $facts->value($this->fact);
        if ($known === null) {
            return $this->operator === 'unknown';
        }

        return match ($this->operator) {
            'is' => $this->same($known, $this->value),
            'is_not' => ! $this->same($known, $this->value),
            'one_of' => array_filter(explode(',', $this->value), fn (string $one) => $this->same($known, trim($one))) !== [],
            'contains' => mb_stripos($known, trim($this->value)) !== false,
            'below' => ($order = $this->order($known)) !== null && $order < 0,
            'above' => ($order = $this->order($known)) !== null && $order > 0,
            'at_most' => ($order = $this->order($known)) !== null && $order <= 0,
            'at_least' => ($order = $this->order($known)) !== null && $order >= 0,
            'known' => true,
            default => false,
        };
    }

    public function words(): string
    {
        $words = FactCatalog::label($this->fact).' '.self::OPERATORS[$this->operator];

        return $this->needsValue() ? "{$words} ".FactCatalog::shows($this->fact, $this->value) : $words;
    }

    public function facts(): array
    {
        return [$this->fact];
    }

    public function toArray(): array
    {
        return $this->needsValue() ? [$this->fact, $this->operator, $this->value] : [$this->fact, $this->operator];
    }

    private function same(string $known, string $wanted): bool
    {
        $wanted = trim($wanted);
        if (self::isNumber($known) && self::isNumber($wanted)) {
            return BigDecimal::of($known)->isEqualTo($wanted);
        }

        return mb_strtolower($known) === mb_strtolower($wanted);
    }

    private function order(string $known): ?int
    {
        $wanted = trim($this->value);
        $isDay = static fn (string $text) => preg_match('/^\d{4}-\d{2}-\d{2}$/', $text) === 1;
        if ($isDay($known) && $isDay($wanted)) {
            return $known <=> $wanted;
        }

        return self::isNumber($known) && self::isNumber($wanted) ? BigDecimal::of($known)->compareTo($wanted) : null;
    }

    private static function isNumber(string $text): bool
    {
        return preg_match('/^-?\d{1,15}(\.\d{1,6})?$/', $text) === 1;
    }
}
