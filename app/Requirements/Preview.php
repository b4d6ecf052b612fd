<?php

declare(strict_types=1);

namespace App\Requirements;

use App\Files\FactBook;
use App\Files\Models\DealFile;
use Unanimus\Requirements\Group;

/** To which open files conditions would apply, before anybody stores them. */
final class Preview
{
    /** @return array{fitting: list<array{file: DealFile, known: array<string, string|null>}>, looked: int} */
    public static function of(Group $when): array
    {
        $fitting = [];
        $looked = 0;
        foreach (DealFile::query()->with(['office', 'knownFacts', 'parties', 'papers'])->whereIn('status', ['preparing', 'active', 'under_contract'])->orderBy('id')->limit(2000)->lazy(200) as $file) {
            $looked++;
            $facts = FactBook::of($file);
            if (! $when->isEmpty() && $when->holds($facts)) {
                $fitting[] = ['file' => $file, 'known' => array_combine($when->facts(), array_map($facts->value(...), $when->facts()))];
            }
        }

        return ['fitting' => $fitting, 'looked' => $looked];
    }
}
