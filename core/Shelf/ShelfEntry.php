<?php

declare(strict_types=1);

namespace Unanimus\Shelf;

use Unanimus\Files\PaperState;
use Unanimus\Steps\StepRefused;

/** What may be put on the shelf, and which copies of it in files are renewed when it changes. */
final class ShelfEntry
{
    public const MOST_TITLE = 120;

    /**
     * A title and topic as kept.
     *
     * @return array{string, string}
     *
     * @throws StepRefused when there is no title
     */
    public static function named(string $title, string $topic): array
    {
        $read = static fn (string $typed, int $most) => mb_substr(trim((string) preg_replace('/\s+/u', ' ', $typed)), 0, $most);
        $title = $read($title, self::MOST_TITLE);
        $title === '' && throw ShelfRefusal::NoTitle->because();

        return [$title, $read($topic, 60) ?: 'General'];
    }

    /**
     * An address to look something up.
     *
     * @throws StepRefused when it is none that a browser opens as a page
     */
    public static function link(string $typed): string
    {
        $url = trim($typed);
        $parts = parse_url($url);
        $isOne = strlen($url) <= 500 && in_array(strtolower((string) ($parts['scheme'] ?? '')), ['https', 'http'], true)
            && ($parts['host'] ?? '') !== '' && preg_match('/[\s\x00-\x1f\x7f"<>]/', $url) === 0;
        $isOne || throw ShelfRefusal::NoLink->because();

        return $url;
    }

    /**
     * Whether a copy in a file is renewed: what is out, signed, void, or was given to the broker stays as it is.
     *
     * @param int $has the version that the file has
     * @param int $latest the version on the shelf
     * @param bool $isReviewed whether it was submitted or accepted
     */
    public static function renews(PaperState $state, int $has, int $latest, bool $isReviewed): bool
    {
        return $has < $latest && ! $isReviewed && in_array($state, [PaperState::Ready, PaperState::Draft], true);
    }
}
