<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Terms\Facts;

/**
 * What a deal calls for: the papers of its kits and of the brokerage’s rules, each once, with every reason it is called for.
 */
final readonly class CallSheet
{
    /**
     * @param list<array{item: KitItem, reasons: list<string>}> $called in order
     * @param list<KitItem> $idle known to a kit or rule, and not called for
     * @param list<string> $order identities of all of them, in the order of kits and rules
     */
    private function __construct(public array $called, public array $idle, public array $order)
    {
    }

    /**
     * @param list<Kit> $kits in the order they were applied
     * @param list<KitItem> $rules
     */
    public static function of(array $kits, array $rules, Facts $facts): self
    {
        $called = [];
        $idle = [];
        $all = [...array_merge([], ...array_map(static fn (Kit $kit) => $kit->items, $kits)), ...$rules];
        foreach ($all as $item) {
            $identity = $item->identity();
            if (! $item->isCalledFor($facts)) {
                $idle[$identity] ??= $item;

                continue;
            }
            $reasons = [...$called[$identity]['reasons'] ?? [], $item->reasonFor($facts)];
            $first = $called[$identity]['item'] ?? $item;
            // Asked for by one, it is asked for, though another would only lay it in.
            $called[$identity] = [
                'item' => $item->required && ! $first->required ? $item : $first,
                'reasons' => array_values(array_unique($reasons)),
            ];
        }

        return new self(
            array_values($called),
            array_values(array_diff_key($idle, $called)),
            array_values(array_unique(array_map(static fn (KitItem $item) => $item->identity(), $all))),
        );
    }
}
