<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A request to compute dates, as JSON, and its answer: anchors, zone, holidays, rules and days set by hand in; the
 * computed dates out, each with its instant and the sentence that explains it.
 *
 * The form is described in docs/formats.md.
 */
final readonly class DateRequest
{
    /**
     * @param array<string, array{label: string, day: LocalDate}> $anchors
     * @param list<DeadlineRule> $rules
     * @param array<string, Override> $overrides
     */
    private function __construct(private array $anchors, private array $rules, private array $overrides, private BusinessCalendar $calendar, private \DateTimeZone $zone, private LocalDate $today)
    {
    }

    /**
     * Reads a request.
     *
     * @param \DateTimeInterface $now when it is asked, for "today" where the request does not say
     *
     * @throws RuleUnreadable when it is no JSON or something in it cannot be read
     */
    public static function fromJson(string $json, \DateTimeInterface $now): self
    {
        try {
            $data = json_decode($json, true, 32, JSON_THROW_ON_ERROR);
        } catch (\JsonException $broken) {
            throw new RuleUnreadable("This is no JSON: {$broken->getMessage()}.", previous: $broken);
        }
        if (! is_array($data) || array_is_list($data)) {
            throw new RuleUnreadable('The request is a JSON object with “anchors” and “rules”.');
        }
        $zone = self::zone($data['zone'] ?? 'UTC');
        $anchors = [];
        foreach (self::map($data, 'anchors') as $key => $given) {
            $day = is_array($given) ? ($given['day'] ?? null) : $given;
            $label = is_array($given) && is_string($given['label'] ?? null) ? $given['label'] : str_replace('_', ' ', (string) $key);
            $anchors[(string) $key] = ['label' => $label, 'day' => self::day($day, $zone, "anchor “{$key}”")];
        }
        $rules = [];
        foreach (is_array($data['rules'] ?? []) ? ($data['rules'] ?? []) : throw new RuleUnreadable('“rules” is a list.') as $rule) {
            $rules[] = $read = DeadlineRule::fromArray(is_array($rule) ? $rule : throw new RuleUnreadable('Each rule is an object.'));
            if (count(array_filter($rules, static fn (DeadlineRule $one) => $one->name === $read->name)) > 1) {
                throw new RuleUnreadable("Two rules are named “{$read->name}”.");
            }
        }
        $overrides = [];
        foreach (self::map($data, 'overrides') as $name => $given) {
            $overrides[(string) $name] = new Override(self::day(is_array($given) ? ($given['day'] ?? null) : $given, $zone, "override “{$name}”"), is_array($given) ? (string) ($given['reason'] ?? 'no reason given') : 'no reason given');
        }
        $calendar = new BusinessCalendar(self::holidays($data['holidays'] ?? [], $zone), (bool) ($data['federal'] ?? true));

        return new self($anchors, $rules, $overrides, $calendar, $zone, isset($data['today']) ? self::day($data['today'], $zone, '“today”') : LocalDate::at($now, $zone));
    }

    /**
     * The computed dates, ready to be written as JSON.
     *
     * @return array{zone: string, today: string, dates: list<array<string, mixed>>, waiting: list<array{name: string, anchor: string}>}
     *
     * @throws CircularRules when rules count from each other
     */
    public function answer(): array
    {
        $deadlines = Schedule::compute(
            array_map(static fn (array $anchor) => $anchor['day'], $this->anchors),
            array_map(static fn (array $anchor) => $anchor['label'], $this->anchors), $this->rules, $this->calendar, $this->overrides,
        );
        $dates = [];
        $computed = [];
        foreach ($deadlines as $deadline) {
            $ends = $deadline->ends($this->zone);
            $computed[] = $deadline->name;
            $dates[] = [
                'name' => $deadline->name, 'label' => $deadline->label, 'day' => $deadline->due->iso(), 'weekday' => $deadline->due->weekdayName(), 'cutOff' => $deadline->cutOff,
                'ends' => $ends->format(\DateTimeInterface::ATOM), 'endsUtc' => $ends->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z'),
                'byHand' => $deadline->isByHand(), 'computed' => ($deadline->computed ?? $deadline->due)->iso(), 'because' => $deadline->because,
                'conflicts' => array_map(static fn (Conflict $conflict) => $conflict->value, Conflict::of($deadline->due, $this->calendar, $this->today)),
            ];
        }
        $waiting = array_filter($this->rules, fn (DeadlineRule $rule) => ! in_array($rule->name, $computed, true) && ! isset($this->anchors[$rule->name]));

        return ['zone' => $this->zone->getName(), 'today' => $this->today->iso(), 'dates' => $dates, 'waiting' => array_values(array_map(static fn (DeadlineRule $rule) => ['name' => $rule->name, 'anchor' => $rule->anchor], $waiting))];
    }

    private static function zone(mixed $name): \DateTimeZone
    {
        try {
            return new \DateTimeZone(is_string($name) ? $name : '');
        } catch (\Exception) {
            throw new RuleUnreadable('“zone” is a time zone such as America/New_York.');
        }
    }

    private static function day(mixed $given, \DateTimeZone $zone, string $where): LocalDate
    {
        $text = is_string($given) ? trim($given) : '';
        try {
            // An instant is the day it is in the zone at that moment.
            return preg_match('/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}.*(?:Z|[+-]\d{2}:?\d{2})$/', $text) === 1 ? LocalDate::at(new \DateTimeImmutable($text), $zone) : LocalDate::of($text);
        } catch (\Exception) {
            throw new RuleUnreadable("{$where} is a day such as 2026-12-18, or an instant with its offset.");
        }
    }

    /** @return array<string, string> */
    private static function holidays(mixed $given, \DateTimeZone $zone): array
    {
        $holidays = [];
        foreach (is_array($given) ? $given : throw new RuleUnreadable('“holidays” is a list of days, or days with their names.') as $key => $value) {
            [$day, $name] = match (true) {
                is_array($value) => [$value['day'] ?? $value['date'] ?? null, (string) ($value['name'] ?? 'a holiday')],
                is_int($key) => [$value, 'a holiday'],
                default => [$key, is_string($value) ? $value : 'a holiday'],
            };
            $holidays[self::day($day, $zone, 'holiday')->iso()] = $name;
        }

        return $holidays;
    }

    /**
     * @param array<mixed> $data
     * @return array<array-key, mixed>
     */
    private static function map(array $data, string $key): array
    {
        $map = $data[$key] ?? [];
        if (! is_array($map) || ($map !== [] && array_is_list($map))) {
            throw new RuleUnreadable("“{$key}” is an object, each name with its day.");
        }

        return $map;
    }
}
