<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Dates\LocalDate;
use Unanimus\Pages\Rect;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Kind;

/**
 * A place on a form that someone fills before signing.
 */
final readonly class Blank
{
    /**
     * @param string|null $binding the fact it follows ("price", "buyer.1.name"); "financing?cash" ticks when the fact is "cash"
     * @param string|null $formula how it is computed from other blanks: "price - earnest_money", "loan_percent % price"
     * @param string|null $group ticks of one group exclude each other
     * @param string|null $when another blank that must be filled for this one to count as required
     * @param list<string> $options what may stand in a blank of the kind “choice”
     */
    public function __construct(
        public string $name,
        public Kind $kind,
        public string $label,
        public int $page,
        public Rect $place,
        public bool $required = false,
        public ?string $binding = null,
        public ?string $formula = null,
        public ?string $group = null,
        public ?string $when = null,
        public array $options = [],
    ) {
    }

    /**
     * What was typed, as it is kept. A choice may be typed by its beginning.
     *
     * @param LocalDate $today the day from which "5/14" gets its year
     *
     * @throws EntryUnreadable when it cannot be read as what the blank holds
     */
    public function parse(string $typed, LocalDate $today): string
    {
        $value = $this->kind->parse($typed, $today);
        if ($this->kind !== Kind::Choice || $value === '' || in_array($value, $this->options, true)) {
            return $value;
        }
        $begun = array_values(
            array_filter($this->options, static fn (string $option) => str_starts_with(mb_strtolower($option), mb_strtolower($value))),
        );
        $same = array_values(array_filter($begun, static fn (string $option) => mb_strtolower($option) === mb_strtolower($value)));

        return $same[0] ?? (count($begun) === 1 ? $begun[0] : throw EntryUnreadable::choice($value, $this->options));
    }

    /** @param  array<string, mixed>  $data as written by {@see toArray} */
    public static function fromArray(array $data): self
    {
        return new self(
            (string) $data['name'],
            Kind::from((string) $data['kind']),
            (string) $data['label'],
            (int) $data['page'],
            Rect::fromArray($data['place']),
            (bool) ($data['required'] ?? false),
            $data['binding'] ?? null,
            $data['formula'] ?? null,
            $data['group'] ?? null,
            $data['when'] ?? null,
            array_values(array_map(strval(...), $data['options'] ?? [])),
        );
    }

    /** @return array<string, mixed> only what is set */
    public function toArray(): array
    {
        return array_filter(
            [
                'name' => $this->name,
                'kind' => $this->kind->value,
                'label' => $this->label,
                'page' => $this->page,
                'place' => $this->place->toArray(),
                'required' => $this->required,
                'binding' => $this->binding,
                'formula' => $this->formula,
                'group' => $this->group,
                'when' => $this->when,
                'options' => $this->options,
            ],
            static fn (mixed $value) => $value !== null && $value !== false && $value !== [],
        );
    }
}
