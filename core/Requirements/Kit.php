<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Dates\DeadlineRule;
use Unanimus\Dates\RuleUnreadable;
use Unanimus\Dates\Schedule;
use Unanimus\Terms\Facts;

/**
 * A reusable start for files: papers in order, generic answers, deadline rules, tasks, contacts, fees. It carries no
 * data of any client, property or price.
 */
final readonly class Kit
{
    /** Who of the usual people may come with a kit; clients never do. */
    public const CONTACT_ROLES = ['escrow', 'lender', 'other'];

    /** Bound to these a blank holds the deal's own data, which a kit does not carry. */
    private const DEALS_OWN = '/^(buyers?|sellers?|tenants?|landlords?|coagent|property|listing)\b|'.
        '^(price|list_price|earnest_money|loan_amount|down_payment|'.
        'balance|concessions|acceptance|closing|possession|offer_date|offer_expiry)\b/';

    /**
     * @param list<KitItem> $items in order
     * @param array<string, array<string, string>> $answers by form number, what is entered beforehand
     * @param list<DeadlineRule> $deadlines
     * @param list<TaskRule> $tasks
     * @param list<array{role: string, name: string, firm: string, email: string, phone: string}> $contacts
     * @param list<array{label: string, amount: string|null}> $fees amount null: left open
     * @param Group|null $when files it applies itself to; null: only by hand
     */
    private function __construct(
        public string $key,
        public string $name,
        public string $note,
        public array $items,
        public array $answers,
        public array $deadlines,
        public array $tasks,
        public array $contacts,
        public array $fees,
        public ?Group $when,
    ) {
    }

    /**
     * A kit from its file.
     *
     * @throws \JsonException when the file is no JSON
     * @throws ConditionUnreadable when something in it cannot be read
     */
    public static function fromFile(string $path): self
    {
        return self::fromArray(basename($path, '.json'), json_decode((string) file_get_contents($path), true, 512, JSON_THROW_ON_ERROR));
    }

    /**
     * A kit from its stored form.
     *
     * @param array<string, mixed> $data
     *
     * @throws ConditionUnreadable when something in it cannot be read
     */
    public static function fromArray(string $key, array $data): self
    {
        $list = static fn (string $name): array => is_array($data[$name] ?? null)
            ? array_values(array_filter($data[$name], is_array(...)))
            : [];
        $name = trim(is_string($data['name'] ?? null) ? $data['name'] : '');
        if ($name === '' || mb_strlen($name) > 80) {
            throw new ConditionUnreadable('A kit needs a name of up to 80 letters.');
        }
        $items = array_map(static fn (array $item) => KitItem::fromArray($item, Stage::keys()), $list('items'));
        $seen = [];
        foreach ($items as $item) {
            if (isset($seen[$item->identity()])) {
                throw new ConditionUnreadable("“{$item->title}” stands in the kit twice.");
            }
            $seen[$item->identity()] = true;
        }
        try {
            $deadlines = array_map(DeadlineRule::fromArray(...), $list('deadlines'));
            Schedule::refuseCircles($deadlines);
        } catch (RuleUnreadable|\DomainException $unreadable) {
            throw new ConditionUnreadable($unreadable->getMessage(), previous: $unreadable);
        }
        $answers = [];
        foreach (is_array($data['answers'] ?? null) ? $data['answers'] : [] as $form => $entries) {
            foreach (is_array($entries) ? $entries : [] as $blank => $value) {
                is_scalar($value) &&
                    (string) $value !== '' &&
                    ($answers[(string) $form][(string) $blank] = mb_substr((string) $value, 0, 4000));
            }
        }

        return new self(
            $key,
            $name,
            trim(is_string($data['note'] ?? null) ? $data['note'] : ''),
            $items,
            $answers,
            $deadlines,
            array_map(TaskRule::fromArray(...), $list('tasks')),
            array_map(self::contact(...), $list('contacts')),
            array_map(self::fee(...), $list('fees')),
            isset($data['when']) && is_array($data['when']) ? Group::fromArray($data['when']) : null,
        );
    }

    /** @return array<string, mixed> its stored form */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'note' => $this->note,
            'when' => $this->when?->toArray(),
            'items' => array_map(static fn (KitItem $item) => $item->toArray(), $this->items),
            'answers' => $this->answers,
            'deadlines' => array_map(static fn (DeadlineRule $rule) => $rule->toArray(), $this->deadlines),
            'tasks' => array_map(static fn (TaskRule $task) => $task->toArray(), $this->tasks),
            'contacts' => $this->contacts,
            'fees' => $this->fees,
        ];
    }

    /** Whether it applies itself to the deal. */
    public function appliesTo(Facts $facts): bool
    {
        return $this->when !== null && ! $this->when->isEmpty() && $this->when->holds($facts);
    }

    /**
     * What of the answers is the deal's own and has no place in a kit, in words.
     *
     * @param callable(string, string): (string|null) $boundTo the fact a form's blank is bound to: form number, blank name
     * @return list<string>
     */
    public function ofTheDeal(callable $boundTo): array
    {
        $told = [];
        foreach ($this->answers as $form => $entries) {
            foreach (array_keys($entries) as $blank) {
                $fact = $boundTo((string) $form, (string) $blank);
                if ($fact !== null && preg_match(self::DEALS_OWN, $fact) === 1) {
                    $told[] =
                        "{$form}, “{$blank}”, holds ".lcfirst(FactCatalog::label($fact)).': that belongs to a deal, not to a kit.';
                }
            }
        }

        return $told;
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

            return $days === null || ! ctype_digit($days)
                ? $rule
                : new DeadlineRule(
                    $rule->name,
                    $rule->label,
                    $rule->anchor,
                    $rule->days < 0 ? -(int) $days : (int) $days,
                    $rule->unit,
                    $rule->roll,
                    $rule->cutOff,
                    $rule->lateAfter,
                    $rule->shortLimit,
                );
        }, $this->deadlines);
    }

    /**
     * @param array<string, mixed> $data
     * @return array{role: string, name: string, firm: string, email: string, phone: string}
     */
    private static function contact(array $data): array
    {
        $text = static fn (string $key) => trim(is_string($data[$key] ?? null) ? mb_substr($data[$key], 0, 200) : '');
        $role = $text('role');
        if (! in_array($role, self::CONTACT_ROLES, true)) {
            throw new ConditionUnreadable('Contacts of a kit are escrow, lender or other. Clients belong to a deal, not to a kit.');
        }
        if ($text('name') === '') {
            throw new ConditionUnreadable('A contact of a kit needs a name.');
        }

        return ['role' => $role, 'name' => $text('name'), 'firm' => $text('firm'), 'email' => $text('email'), 'phone' => $text('phone')];
    }

    /**
     * @param array<string, mixed> $data
     * @return array{label: string, amount: string|null}
     */
    private static function fee(array $data): array
    {
        $amount = $data['amount'] ?? null;
        $amount = is_scalar($amount) && (string) $amount !== '' ? str_replace([',', '$'], '', (string) $amount) : null;
        if ($amount !== null && preg_match('/^\d{1,7}(\.\d{1,2})?$/', $amount) !== 1) {
            throw new ConditionUnreadable('A fee is an amount such as 395.00, or left open.');
        }

        return ['label' => trim(is_string($data['label'] ?? null) ? $data['label'] : '') ?: 'Fee', 'amount' => $amount];
    }
}
