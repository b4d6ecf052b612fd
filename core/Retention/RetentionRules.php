<?php

declare(strict_types=1);

namespace Unanimus\Retention;

use Unanimus\Files\DealStatus;
use Unanimus\Parties\DealKind;

/**
 * How many years an office keeps its files, by kind of deal and how it ended. What nobody has said is kept for good: law and
 * license boards set these numbers, and they differ from state to state.
 */
final readonly class RetentionRules
{
    public const MOST_YEARS = 99;

    private const ANY = 'any';

    /** @param  array<string, int>  $years by "kind-status", either of which may be "any" */
    private function __construct(public array $years, public ?int $archiveAfter)
    {
    }

    /**
     * As stored; numbers that are out of bounds or of no known kind count as not said.
     *
     * @param array<array-key, mixed> $stored years by place, and after how many days files are archived
     */
    public static function of(array $stored): self
    {
        $years = [];
        foreach (self::places() as $place) {
            $given = is_array($stored['years'] ?? null) ? ($stored['years'][$place] ?? null) : null;
            is_int($given) && $given >= 1 && $given <= self::MOST_YEARS && $years[$place] = $given;
        }
        $after = $stored['archive after'] ?? null;

        return new self($years, is_int($after) && $after >= 0 && $after <= 3650 ? $after : null);
    }

    /**
     * As typed, by place.
     *
     * @param array<array-key, mixed> $years
     *
     * @throws \Unanimus\Steps\StepRefused when a number cannot be one
     */
    public static function typed(array $years, string $archiveAfter): self
    {
        $read = [];
        foreach (self::places() as $place) {
            $typed = trim((string) ($years[$place] ?? ''));
            $typed === '' || $read[$place] = self::number($typed, 1, self::MOST_YEARS, RetentionRefusal::NoYears);
        }
        $after = trim($archiveAfter) === '' ? null : self::number(trim($archiveAfter), 0, 3650, RetentionRefusal::NoDays);

        return new self($read, $after);
    }

    /** @return list<string> every place a number of years can stand, the most general first */
    public static function places(): array
    {
        $places = [];
        foreach ([self::ANY, ...array_map(static fn (DealKind $kind) => $kind->value, DealKind::cases())] as $kind) {
            foreach ([self::ANY, ...array_map(static fn (DealStatus $status) => $status->value, self::endings())] as $status) {
                $places[] = "{$kind}-{$status}";
            }
        }

        return $places;
    }

    /** @return list<DealStatus> in which a file can have ended */
    public static function endings(): array
    {
        return array_values(array_filter(DealStatus::cases(), static fn (DealStatus $status) => ! $status->isOpen()));
    }

    /**
     * How many years such a file is kept from the day it ended; null: for good. What is said of both its kind and its ending
     * goes before what is said of its kind, and that before what is said of its ending.
     */
    public function yearsFor(DealKind $kind, DealStatus $status): ?int
    {
        return $this->years["{$kind->value}-{$status->value}"]
            ?? $this->years["{$kind->value}-any"]
            ?? $this->years["any-{$status->value}"]
            ?? $this->years['any-any']
            ?? null;
    }

    /** By which words of the office such a file is kept: "sale, closed", "any kind, any ending". */
    public function placeFor(DealKind $kind, DealStatus $status): ?string
    {
        foreach (["{$kind->value}-{$status->value}", "{$kind->value}-any", "any-{$status->value}", 'any-any'] as $place) {
            if (isset($this->years[$place])) {
                return self::readable($place);
            }
        }

        return null;
    }

    /** A place in words. */
    public static function readable(string $place): string
    {
        [$kind, $status] = explode('-', $place);

        return ($kind === self::ANY ? 'any kind' : DealKind::from($kind)->value).', '.
            ($status === self::ANY ? 'any ending' : DealStatus::from($status)->readable());
    }

    /** @return array<string, mixed> to be stored */
    public function toArray(): array
    {
        return ['years' => $this->years, 'archive after' => $this->archiveAfter];
    }

    private static function number(string $typed, int $least, int $most, RetentionRefusal $otherwise): int
    {
        $isOne = preg_match('/^\d{1,4}$/', $typed) === 1 && (int) $typed >= $least && (int) $typed <= $most;
        $isOne || throw $otherwise->because(typed: $typed);

        return (int) $typed;
    }
}
