<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\KnownFact;
use App\Models\User;
use Unanimus\Files\SeenBy;
use Unanimus\Requirements\FactCatalog;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\TermRefusal;

/** Remembers that facts from elsewhere were checked, by whom and against what. A new value has to be checked anew. */
final class CheckFacts
{
    /**
     * @param list<string> $names of facts
     *
     * @throws StepRefused when it is not said against what, or none of them is known
     */
    public function __invoke(DealFile $file, array $names, string $against, User $by): int
    {
        $against = mb_substr(trim((string) preg_replace('/\s+/u', ' ', $against)), 0, 120);
        if ($against === '') {
            throw TermRefusal::CheckedAgainstNothing->because();
        }
        $facts = $file
            ->knownFacts()
            ->whereIn('name', $names)
            ->get()
            ->filter(static fn (KnownFact $fact) => $file->isOwnAffair($fact->side) && $fact->isUnchecked());
        if ($facts->isEmpty()) {
            throw TermRefusal::NothingToCheck->because();
        }
        $labels = [];
        foreach ($facts as $fact) {
            $fact->update(['checked_at' => now(), 'checked_by' => $by->id, 'checked_against' => $against]);
            $labels[] = FactCatalog::label($fact->name);
        }
        History::add(
            $file->brokerage_id,
            $file->id,
            'Facts checked',
            ['against' => $against, 'facts' => implode(', ', $labels)],
            SeenBy::everyone(),
        );

        return $facts->count();
    }
}
