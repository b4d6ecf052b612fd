<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\DealFile;
use App\Models\Paper;
use Unanimus\Files\PaperRefusal;

/**
 * Papers taken on the board, with all that printing or sending them needs.
 */
final class SelectedPapers
{
    /**
     * The papers of a file with these keys, in this order.
     *
     * @param array<int, string> $keys
     * @return list<Paper>
     */
    public static function from(DealFile $file, array $keys): array
    {
        $file->load(['office', 'knownFacts', 'parties', 'papers.values', 'papers.latest']);
        $papers = $file->papers->keyBy('key');
        $chosen = [];
        foreach (array_unique($keys) as $key) {
            $chosen[] = ($papers->get($key) ?? throw PaperRefusal::NoLongerInFile->because())->setRelation(
                'file',
                $file,
            );
        }

        return $chosen;
    }
}
