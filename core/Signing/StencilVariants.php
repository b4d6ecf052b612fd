<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Terms\Agency;

/**
 * Which of several stencils of one paper a file means: variants are told apart by the agency relationship they are meant for.
 */
final class StencilVariants
{
    /**
     * Those meant for this relationship; where there are none, those meant for any; else all, so that somebody says which.
     *
     * @template T
     *
     * @param list<T> $fitting
     * @param callable(T): ?Agency $for what each is meant for; null: any
     * @return list<T>
     */
    public static function of(array $fitting, ?Agency $agency, callable $for): array
    {
        $meant = $agency === null ? [] : array_filter($fitting, static fn ($one) => $for($one) === $agency);
        $any = array_filter($fitting, static fn ($one) => $for($one) === null);

        return array_values($meant ?: ($any ?: $fitting));
    }
}
