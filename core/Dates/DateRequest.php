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
     * @param array<string, array{label: string, day: LocalDate, time: TimeOfDay|null}> $anchors
     * @param list<DeadlineRule> $rules
     * @param array<string, Override> $overrides
     */
    private function __construct(
        private array $anchors,
        private array $rules,
        private array $overrides,
        private BusinessCalendar $calendar,
        private \DateTimeZone $zone,
        private LocalDate $today,
    ) {
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
        self::refuseUnknown($data, ['zone', 'today', 'federal', 'holidays', 'anchors', 'rules', 'overrides'], 'The request');
        $zone = self::zone($data['zone'] ?? 'UTC');
        $anchors = [];
        foreach (self::map($data, 'anchors') as $key => $given) {
            is_array($given) && self::refuseUnknown($given, ['day', 'label', 'time'], "Anchor “{$key}”");
            $day = is_array($given) ? $given['day'] ?? null : $given;
            $label = is_array($given) && is_string($given['label'] ?? null) ? $given['label'] : str_replace('_', ' ', (string) $key);
            $anchors[(string) $key] = [
                'label' => $label,
                'day' => self::day($day, $zone, "anchor “{$key}”"),
                'time' => self::timeOf($given, $zone),
            ];
        }
        $overrides = [];
        foreach (self::map($data, 'overrides') as $name => $given) {
            is_array($given) && self::refuseUnknown($given, ['day', 'reason'], "Override “{$name}”");
            $reason = is_array($given) ? $given['reason'] ?? 'no reason given' : 'no reason given';
            $overrides[(string) $name] = new Override(
                self::day(is_array($given) ? $given['day'] ?? null : $given, $zone, "override “{$name}”"),
                is_string($reason) ? $reason : throw new RuleUnreadable("The reason of override “{$name}” is a text."),
            );
        }
        $federal = $data['federal'] ?? true;
        $calendar = new BusinessCalendar(
            self::holidays($data['holidays'] ?? [], $zone),
            is_bool($federal) ? $federal : throw new RuleUnreadable('“federal” is true or false, without quotes.'),
        );

        return new self(
            $anchors,
            self::rules($data['rules'] ?? []),
            $overrides,
            $calendar,
            $zone,
            isset($data['today']) ? self::day($data['today'], $zone, '“today”') : LocalDate::at($now, $zone),
        );
    }

    /** @return list<DeadlineRule> */
    private static function rules(mixed $given): array
    {
        if (! is_array($given) || ! array_is_list($given)) {
            throw new RuleUnreadable('“rules” is a list.');
        }
        $rules = [];
        foreach ($given as $rule) {
            $read = DeadlineRule::fromArray(
                is_array($rule) && ! ($rule !== [] && array_is_list($rule)) ? $rule : throw new RuleUnreadable('Each rule is an object.'),
            );
            if (isset($rules[$read->name])) {
                throw new RuleUnreadable("Two rules are named “{$read->name}”.");
            }
            $rules[$read->name] = $read;
        }

        return array_values($rules);
    }

    /**
     * @param array<array-key, mixed> $data
     * @param list<string> $known
     */
    private static function refuseUnknown(array $data, array $known, string $where): void
    {
        $unknown = array_diff(array_map(strval(...), array_keys($data)), $known);
        if ($unknown !== []) {
            throw new RuleUnreadable(
                "{$where} has “".
                    mb_strimwidth(mb_scrub((string) reset($unknown)), 0, 40, '…').
                    '”, which is not known. It may have '.
                    implode(', ', $known).
                    '.',
            );
        }
    }

    /** The time of day of an anchor: as it is given, or that of the instant. */
    private static function timeOf(mixed $given, \DateTimeZone $zone): ?TimeOfDay
    {
        if (is_array($given) && isset($given['time'])) {
            return TimeOfDay::of(is_string($given['time']) ? $given['time'] : '');
        }
        $text = is_array($given) ? $given['day'] ?? '' : $given;
        $instant = is_string($text) ? self::instant($text) : null;

        return $instant === null ? null : TimeOfDay::of($instant->setTimezone($zone)->format('H:i'));
    }

    /** An instant with its offset that exists; null for anything else (RFC 3339, 5.6 and 5.7). */
    private static function instant(string $text): ?\DateTimeImmutable
    {
        if (
            preg_match('/^(\d{4}-\d{2}-\d{2})T(\d{2}):(\d{2})(?::(\d{2})(?:\.\d{1,9})?)?(Z|[+-](\d{2}):?(\d{2}))$/D', trim($text), $m) !== 1
        ) {
            return null;
        }
        LocalDate::of($m[1]);
        if ((int) $m[2] > 23 || (int) $m[3] > 59 || (int) ($m[4] ?: 0) > 59 || (int) ($m[6] ?? 0) > 14 || (int) ($m[7] ?? 0) > 59) {
            throw DateUnreadable::noSuchDay($text);
        }

        return new \DateTimeImmutable(trim($text));
    }

    /**
     * The computed dates, ready to be written as JSON.
     *
     * @return array{zone: string, today: string, dates: list<array<string, mixed>>, waiting: list<array{name: string, anchor: string}>}
     *
     * @throws CircularRules when rules count from each other
     * @throws RuleUnreadable when a day is set by hand for a rule that is not there
     */
    public function answer(): array
    {
        $deadlines = Schedule::compute(
            array_map(static fn (array $anchor) => $anchor['day'], $this->anchors),
            array_map(static fn (array $anchor) => $anchor['label'], $this->anchors),
            $this->rules,
            $this->calendar,
            $this->overrides,
            array_filter(array_map(static fn (array $anchor) => $anchor['time'], $this->anchors)),
            $this->today->year(),
            $this->zone,
        );
        $dates = [];
        $computed = [];
        $names = array_map(static fn (DeadlineRule $rule) => $rule->name, $this->rules);
        foreach (array_diff(array_map(strval(...), array_keys($this->overrides)), $names) as $name) {
            throw new RuleUnreadable("There is no rule “{$name}” whose day could be set by hand.");
        }
        foreach ($deadlines as $deadline) {
            $ends = $deadline->ends($this->zone);
            $computed[$deadline->name] = true;
            $dates[] = [
                'name' => $deadline->name,
                'label' => $deadline->label,
                'day' => $deadline->due->iso(),
                'weekday' => $deadline->due->weekdayName(),
                'cutOff' => $deadline->cutOff,
                'ends' => $ends->format(\DateTimeInterface::ATOM),
                'endsUtc' => $ends->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z'),
                'byHand' => $deadline->isByHand(),
                'computed' => ($deadline->computed ?? $deadline->due)->iso(),
                'because' => $deadline->because,
                'conflicts' => array_map(
                    static fn (Conflict $conflict) => $conflict->value,
                    Conflict::of($deadline->due, $this->calendar, $this->today),
                ),
            ];
        }
        $waiting = array_filter(
            $this->rules,
            fn (DeadlineRule $rule) => ! isset($computed[$rule->name]) && ! isset($this->anchors[$rule->name]),
        );

        return [
            'zone' => $this->zone->getName(),
            'today' => $this->today->iso(),
            'dates' => $dates,
            'waiting' => array_values(
                array_map(static fn (DeadlineRule $rule) => ['name' => $rule->name, 'anchor' => $rule->anchor], $waiting),
            ),
        ];
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
            $instant = self::instant($text);

            return $instant === null ? LocalDate::of($text) : LocalDate::at($instant, $zone);
        } catch (DateUnreadable) {
            throw new RuleUnreadable("{$where} is a day such as 2026-12-18, or an instant with its offset.");
        }
    }

    /** @return array<string, string> */
    private static function holidays(mixed $given, \DateTimeZone $zone): array
    {
        $holidays = [];
        foreach (
            is_array($given) ? $given : throw new RuleUnreadable('“holidays” is a list of days, or days with their '.
                'names.') as $key => $value
        ) {
            [$day, $name] = match (true) {
                is_array($value) => [
                    $value['day'] ?? ($value['date'] ?? null),
                    is_string($value['name'] ?? null) ? $value['name'] : 'a holiday',
                ],
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
