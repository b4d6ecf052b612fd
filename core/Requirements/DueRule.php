<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

/**
 * Until when a requirement is to be met: so many days from a day of the deal, "3 days before closing".
 */
final readonly class DueRule
{
    private const FURTHEST = 3660;

    /**
     * @param string $anchor "opened", an anchor of the file or one of its deadlines
     * @param int $days from it; before it when negative
     */
    private function __construct(public string $anchor, public int $days)
    {
    }

    /**
     * From its stored form; null where nothing is asked.
     *
     * @throws ConditionUnreadable when something in it cannot be read
     */
    public static function from(mixed $data): ?self
    {
        if (! is_array($data) || ($data['anchor'] ?? '') === '') {
            return null;
        }
        $days = $data['days'] ?? 0;
        if (is_string($days) && preg_match('/^\s*[-−]?\s*\d{1,4}\s*$/u', $days) === 1) {
            $days = (int) str_replace(['−', ' '], ['-', ''], $days);
        }
        if (! is_string($data['anchor']) || preg_match('/^[a-z][a-z0-9_.-]{0,59}$/', $data['anchor']) !== 1) {
            throw new ConditionUnreadable('Say from which day of the deal it is due.');
        }
        if (! is_int($days) || abs($days) > self::FURTHEST) {
            throw new ConditionUnreadable('The days until something is due are a whole number.');
        }

        return new self($data['anchor'], $days);
    }

    /** @return array{anchor: string, days: int} its stored form */
    public function toArray(): array
    {
        return ['anchor' => $this->anchor, 'days' => $this->days];
    }

    /** As read: "at closing", "3 days before closing". @param  string  $anchor  what its day is called */
    public function words(string $anchor): string
    {
        $anchor = lcfirst($anchor);
        $count = abs($this->days);
        $days = $count === 1 ? '1 day' : "{$count} days";

        return match (true) {
            $this->days === 0 => "at {$anchor}",
            $this->days < 0 => "{$days} before {$anchor}",
            default => "{$days} after {$anchor}",
        };
    }
}
