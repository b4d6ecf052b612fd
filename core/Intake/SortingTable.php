<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Steps\StepRefused;

/**
 * All pages of one stack or several, laid out to be sorted into papers. Whatever is done with it, each page lies on it exactly
 * once: in a part, or put aside. Every step gives a new table, so that each can be undone; a step that changes nothing gives the
 * table itself.
 */
final readonly class SortingTable
{
    /**
     * @param list<TablePart> $parts
     * @param list<TablePage> $aside pages that go into no paper: blanks, separators
     * @param list<string> $settled what was proposed and has been taken or left
     * @param int $made parts that were ever made, so that no key is used twice
     */
    private function __construct(public array $parts, public array $aside, public array $settled, private int $made)
    {
    }

    /**
     * As stacks come: each is one part.
     *
     * @param list<int> $pages how many each stack has
     */
    public static function laid(array $pages): self
    {
        $parts = [];
        foreach ($pages as $index => $count) {
            $parts[] = new TablePart(
                'p'.($index + 1),
                '',
                '',
                '',
                array_map(static fn (int $page) => new TablePage($index + 1, $page), $count < 1 ? [] : range(1, $count)),
            );
        }

        return new self(array_values(array_filter($parts, static fn (TablePart $part) => $part->pages !== [])), [], [], count($parts));
    }

    /** With another stack at its end. @param  int  $stack  its place, from 1 */
    public function with(int $stack, int $pages): self
    {
        $more = array_map(static fn (int $page) => new TablePage($stack, $page), range(1, $pages));

        return new self(
            [...$this->parts, new TablePart('p'.($this->made + 1), '', '', '', $more)],
            $this->aside,
            $this->settled,
            $this->made + 1,
        );
    }

    /**
     * Begins another part with that page. What the part was called and where it goes stays with its first pages.
     *
     * @throws StepRefused when there is no such page in a part
     */
    public function cut(string $before): self
    {
        [$place, $at] = $this->where($before);
        if ($at === 0) {
            return $this;
        }
        $part = $this->parts[$place];
        $parts = $this->parts;
        array_splice($parts, $place, 1, [
            $part->of(array_slice($part->pages, 0, $at)),
            new TablePart('p'.($this->made + 1), '', $part->file, '', array_slice($part->pages, $at)),
        ]);

        return new self($parts, $this->aside, $this->settled, $this->made + 1);
    }

    /**
     * Puts a part to the end of the one before it; the first one stays.
     *
     * @throws StepRefused when there is no such part
     */
    public function join(string $key): self
    {
        $place = $this->place($key);
        [$before, $behind] = [$this->parts[$place - 1] ?? null, $this->parts[$place] ?? null];
        if ($before === null || $behind === null) {
            return $this;
        }
        $parts = $this->parts;
        array_splice($parts, $place - 1, 2, [$before->of([...$before->pages, ...$behind->pages])]);

        return new self($parts, $this->aside, $this->settled, $this->made);
    }

    /**
     * Puts pages, also some that were put aside, before another page or at the end of a part, in the order they are named. A
     * part that has none left is gone.
     *
     * @param list<string> $ids
     * @param string $to id of the page they go before, or key of the part at whose end they go; "new": a part of their own
     *
     * @throws StepRefused when there is no such page or part
     */
    public function move(array $ids, string $to): self
    {
        $ids = array_values(array_unique($ids));
        $pages = array_map($this->page(...), $ids);
        if ($pages === [] || in_array($to, $ids, true)) {
            return $this;
        }
        if ($to !== 'new' && ! str_starts_with($to, 'p')) {
            [$place, $at] = $this->where($to);
            $target = $this->parts[$place]->key;
            $before = $this->parts[$place]->pages[$at]->id();
        } else {
            $target = $to === 'new' ? 'new' : $this->parts[$this->place($to)]->key;
            $before = null;
        }
        $parts = [];
        foreach ($this->parts as $part) {
            $left = self::without($part->pages, $ids);
            if ($part->key === $target) {
                $at = $before === null ? count($left) : (int) array_search($before, self::ids($left), true);
                array_splice($left, $at, 0, $pages);
            }
            $left === [] || ($parts[] = $part->of($left));
        }
        $made = $this->made;
        if ($target === 'new') {
            $parts[] = new TablePart('p'.++$made, '', '', '', $pages);
        }

        return $this->same(new self($parts, self::without($this->aside, $ids), $this->settled, $made));
    }

    /**
     * Turns pages clockwise.
     *
     * @param list<string> $ids
     *
     * @throws StepRefused when there is no such page
     */
    public function turn(array $ids, int $degrees): self
    {
        return $this->each($ids, static fn (TablePage $page) => $page->turned($degrees));
    }

    /**
     * Has pages straightened when they become a paper, or leaves them as they came.
     *
     * @param list<string> $ids
     *
     * @throws StepRefused when there is no such page
     */
    public function straighten(array $ids, bool $straight): self
    {
        return $this->each($ids, static fn (TablePage $page) => $page->straightened($straight));
    }

    /**
     * Puts pages aside: they stay in the stack and on the table, and go into no paper.
     *
     * @param list<string> $ids
     *
     * @throws StepRefused when there is no such page
     */
    public function aside(array $ids): self
    {
        $pages = array_map($this->page(...), array_values(array_unique($ids)));
        $parts = array_map(static fn (TablePart $part) => $part->of(self::without($part->pages, $ids)), $this->parts);
        $aside = [...self::without($this->aside, $ids), ...$pages];
        usort($aside, static fn (TablePage $a, TablePage $b) => [$a->stack, $a->page] <=> [$b->stack, $b->page]);

        return $this->same(new self(self::filled($parts), $aside, $this->settled, $this->made));
    }

    /**
     * Brings pages back from aside, each behind the page it lay behind in its stack.
     *
     * @param list<string> $ids
     *
     * @throws StepRefused when there is no such page
     */
    public function back(array $ids): self
    {
        $table = $this;
        foreach (array_values(array_unique($ids)) as $id) {
            $page = $table->page($id);
            if (! in_array($id, self::ids($table->aside), true)) {
                continue;
            }
            [$place, $at] = $table->home($page);
            $parts = $table->parts;
            $pages = $parts[$place]->pages ?? [];
            array_splice($pages, $at, 0, [$page]);
            $parts[$place] = ($parts[$place] ?? new TablePart('p'.($table->made + 1), '', '', '', []))->of($pages);
            $table = new self(
                array_values($parts),
                self::without($table->aside, [$id]),
                $table->settled,
                $table->made + ($table->parts === [] ? 1 : 0),
            );
        }

        return $table;
    }

    /**
     * Says what a part is called and where it goes; null: as before.
     *
     * @throws StepRefused when there is no such part
     */
    public function say(string $key, ?string $title = null, ?string $file = null, ?string $row = null): self
    {
        $place = $this->place($key);
        $part = $this->parts[$place];
        $parts = $this->parts;
        // A row of one file is none of another.
        $moves = $file !== null && $file !== $part->file;
        $parts[$place] = new TablePart(
            $part->key,
            trim($title ?? $part->title),
            $file ?? $part->file,
            $row ?? ($moves ? '' : $part->row),
            $part->pages,
        );

        return $this->same(new self(array_values($parts), $this->aside, $this->settled, $this->made));
    }

    /**
     * What was proposed has been taken or left.
     *
     * @param list<string> $ids
     */
    public function settle(array $ids): self
    {
        return $this->same(new self(
            $this->parts,
            $this->aside,
            array_values(array_unique([...$this->settled, ...$ids])),
            $this->made,
        ));
    }

    /**
     * The part that page is in, and how far behind its first; null: it lies aside.
     *
     * @return array{TablePart, int}|null
     */
    public function partOf(string $id): ?array
    {
        foreach ($this->parts as $part) {
            $at = array_search($id, self::ids($part->pages), true);
            if ($at !== false) {
                return [$part, (int) $at];
            }
        }

        return null;
    }

    /** @return array<string, mixed> as kept */
    public function toArray(): array
    {
        return [
            'parts' => array_map(static fn (TablePart $part) => $part->toArray(), $this->parts),
            'aside' => array_map(static fn (TablePage $page) => $page->toArray(), $this->aside),
            'settled' => $this->settled,
            'made' => $this->made,
        ];
    }

    /** @param  array<string, mixed>  $kept */
    public static function fromArray(array $kept): self
    {
        return new self(
            array_map(TablePart::fromArray(...), array_values($kept['parts'] ?? [])),
            array_map(TablePage::fromArray(...), array_values($kept['aside'] ?? [])),
            array_values($kept['settled'] ?? []),
            (int) ($kept['made'] ?? 0),
        );
    }

    /** The table itself where nothing is otherwise: what changes nothing is no step. */
    private function same(self $after): self
    {
        return $after->toArray() === $this->toArray() ? $this : $after;
    }

    /**
     * @param list<string> $ids
     * @param \Closure(TablePage): TablePage $change
     */
    private function each(array $ids, \Closure $change): self
    {
        array_map($this->page(...), $ids);
        $one = static fn (TablePage $page) => in_array($page->id(), $ids, true) ? $change($page) : $page;

        return $this->same(new self(
            array_map(static fn (TablePart $part) => $part->of(array_map($one, $part->pages)), $this->parts),
            array_map($one, $this->aside),
            $this->settled,
            $this->made,
        ));
    }

    /**
     * Where a page belongs by its stack.
     *
     * @return array{int, int} place of the part, and of the page in it
     */
    private function home(TablePage $page): array
    {
        $best = null;
        foreach ($this->parts as $place => $part) {
            foreach ($part->pages as $at => $other) {
                if ($other->stack !== $page->stack) {
                    continue;
                }
                $behind = $other->page < $page->page;
                $far = $behind ? $page->page - $other->page : 10_000 + $other->page - $page->page;
                if ($best === null || $far < $best[0]) {
                    $best = [$far, $place, $behind ? $at + 1 : $at];
                }
            }
        }

        return $best === null ? [max(0, count($this->parts) - 1), count($this->parts[count($this->parts) - 1]->pages ?? [])]
            : [$best[1], $best[2]];
    }

    /** @throws StepRefused when there is none */
    private function page(string $id): TablePage
    {
        foreach ([...array_merge(...array_map(static fn (TablePart $part) => $part->pages, $this->parts)), ...$this->aside] as $page) {
            if ($page->id() === $id) {
                return $page;
            }
        }
        throw IntakeRefusal::NotOnTheTable->because();
    }

    /**
     * @return array{int, int} place of its part and of the page in it
     *
     * @throws StepRefused when it is in none
     */
    private function where(string $id): array
    {
        foreach ($this->parts as $place => $part) {
            $at = array_search($id, self::ids($part->pages), true);
            if ($at !== false) {
                return [$place, (int) $at];
            }
        }
        throw IntakeRefusal::NotOnTheTable->because();
    }

    /** @throws StepRefused when there is none */
    private function place(string $key): int
    {
        $place = array_search($key, array_map(static fn (TablePart $part) => $part->key, $this->parts), true);

        return $place === false ? throw IntakeRefusal::NotOnTheTable->because() : (int) $place;
    }

    /**
     * @param list<TablePage> $pages
     * @return list<string>
     */
    private static function ids(array $pages): array
    {
        return array_map(static fn (TablePage $page) => $page->id(), $pages);
    }

    /**
     * @param list<TablePage> $pages
     * @param list<string> $ids
     * @return list<TablePage>
     */
    private static function without(array $pages, array $ids): array
    {
        return array_values(array_filter($pages, static fn (TablePage $page) => ! in_array($page->id(), $ids, true)));
    }

    /**
     * @param list<TablePart> $parts
     * @return list<TablePart>
     */
    private static function filled(array $parts): array
    {
        return array_values(array_filter($parts, static fn (TablePart $part) => $part->pages !== []));
    }
}
