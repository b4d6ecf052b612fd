<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Event;
use App\Models\Round;
use App\Models\RoundPaper;
use Unanimus\Signing\EventKind;

/** The scan of a round's papers that some or all signed with a pen: its pages stand for those that were sent, in their order. */
final readonly class PenScan
{
    private function __construct(public string $sha256, private Round $round)
    {
    }

    /** The latest one, which shows what earlier ones did; null where nobody signed on paper. */
    public static function of(Round $round): ?self
    {
        $event = $round->events->last(static fn (Event $event) => $event->kind === EventKind::SignedOnPaper->value);

        return $event === null ? null : new self((string) $event->data['sha256'], $round);
    }

    /** The page of the scan that stands for a page of a paper, both from 1. */
    public function page(RoundPaper $sent, int $page): int
    {
        $before = 0;
        foreach ($this->round->papers as $one) {
            if ($one->id === $sent->id) {
                break;
            }
            $before += $one->pages;
        }

        return $before + $page;
    }
}
