<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * What the machine proposes for a table and nobody has taken or left yet: cuts, turns, blanks, what lies askew, and names.
 */
final readonly class TablePencil
{
    /** From here on it is taken with the rest at one key. */
    public const SURE = 0.8;

    /** Degrees that a page may lie askew before it is proposed to straighten it. */
    private const ASKEW = 0.4;

    /**
     * @param array<string, float> $cuts how sure, by id of the page before which a part begins
     * @param array<string, int> $turns degrees clockwise, by id of the page
     * @param list<string> $blanks ids of pages
     * @param list<string> $askew ids of pages
     * @param array<string, array{title: string, form: string, sure: float, copy: bool}> $names by key of the part
     * @param array<string, list<string>> $orders ids of a part's pages in the order they belong in, by its key
     */
    private function __construct(
        public array $cuts,
        public array $turns,
        public array $blanks,
        public array $askew,
        public array $names,
        public array $orders,
    ) {
    }

    /**
     * @param list<array<string, mixed>|null> $read what each stack was read as ("parts", "turns", "blanks", "skews"); null: not yet
     */
    public static function of(SortingTable $table, array $read): self
    {
        $cuts = $turns = $blanks = $askew = $names = $orders = [];
        $open = static fn (string $id): bool => ! in_array($id, $table->settled, true);
        foreach ($read as $index => $one) {
            $stack = $index + 1;
            foreach ($one['turns'] ?? [] as $page => $degrees) {
                $open("turn:{$stack}.{$page}") && ($turns["{$stack}.{$page}"] = (int) $degrees);
            }
            foreach ($one['blanks'] ?? [] as $page) {
                $open("blank:{$stack}.{$page}") && $table->partOf("{$stack}.{$page}") !== null && ($blanks[] = "{$stack}.{$page}");
            }
            foreach ($one['skews'] ?? [] as $page => $degrees) {
                abs((float) $degrees) >= self::ASKEW && $open("askew:{$stack}.{$page}") && ($askew[] = "{$stack}.{$page}");
            }
            foreach ($one['parts'] ?? [] as $part) {
                $first = self::first($part, $one['blanks'] ?? []);
                $id = "{$stack}.{$first}";
                $lies = $table->partOf($id);
                if ($lies === null) {
                    continue;
                }
                [$there, $at] = $lies;
                if ($at > 0 && $open("cut:{$id}")) {
                    $cuts[$id] = (float) $part['sure'];
                }
                // A name is that of the part's first written page; what another stands before is called otherwise.
                if ($at === 0 || self::onlyBlanksBefore($there, $at, $stack, $one['blanks'] ?? [])) {
                    $names[$there->key] = [
                        'title' => PaperTitle::calm((string) $part['heading']),
                        'form' => (string) ($part['form'] ?? ''),
                        'sure' => (float) $part['sure'],
                        'copy' => isset($part['copyOf']),
                    ];
                    $order = self::order($there, $stack, $part);
                    $order !== [] && $open("order:{$id}") && ($orders[$there->key] = $order);
                }
            }
        }

        return new self($cuts, $turns, $blanks, $askew, $names, $orders);
    }

    /** How many of them are sure enough to be taken at once. */
    public function sure(): int
    {
        return count(array_filter($this->cuts, static fn (float $sure) => $sure >= self::SURE)) + count($this->turns) +
            count($this->askew) + count($this->blanks) + count($this->orders);
    }

    /** The table with all that is sure taken. */
    public function taken(SortingTable $table): SortingTable
    {
        foreach ($this->turns as $id => $degrees) {
            $table = $table->turn([(string) $id], $degrees)->settle(["turn:{$id}"]);
        }
        foreach ($this->cuts as $id => $sure) {
            $sure >= self::SURE && ($table = $table->cut((string) $id)->settle(["cut:{$id}"]));
        }
        foreach ($this->orders as $ids) {
            $table = self::ordered($table, $ids);
        }
        if ($this->askew !== []) {
            $table = $table->straighten($this->askew, true)->settle(array_map(static fn (string $id) => "askew:{$id}", $this->askew));
        }
        if ($this->blanks !== []) {
            $table = $table->aside($this->blanks)->settle(array_map(static fn (string $id) => "blank:{$id}", $this->blanks));
        }

        return $table;
    }

    /**
     * The table with one of them taken; what is not proposed changes nothing.
     *
     * @param string $what "cut:1.5", "turn:1.3", "blank:1.4", "askew:1.2", or "order:" and the key of a part
     */
    public function take(SortingTable $table, string $what): SortingTable
    {
        [$kind, $id] = [...explode(':', $what, 2), ''];

        return match (true) {
            $kind === 'cut' && isset($this->cuts[$id]) => $table->cut($id)->settle([$what]),
            $kind === 'turn' && isset($this->turns[$id]) => $table->turn([$id], $this->turns[$id])->settle([$what]),
            $kind === 'blank' && in_array($id, $this->blanks, true) => $table->aside([$id])->settle([$what]),
            $kind === 'askew' && in_array($id, $this->askew, true) => $table->straighten([$id], true)->settle([$what]),
            $kind === 'order' && isset($this->orders[$id]) => self::ordered($table, $this->orders[$id]),
            default => $table,
        };
    }

    /** What a part is called where nobody has said it. */
    public function title(TablePart $part, string $stack): string
    {
        return $part->title !== '' ? $part->title : (($this->names[$part->key]['title'] ?? '') ?: $stack);
    }

    /** @param  list<string>  $ids */
    private static function ordered(SortingTable $table, array $ids): SortingTable
    {
        $part = $table->partOf($ids[0])[0] ?? null;
        if ($part === null) {
            return $table;
        }
        $first = array_values(array_filter($part->pages, static fn (TablePage $page) => in_array($page->id(), $ids, true)))[0];
        $later = array_slice($ids, 1);

        // The one that comes first goes before all others, these behind it one after the other.
        return $table
            ->move([$ids[0]], $first->id())
            ->move($later, $part->key)
            ->settle(["order:{$first->stack}.{$first->page}"]);
    }

    /**
     * @param array<string, mixed> $part
     * @return list<string> empty: it lies in order, or no longer as it was read
     */
    private static function order(TablePart $there, int $stack, array $part): array
    {
        $ids = array_map(static fn (int $page) => "{$stack}.{$page}", array_values($part['order'] ?? []));
        $lie = array_map(static fn (TablePage $page) => $page->id(), $there->pages);
        $same = array_values(array_intersect($lie, $ids));

        return $ids === [] || count($same) !== count($ids) || $same === $ids ? [] : $ids;
    }

    /**
     * @param array<string, mixed> $part
     * @param list<int> $blanks
     */
    private static function first(array $part, array $blanks): int
    {
        for ($page = (int) $part['first']; $page < (int) $part['last'] && in_array($page, $blanks, true); $page++);

        return in_array($page, $blanks, true) ? (int) $part['first'] : $page;
    }

    /** @param  list<int>  $blanks */
    private static function onlyBlanksBefore(TablePart $part, int $at, int $stack, array $blanks): bool
    {
        foreach (array_slice($part->pages, 0, $at) as $page) {
            if ($page->stack !== $stack || ! in_array($page->page, $blanks, true)) {
                return false;
            }
        }

        return true;
    }
}
