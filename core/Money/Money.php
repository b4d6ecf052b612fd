<?php

declare(strict_types=1);

namespace Unanimus\Money;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/**
 * An exact amount of US dollars, held in whole cents.
 */
final readonly class Money implements \JsonSerializable, \Stringable
{
    private function __construct(public int $cents)
    {
    }

    /** An amount from whole cents. */
    public static function cents(int $cents): self
    {
        return new self($cents);
    }

    /** Nothing. */
    public static function zero(): self
    {
        return new self(0);
    }

    /**
     * An amount from its exact decimal text ("412500.00", "-3.5").
     *
     * @throws AmountUnreadable when the text is no decimal, or has fractions of a cent
     */
    public static function of(string $decimal): self
    {
        if (preg_match('/^-?\d{1,13}(\.\d{1,2})?$/', $decimal) !== 1) {
            throw AmountUnreadable::notDecimal($decimal);
        }

        return new self(BigDecimal::of($decimal)->multipliedBy(100)->toInt());
    }

    /**
     * An amount as people type it: "$412,500", "450k", "1.2m", ".50", "(500)", and as it is shown: "−$395.00".
     *
     * @throws AmountUnreadable when no amount can be read in it; its message says what may be meant
     */
    public static function parse(string $typed): self
    {
        $text = (string) preg_replace('/^([(\-−–\s\x{00A0}]*)(?:usd|us\$|\$)\s*|\s*(?:usd|dollars?)(?=\)?\s*$)/iu', '$1', trim($typed));
        $text = (string) preg_replace('/^\$\s*([-−])/u', '$1', $text);
        $times = 1;
        if (preg_match('/^(.*\d)\s?([km])(\)?)$/iu', $text, $found) === 1) {
            [$text, $times] = [$found[1].$found[3], strtolower($found[2]) === 'k' ? 1_000 : 1_000_000];
        }
        // "412.500" is written for 412,500 in much of the world: neither is taken for the other.
        $isThousands = $times === 1 && preg_match('/^\D*[1-9]\d{0,2}\.\d{3}\D*$/u', $text) === 1;
        $plain = $isThousands ? null : TypedNumber::plain($text);
        $plain ?? throw AmountUnreadable::typed($typed, TypedNumber::meant($typed));
        $cents = BigDecimal::of($plain)->multipliedBy($times)->multipliedBy(100);
        if ($cents->stripTrailingZeros()->getScale() > 0 || $cents->abs()->isGreaterThan('9999999999999')) {
            throw AmountUnreadable::typed(
                $typed,
                $cents->stripTrailingZeros()->getScale() > 0 ? 'It has fractions of a cent.' : 'It is too large.',
            );
        }

        return new self($cents->toInt());
    }

    /** This and the other together. */
    public function plus(self $other): self
    {
        return new self($this->cents + $other->cents);
    }

    /** This less the other; may fall below nothing. */
    public function minus(self $other): self
    {
        return new self($this->cents - $other->cents);
    }

    /** Whether it is below nothing. */
    public function isNegative(): bool
    {
        return $this->cents < 0;
    }

    /** Whether it is nothing. */
    public function isZero(): bool
    {
        return $this->cents === 0;
    }

    /** Whether it is more than the other. */
    public function exceeds(self $other): bool
    {
        return $this->cents > $other->cents;
    }

    /** The share of this in percent, rounded half up to the cent. */
    public function share(Percent $percent): self
    {
        return new self(BigDecimal::of($this->cents)->multipliedBy($percent->value)->dividedBy(100, 0, RoundingMode::HALF_UP)->toInt());
    }

    /**
     * So many parts of the whole, "170 of 365 days", rounded half up to the cent.
     *
     * @throws \InvalidArgumentException when there are no parts in the whole
     */
    public function parts(int $parts, int $whole): self
    {
        if ($whole < 1) {
            throw new \InvalidArgumentException('A whole has at least one part.');
        }

        return new self(BigDecimal::of($this->cents)->multipliedBy($parts)->dividedBy($whole, 0, RoundingMode::HALF_UP)->toInt());
    }

    /** The exact decimal text with two places: "412500.00". */
    public function decimal(): string
    {
        return (string) BigDecimal::ofUnscaledValue($this->cents, 2);
    }

    /** As read on a screen or a form: "$412,500", with cents only where there are any. */
    public function __toString(): string
    {
        return ($this->cents < 0 ? '−' : '').'$'.$this->figures($this->cents % 100 !== 0);
    }

    /** As written in a ledger: "$412,500.00", always with cents. */
    public function ledger(): string
    {
        return ($this->cents < 0 ? '−' : '').'$'.$this->figures(true);
    }

    /** The exact decimal text. */
    public function jsonSerialize(): string
    {
        return $this->decimal();
    }

    private function figures(bool $withCents): string
    {
        $absolute = abs($this->cents);
        $dollars = strrev(implode(',', str_split(strrev((string) intdiv($absolute, 100)), 3)));

        return $withCents ? $dollars.'.'.str_pad((string) ($absolute % 100), 2, '0', STR_PAD_LEFT) : $dollars;
    }
}
