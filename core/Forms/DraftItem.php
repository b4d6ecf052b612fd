<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Kind;

/**
 * A blank or a mark of a form in the making. It has an id of its own, since its name may still change or be wrong.
 */
final readonly class DraftItem
{
    /** The smallest side a place may have, in points. */
    public const LEAST = 4.0;

    /**
     * @param string $seat for a mark, the seat it belongs to; empty while nobody has said
     * @param list<string> $options
     */
    public function __construct(
        public string $id,
        public Kind|MarkKind $kind,
        public string $name,
        public string $label,
        public int $page,
        public Rect $place,
        public bool $required = false,
        public string $binding = '',
        public string $formula = '',
        public string $group = '',
        public string $when = '',
        public array $options = [],
        public string $seat = '',
    ) {
    }

    /** Whether a signer makes it. */
    public function isMark(): bool
    {
        return $this->kind instanceof MarkKind;
    }

    /**
     * An item as a device sends it or as it is kept.
     *
     * @param array<mixed> $data
     *
     * @throws DraftRefused when it is none
     */
    public static function fromArray(array $data): self
    {
        $text = static fn (string $key, int $longest = 80): string => mb_substr(
            trim((string) preg_replace('/[\x00-\x1f\x7f]+/u', ' ', is_scalar($data[$key] ?? '') ? (string) ($data[$key] ?? '') : '')),
            0,
            $longest,
        );
        $place = array_values(is_array($data['place'] ?? null) ? $data['place'] : []);
        if (preg_match('/^[\w-]{1,40}$/', $text('id')) !== 1 || count($place) !== 4 || array_filter($place, is_numeric(...)) !== $place) {
            throw new DraftRefused('This is no place on a page; nothing was changed.');
        }
        $kind = $data['mark'] ?? false ? MarkKind::tryFrom($text('kind')) : Kind::tryFrom($text('kind'));
        $options = array_values(
            array_filter(
                array_map(
                    static fn (mixed $one) => mb_substr(trim(is_scalar($one) ? (string) $one : ''), 0, 120),
                    array_slice(is_array($data['options'] ?? null) ? $data['options'] : [], 0, 200),
                ),
                static fn (string $one) => $one !== '',
            ),
        );

        return new self(
            $text('id'),
            $kind ?? throw new DraftRefused('This is no kind of blank; nothing was changed.'),
            $text('name', 60),
            $text('label'),
            max(1, (int) ($data['page'] ?? 1)),
            new Rect((float) $place[0], (float) $place[1], max(self::LEAST, (float) $place[2]), max(self::LEAST, (float) $place[3])),
            (bool) ($data['required'] ?? false),
            $text('binding'),
            $text('formula', 300),
            $text('group', 60),
            $text('when', 60),
            $options,
            $text('seat'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'mark' => $this->isMark(),
            'kind' => $this->kind->value,
            'name' => $this->name,
            'label' => $this->label,
            'page' => $this->page,
            'place' => $this->place->toArray(),
            'required' => $this->required,
            'binding' => $this->binding,
            'formula' => $this->formula,
            'group' => $this->group,
            'when' => $this->when,
            'options' => $this->options,
            'seat' => $this->seat,
        ];
    }

    /** What to call it when something is wrong with it. */
    public function called(): string
    {
        return $this->isMark()
            ? "The {$this->kind->value} on page {$this->page}"
            : '“'.($this->label ?: $this->name).'” on page '.$this->page;
    }

    /** The blank it becomes. @throws DraftRefused when it is a mark */
    public function blank(): Blank
    {
        return $this->kind instanceof Kind
            ? new Blank(
                $this->name,
                $this->kind,
                $this->label,
                $this->page,
                $this->place,
                $this->required,
                $this->binding ?: null,
                $this->formula ?: null,
                $this->group ?: null,
                $this->when ?: null,
                $this->kind === Kind::Choice ? $this->options : [],
            )
            : throw new DraftRefused('This is a mark.');
    }

    /** The mark it becomes. @throws DraftRefused when it is a blank */
    public function mark(): MarkPlace
    {
        return $this->kind instanceof MarkKind
            ? new MarkPlace($this->kind, Seat::of($this->seat), $this->page, $this->place)
            : throw new DraftRefused('This is a blank.');
    }
}
