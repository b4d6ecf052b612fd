<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** How a large set is parted, so that nobody is frightened by ninety pages: whom we act for, what must be known, what is agreed. */
final readonly class SmallRounds
{
    /**
     * The parts of a set, in the order in which they go out.
     *
     * @param list<array{key: string, title: string, stage: string}> $papers in their order
     * @return array<string, list<string>> keys of papers by the name of the part; empty where all belong together
     */
    public static function of(array $papers): array
    {
        $parts = ['Agency' => [], 'Disclosures' => [], 'Agreement' => []];
        foreach ($papers as $paper) {
            $parts[self::part($paper['title'], $paper['stage'])][] = $paper['key'];
        }
        $parts = array_filter($parts);

        return count($parts) > 1 ? $parts : [];
    }

    private static function part(string $title, string $stage): string
    {
        return match (true) {
            $stage === 'agency' => 'Agency',
            preg_match('/\b(?:disclosures?|advisor(?:y|ies)|pamphlet|notice)\b/i', $title) === 1 => 'Disclosures',
            default => 'Agreement',
        };
    }
}
