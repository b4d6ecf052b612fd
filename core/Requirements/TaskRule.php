<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

/**
 * Something to be done, so many days after or before an anchor of the deal.
 */
final readonly class TaskRule
{
    /** @param  'agent'|'coordinator'|'broker'  $for whose it is */
    public function __construct(
        public string $title,
        public string $anchor,
        public int $days,
        public bool $businessDays,
        public string $for,
    ) {
    }

    /**
     * From its stored form.
     *
     * @param array<string, mixed> $data
     *
     * @throws ConditionUnreadable when something in it cannot be read
     */
    public static function fromArray(array $data): self
    {
        $title = trim(is_string($data['title'] ?? null) ? $data['title'] : '');
        if ($title === '' || mb_strlen($title) > 200) {
            throw new ConditionUnreadable('A task needs a title of up to 200 letters.');
        }
        $anchor =
            is_string($data['anchor'] ?? null) && preg_match('/^[a-z][a-z0-9_.-]{0,59}$/', $data['anchor']) === 1
                ? $data['anchor']
                : 'opened';
        $days = $data['days'] ?? 0;
        if (! is_int($days) || abs($days) > 3660) {
            throw new ConditionUnreadable("“{$title}”: the days are a whole number.");
        }
        $for = $data['for'] ?? 'agent';

        return new self(
            $title,
            $anchor,
            $days,
            ($data['unit'] ?? 'calendar') === 'business',
            in_array($for, ['agent', 'coordinator', 'broker'], true) ? $for : 'agent',
        );
    }

    /** @return array<string, mixed> its stored form */
    public function toArray(): array
    {
        return [
            'title' => $this->title,
            'anchor' => $this->anchor,
            'days' => $this->days,
            'unit' => $this->businessDays ? 'business' : 'calendar',
            'for' => $this->for,
        ];
    }
}
