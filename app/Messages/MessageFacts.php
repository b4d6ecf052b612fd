<?php

declare(strict_types=1);

namespace App\Messages;

use App\Models\DealFile;
use App\Models\User;
use App\Terms\FactBook;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Term;

/** What the fields of a letter stand for, in a file. */
final class MessageFacts
{
    /** As its writer may see it. */
    public static function of(DealFile $file): Facts
    {
        return FactBook::of($file);
    }

    /** What both sides may see, for letters that nobody writes. */
    public static function common(DealFile $file): Facts
    {
        $facts = FactBook::of($file);
        foreach (Term::cases() as $term) {
            $term->side() === null || ($facts = $facts->without($term->value));
        }

        return $facts;
    }

    /** @return array<string, string> fields about who writes, and about the day */
    public static function sender(DealFile $file, ?User $writer): array
    {
        return array_filter([
            'sender.name' => $writer->name ?? $file->office->name,
            'sender.phone' => (string) ($writer->phone ?? ''),
            'sender.email' => $writer?->address() ?? '',
            'file' => $file->name,
            'office' => $file->office->name,
            'today' => $file->office->today()->long(),
        ], static fn (string $value) => $value !== '');
    }
}
