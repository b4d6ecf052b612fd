<?php

declare(strict_types=1);

namespace Unanimus\Money;

use Brick\Math\BigDecimal;

/**
 * An exact percentage from 0 to 100, with up to six places after the point.
 */
final readonly class Percent implements \JsonSerializable, \Stringable
{
    private function __construct(public BigDecimal $value)
    {
    }

    /**
     * A percentage as stored or as typed: "96.5", "96.5 %", "3 percent", "2½", "1/2%", ".5".
     *
     * @throws AmountUnreadable when it is no number from 0 to 100, or has more than six places
     */
    public static function of(string $text): self
    {
        $bare = trim((string) preg_replace('/[\s\x{00A0}]*(?:%|percent|per cent|pct\.?)[\s\x{00A0}]*$/iu', '', $text));
        $plain = TypedNumber::plain($bare) ?? throw AmountUnreadable::percent($text, TypedNumber::meant($bare));
        $value = BigDecimal::of($plain);
        if ($value->isGreaterThan(100) || $value->isNegative() || $value->stripTrailingZeros()->getScale() > 6) {
            throw AmountUnreadable::percent($text);
        }

        return new self($value->stripTrailingZeros()->getScale() < 0 ? $value->toScale(0) : $value->stripTrailingZeros());
    }

    /** What is left to a hundred. */
    public function rest(): self
    {
        return self::of((string) BigDecimal::of(100)->minus($this->value));
    }

    /** Its exact decimal text: "96.5". */
    public function decimal(): string
    {
        $value = $this->value->stripTrailingZeros();

        return (string) ($value->getScale() < 0 ? $value->toScale(0) : $value);
    }

    /** As read: "96.5%". */
    public function __toString(): string
    {
        return $this->decimal().'%';
    }

    /** Its exact decimal text. */
    public function jsonSerialize(): string
    {
        return $this->decimal();
    }
}
