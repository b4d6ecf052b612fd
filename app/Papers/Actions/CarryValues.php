<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Models\Paper;
use App\Papers\Beside;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;

/** Carries values of another paper over into the empty blanks that ask for the same, each with where it comes from. */
final class CarryValues
{
    public function __construct(private readonly StoreEntry $store)
    {
    }

    /**
     * @return array{int, list<string>} how many were carried over; labels of those that could not be read
     *
     * @throws StepRefused when the paper takes no entries any more
     */
    public function __invoke(Paper $paper, Beside $beside): array
    {
        $paper->lockForChange();
        $carried = 0;
        $left = [];
        foreach ($beside->matches as $match) {
            if ($match['here'] !== '') {
                continue;
            }
            $blank = $match['blank'];
            $key = "carry:{$beside->paper?->key}:{$blank->name}:".hash('xxh32', $match['value']);
            try {
                ($this->store)($paper, $blank->name, $blank->kind->show($match['value']), $key, 'paper', null, null, $beside->source);
                $carried++;
            } catch (EntryUnreadable) {
                $left[] = $blank->label;
            }
        }

        return [$carried, $left];
    }
}
