<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Kind;

/**
 * A form in the making: pages of a PDF, and the blanks and marks placed on them so far, in the order they are gone through.
 */
final readonly class FormDraft
{
    /** The most items a form may have. */
    public const MOST = 1200;

    /**
     * @param list<array{float, float}> $pages width and height in points
     * @param list<DraftItem> $items
     */
    public function __construct(public array $pages, public array $items)
    {
    }

    /**
     * A draft as it is kept.
     *
     * @param list<array{float, float}> $pages
     * @param list<array<string, mixed>> $items
     */
    public static function of(array $pages, array $items): self
    {
        return new self($pages, array_map(DraftItem::fromArray(...), $items));
    }

    /**
     * A form that is in use, as the draft of its next revision.
     *
     * @param list<array{float, float}>|null $pages those of another PDF; null: its own
     */
    public static function after(Form $form, ?array $pages = null): self
    {
        $items = [];
        foreach ($form->blanks as $index => $blank) {
            $items[] = new DraftItem(
                "b{$index}",
                $blank->kind,
                $blank->name,
                $blank->label,
                $blank->page,
                $blank->place,
                $blank->required,
                $blank->binding ?? '',
                $blank->formula ?? '',
                $blank->group ?? '',
                $blank->when ?? '',
                $blank->options,
            );
        }
        foreach ($form->marks as $index => $mark) {
            $items[] = new DraftItem("m{$index}", $mark->kind, '', '', $mark->page, $mark->place, seat: (string) $mark->seat);
        }

        return new self($pages ?? $form->pages, $items);
    }

    /** The item of that id, or null. */
    public function item(string $id): ?DraftItem
    {
        foreach ($this->items as $item) {
            if ($item->id === $id) {
                return $item;
            }
        }

        return null;
    }

    /**
     * With an item placed, or put in place of the one of the same id. It is moved onto its page where it stands off it.
     *
     * @param int|null $at where in the order a new one goes; null: where it is read on its page
     *
     * @throws DraftRefused when there is no such page, or there are too many items
     */
    public function with(DraftItem $item, ?int $at = null): self
    {
        $size = $this->pages[$item->page - 1] ?? throw new DraftRefused("This form has no page {$item->page}; nothing was changed.");
        $item = self::onPage($item, $size);
        $items = $this->items;
        foreach ($items as $index => $other) {
            if ($other->id === $item->id) {
                $items[$index] = $item;

                return new self($this->pages, $items);
            }
        }
        if (count($items) >= self::MOST) {
            throw new DraftRefused('A form may have '.self::MOST.' blanks and marks; this one is full.');
        }
        array_splice($items, $at ?? $this->reading($item), 0, [$item]);

        return new self($this->pages, $items);
    }

    /** Without that item. */
    public function without(string $id): self
    {
        return new self($this->pages, array_values(array_filter($this->items, static fn (DraftItem $item) => $item->id !== $id)));
    }

    /** With that item at another place in the order, from 0. */
    public function moved(string $id, int $to): self
    {
        $item = $this->item($id);
        if ($item === null) {
            return $this;
        }
        $items = $this->without($id)->items;
        array_splice($items, max(0, min(count($items), $to)), 0, [$item]);

        return new self($this->pages, $items);
    }

    /** With all items in the order they are read: by page, from the top, from the left. */
    public function inReadingOrder(): self
    {
        $items = $this->items;
        usort($items, self::byPlace(...));

        return new self($this->pages, $items);
    }

    /** @return list<DraftFault> what should be put right, what blocks first */
    public function faults(): array
    {
        $faults = [];
        $names = array_count_values(
            array_map(
                static fn (DraftItem $item) => $item->name,
                array_filter($this->items, static fn (DraftItem $item) => ! $item->isMark()),
            ),
        );
        foreach ($this->items as $item) {
            foreach ($item->isMark() ? self::ofMark($item) : $this->ofBlank($item, $names) as $text) {
                $faults[] = new DraftFault($item->id, $text);
            }
        }
        foreach ($this->overlaps() as $fault) {
            $faults[] = $fault;
        }
        $groups = array_count_values(array_filter(array_map(static fn (DraftItem $item) => $item->group, $this->items)));
        foreach ($this->items as $item) {
            if ($item->group !== '' && $groups[$item->group] === 1) {
                $faults[] = new DraftFault($item->id, "{$item->called()} is the only one of its choice “{$item->group}”.", false);
            }
        }
        if ($this->items === []) {
            $faults[] = new DraftFault('', 'There is nothing to fill in or sign on it yet.');
        } elseif (array_filter($this->items, static fn (DraftItem $item) => $item->isMark()) === []) {
            $faults[] = new DraftFault('', 'No one signs it. That may be fine.', false);
        }
        usort($faults, static fn (DraftFault $a, DraftFault $b) => $b->blocks <=> $a->blocks);

        return $faults;
    }

    /**
     * The form it becomes.
     *
     * @throws DraftRefused when something is still to be put right
     */
    public function form(
        string $number,
        string $revision,
        string $title,
        string $set,
        string $stage,
        string $pdf,
        bool $retired = false,
    ): Form {
        $blocking = array_filter($this->faults(), static fn (DraftFault $fault) => $fault->blocks);
        if ($blocking !== []) {
            $first = reset($blocking);
            throw new DraftRefused(
                count($blocking) === 1 ? "Fix this first: {$first->text}" : count($blocking)." things to fix first. {$first->text}",
            );
        }

        return $this->built($number, $revision, $title, $set, $stage, $pdf, $retired);
    }

    /** The form it became when it was put in force; what is asked of forms today is not asked of it any more. */
    public function built(
        string $number,
        string $revision,
        string $title,
        string $set,
        string $stage,
        string $pdf,
        bool $retired = false,
    ): Form {
        $blanks = array_values(
            array_map(
                static fn (DraftItem $item) => $item->blank(),
                array_filter($this->items, static fn (DraftItem $item) => ! $item->isMark()),
            ),
        );
        $marks = array_values(
            array_map(
                static fn (DraftItem $item) => $item->mark(),
                array_filter($this->items, static fn (DraftItem $item) => $item->isMark()),
            ),
        );

        return new Form($number, $revision, $title, $set, $stage, $this->pages, $blanks, $marks, $pdf, $retired);
    }

    /** @return list<string> */
    private static function ofMark(DraftItem $item): array
    {
        try {
            Seat::of($item->seat);

            return [];
        } catch (\InvalidArgumentException) {
            return ["Say whose {$item->called()} is."];
        }
    }

    /**
     * @param array<string, int> $names
     * @return iterable<string>
     */
    private function ofBlank(DraftItem $item, array $names): iterable
    {
        $called = $item->called();
        if (preg_match('/^[a-z][a-z0-9_]{0,59}$/', $item->name) !== 1) {
            yield "{$called} needs a name of small letters, digits and underscores.";
        } elseif ($names[$item->name] > 1) {
            yield "{$called} has the same name as another: {$item->name}.";
        }
        if ($item->label === '') {
            yield "The blank {$item->name} on page {$item->page} has no words to be read by.";
        }
        if ($item->binding !== '' && ! Bindings::isKnown($item->binding)) {
            yield "{$called} follows “{$item->binding}”, which no deal has.";
        }
        if ($item->binding !== '' && (Bindings::kind($item->binding) === Kind::Tick) !== ($item->kind === Kind::Tick)) {
            yield $item->kind === Kind::Tick
                ? "{$called} is a check box. Say which value checks it, as in “financing?cash”."
                : "{$called} is not a check box and cannot follow “{$item->binding}”.";
        }
        if ($item->formula !== '') {
            preg_match_all('/[a-z_0-9]+/', $item->formula, $used);
            $strange = array_filter($used[0], static fn (string $name) => ! isset($names[$name]) || $name === $item->name);
            if ($used[0] === [] || $strange !== [] || preg_match('/^[a-z_0-9\s+%-]+$/', $item->formula) !== 1) {
                yield "{$called} is computed from ".
                    ($strange === [] ? 'what cannot be read' : implode(', ', $strange).', which it cannot use').
                    '.';
            } elseif ($item->kind !== Kind::Money) {
                yield "{$called} is computed, so it must be an amount.";
            }
        }
        if ($item->when !== '' && (! isset($names[$item->when]) || $item->when === $item->name)) {
            yield "{$called} counts only with “{$item->when}”, which is not on the form.";
        }
        if ($item->group !== '' && $item->kind !== Kind::Tick) {
            yield "{$called} is not a check box and cannot be one of a choice.";
        }
        if ($item->kind === Kind::Choice && count($item->options) < 2) {
            yield "{$called} needs at least two things to choose from.";
        }
    }

    /** @return iterable<DraftFault> */
    private function overlaps(): iterable
    {
        foreach ($this->items as $index => $item) {
            foreach (array_slice($this->items, $index + 1) as $other) {
                if (
                    $item->page === $other->page &&
                    $item->place->overlaps($other->place) &&
                    self::shared($item->place, $other->place) > 0.25
                ) {
                    yield new DraftFault($other->id, "{$other->called()} lies over {$item->called()}.", false);
                }
            }
        }
    }

    /** The part of the smaller one that both cover. */
    private static function shared(Rect $a, Rect $b): float
    {
        $width = min($a->x + $a->width, $b->x + $b->width) - max($a->x, $b->x);
        $height = min($a->y + $a->height, $b->y + $b->height) - max($a->y, $b->y);

        return ($width * $height) / min($a->width * $a->height, $b->width * $b->height);
    }

    /** @param  array{float, float}  $size */
    private static function onPage(DraftItem $item, array $size): DraftItem
    {
        [$width, $height] = [min($item->place->width, $size[0]), min($item->place->height, $size[1])];
        $place = new Rect(
            max(0.0, min($item->place->x, $size[0] - $width)),
            max(0.0, min($item->place->y, $size[1] - $height)),
            $width,
            $height,
        );

        return DraftItem::fromArray([...$item->toArray(), 'place' => $place->toArray()]);
    }

    private function reading(DraftItem $item): int
    {
        foreach ($this->items as $index => $other) {
            if ($other->isMark() === $item->isMark() && self::byPlace($item, $other) < 0) {
                return $index;
            }
        }

        return count($this->items);
    }

    private static function byPlace(DraftItem $a, DraftItem $b): int
    {
        return [$a->page, round($a->place->y / 6), $a->place->x] <=> [$b->page, round($b->place->y / 6), $b->place->x];
    }
}
