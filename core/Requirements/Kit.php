<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Dates\DeadlineRule;
use Unanimus\Terms\Facts;

/**
 * A reusable start for files: papers in order, generic answers, deadline rules. It carries no data of any deal.
 */
final readonly class Kit
{
    /**
     * @param list<KitItem> $items in order
     * @param array<string, array<string, string>> $answers by form number, what is entered beforehand
     * @param list<DeadlineRule> $deadlines
     * @param array<string, string> $stages key to name, in order
     */
    public function __construct(
        public string $key,
        public string $name,
        public array $items,
        public array $answers,
        public array $deadlines,
        public array $stages,
    ) {
    }

    /**
     * A kit from its file.
     *
     * @throws \JsonException when the file is no JSON
     */
    public static function fromFile(string $path): self
    {
        $data = json_decode((string) file_get_contents($path), true, 512, JSON_THROW_ON_ERROR);

        return new self(
            basename($path, '.json'),
            $data['name'],
            array_values(array_map(static fn (array $item) => new KitItem(
                $item['title'], $item['form'] ?? null, $item['stage'],
                array_values(array_map(static fn (array $c) => new Condition($c[0], $c[1], $c[2] ?? ''), $item['when'] ?? [])),
                $item['reason'], $item['required'] ?? true,
            ), $data['items'])),
            $data['answers'] ?? [],
            array_values(array_map(DeadlineRule::fromArray(...), $data['deadlines'] ?? [])),
            $data['stages'],
        );
    }

    /** @return list<KitItem> what the deal calls for */
    public function itemsFor(Facts $facts): array
    {
        return array_values(array_filter($this->items, static fn (KitItem $item) => $item->isCalledFor($facts)));
    }

    /**
     * The deadline rules with the deal's own number of days where a term gives one.
     *
     * @return list<DeadlineRule>
     */
    public function deadlinesFor(Facts $facts): array
    {
        return array_map(static function (DeadlineRule $rule) use ($facts): DeadlineRule {
            $days = $facts->value("{$rule->name}_days");

            return $days === null || ! ctype_digit($days) ? $rule
                : new DeadlineRule($rule->name, $rule->label, $rule->anchor, $rule->days < 0 ? -(int) $days : (int) $days, $rule->businessDays, $rule->roll, $rule->cutOff);
        }, $this->deadlines);
    }
}
