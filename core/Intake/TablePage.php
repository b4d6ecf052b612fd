<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * A page on the sorting table: which page of which stack it is, and how it is turned.
 */
final readonly class TablePage
{
    /**
     * @param int $stack place of the stack it came in, from 1
     * @param int $page of that stack, from 1
     * @param int $turn degrees clockwise: 0, 90, 180 or 270
     * @param bool $straight whether it is to be straightened
     */
    public function __construct(public int $stack, public int $page, public int $turn = 0, public bool $straight = false)
    {
    }

    /** What it is called for as long as it lies on the table: "1.12". */
    public function id(): string
    {
        return "{$this->stack}.{$this->page}";
    }

    /** Turned further. @param  int  $degrees  clockwise, a multiple of 90 */
    public function turned(int $degrees): self
    {
        return new self($this->stack, $this->page, (($this->turn + $degrees) % 360 + 360) % 360, $this->straight);
    }

    /** Straightened, or as it came. */
    public function straightened(bool $straight): self
    {
        return new self($this->stack, $this->page, $this->turn, $straight);
    }

    /** @return array{int, int, int, int} as kept */
    public function toArray(): array
    {
        return [$this->stack, $this->page, $this->turn, (int) $this->straight];
    }

    /** @param  array<int, int>  $kept */
    public static function fromArray(array $kept): self
    {
        return new self($kept[0], $kept[1], $kept[2] ?? 0, (bool) ($kept[3] ?? 0));
    }
}
