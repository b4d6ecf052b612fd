<?php

declare(strict_types=1);

namespace App\Requirements;

use App\Models\DealFile;
use App\Models\Paper;
use App\Terms\FactBook;
use Unanimus\Files\PaperState;
use Unanimus\Requirements\CallSheet;
use Unanimus\Requirements\Group;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitItem;

/** What conditions and kits would do, before anybody applies them. */
final class Preview
{
    /**
     * To which open files conditions would apply.
     *
     * @return array{fitting: list<array{file: DealFile, known: array<string, string|null>}>, looked: int}
     */
    public static function of(Group $when): array
    {
        $fitting = [];
        $looked = 0;
        foreach (
            DealFile::query()
                ->with(['office', 'knownFacts', 'parties', 'papers'])
                ->whereIn('status', ['preparing', 'active', 'under_contract'])
                ->orderBy('id')
                ->limit(2000)
                ->lazy(200) as $file
        ) {
            $looked++;
            $facts = FactBook::of($file);
            if (! $when->isEmpty() && $when->holds($facts)) {
                $fitting[] = ['file' => $file, 'known' => array_combine($when->facts(), array_map($facts->value(...), $when->facts()))];
            }
        }

        return ['fitting' => $fitting, 'looked' => $looked];
    }

    /** What applying a kit would add, before it is applied. */
    public static function kit(DealFile $file, Kit $kit): CallSheet
    {
        $facts = FactBook::of($file);
        $there = $file->papers
            ->where('state', '<>', PaperState::Void)
            ->map(static fn (Paper $paper) => $paper->form_number ?? mb_strtolower($paper->title))
            ->all();
        $missing = array_values(array_filter($kit->items, static fn (KitItem $item) => ! in_array($item->identity(), $there, true)));

        return CallSheet::of([], $missing, $facts);
    }
}
