<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Parties\Side;
use Unanimus\Terms\Facts;

/**
 * A paper that a kit or rule brings: a form of the library, or a placeholder for one that must come from outside.
 */
final readonly class KitItem
{
    /** Stands in an editor where the number of a form would. */
    public const ACTION = 'action';

    /**
     * @param string|null $form number in the library; null: a placeholder
     * @param Group $when asked of the deal; empty: always
     * @param string $reason why it is asked for, as read; may name facts as {property.year_built}
     * @param bool $required whether the checklist asks for it
     * @param Side|null $side the side whose private paper it is; null: common to both
     * @param DueRule|null $due until when it is asked for; null: nobody says
     * @param bool $isAction whether something is done instead of brought: "sign placed"
     */
    public function __construct(
        public string $title,
        public ?string $form,
        public string $stage,
        public Group $when,
        public string $reason,
        public bool $required = true,
        public ?Side $side = null,
        public ?DueRule $due = null,
        public bool $isAction = false,
    ) {
    }

    /**
     * From its stored form.
     *
     * @param array<string, mixed> $data
     * @param list<string> $stages the keys it may stand in
     *
     * @throws ConditionUnreadable when something in it cannot be read
     */
    public static function fromArray(array $data, array $stages): self
    {
        $title = trim(is_string($data['title'] ?? null) ? $data['title'] : '');
        if ($title === '' || mb_strlen($title) > 120) {
            throw new ConditionUnreadable('A paper needs a title of up to 120 letters.');
        }
        $stage = $data['stage'] ?? $stages[0];
        if (! in_array($stage, $stages, true)) {
            throw new ConditionUnreadable("“{$title}” stands in no stage: choose ".implode(', ', $stages).'.');
        }
        $side = $data['side'] ?? null;
        $when = Group::fromArray(is_array($data['when'] ?? null) ? $data['when'] : []);
        $reason =
            is_string($data['reason'] ?? null) && trim($data['reason']) !== ''
                ? trim($data['reason'])
                : ($when->isEmpty()
                    ? 'part of the kit'
                    : $when->words());

        $isAction = ($data['form'] ?? null) === self::ACTION || (bool) ($data['action'] ?? false);

        return new self(
            $title,
            ! $isAction && is_string($data['form'] ?? null) && $data['form'] !== '' ? $data['form'] : null,
            $stage,
            $when,
            $reason,
            (bool) ($data['required'] ?? true),
            is_string($side) ? Side::tryFrom($side) : null,
            DueRule::from($data['due'] ?? null),
            $isAction,
        );
    }

    /** @return array<string, mixed> its stored form */
    public function toArray(): array
    {
        return array_filter(
            [
                'title' => $this->title,
                'form' => $this->form,
                'stage' => $this->stage,
                'when' => $this->when->isEmpty() ? null : $this->when->toArray(),
                'reason' => $this->reason,
                'side' => $this->side?->value,
                'due' => $this->due?->toArray(),
                'action' => $this->isAction ? true : null,
            ],
            static fn ($value) => $value !== null,
        ) + ['required' => $this->required];
    }

    /** Whether it is the same paper as the other: the same form, or the same title from outside. */
    public function identity(): string
    {
        return $this->form ?? mb_strtolower($this->title);
    }

    /** Whether the deal calls for it. */
    public function isCalledFor(Facts $facts): bool
    {
        return $this->when->holds($facts);
    }

    /** The reason with the deal's own facts in it. */
    public function reasonFor(Facts $facts): string
    {
        return (string) preg_replace_callback(
            '/\{([a-z_.0-9]+)\}/',
            static fn (array $m) => ($value = $facts->value($m[1])) === null ? '…' : FactCatalog::shows($m[1], $value),
            $this->reason,
        );
    }
}
