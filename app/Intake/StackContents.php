<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\InboundItem;
use App\Models\Stack;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Unanimus\Intake\PaperTitle;

/** What letters seem to bring, in words: how many pages, and which papers lie in them. */
final class StackContents
{
    /** Papers that are named. */
    private const NAMED = 6;

    /**
     * @param Collection<int, InboundItem> $items
     * @return array<int, string> by the item's id; those whose pages are not counted yet are left out
     */
    public static function ofMail(Collection $items): array
    {
        $said = [];
        $stacks = Stack::query()
            ->whereNotNull('ready_at')
            ->whereNull('user_id')
            ->whereIn(DB::raw('(items->>0)::bigint'), $items->modelKeys())
            ->get();
        foreach ($stacks as $stack) {
            $pages = array_sum(array_column($stack->sources, 'pages'));
            $pages > 0 && ($said[$stack->items[0]] = ($pages === 1 ? '1 page' : "{$pages} pages").self::papers($stack));
        }

        return $said;
    }

    private static function papers(Stack $stack): string
    {
        $names = [];
        foreach ($stack->reads as $read) {
            foreach ($read['parts'] ?? [] as $part) {
                $names[] = PaperTitle::calm((string) $part['heading']);
            }
        }
        $names = array_values(array_filter($names));
        if ($names === []) {
            return $stack->isRead() ? '' : ', being read';
        }
        $more = count($names) - self::NAMED;

        return '. Seems to be '.implode(', ', array_slice($names, 0, self::NAMED)).($more > 0 ? " and {$more} more" : '').'.';
    }
}
