<?php

declare(strict_types=1);

namespace Unanimus\Roster;

use Unanimus\Dates\LocalDate;
use Unanimus\Steps\StepRefused;

/** What becomes of each open file of somebody who leaves, and whether the last day can come. */
final readonly class LeavingPlan
{
    /**
     * @param array<string, array{fate: FileFate, to: string|null}> $fates by key of the file
     */
    public function __construct(private string $leaver, private array $fates)
    {
    }

    /**
     * Lets pass what may be decided of a file.
     *
     * @param string|null $to key of who goes on with it
     * @param list<string> $agents keys of those who could
     *
     * @throws StepRefused when nobody is named to go on with it, or somebody who cannot
     */
    public function decide(FileFate $fate, ?string $to, array $agents): void
    {
        if ($fate === FileFate::Move) {
            ($to ?? '') === '' && throw RosterRefusal::NobodyNamed->because();
            $to === $this->leaver && throw RosterRefusal::ToThemselves->because();
            in_array($to, $agents, true) || throw RosterRefusal::NoAgent->because();
        }
    }

    /**
     * Keys of open files of which nothing was decided.
     *
     * @param list<string> $open keys of all their open files
     * @return list<string>
     */
    public function undecided(array $open): array
    {
        return array_values(array_filter($open, fn (string $key) => ! isset($this->fates[$key])));
    }

    /**
     * What happens to a file that is still open on the last day: what was to be finished and is not, and what nobody decided,
     * stays with the office.
     *
     * @return array{fate: FileFate, to: string|null}
     */
    public function onLastDay(string $key): array
    {
        $said = $this->fates[$key] ?? ['fate' => FileFate::Freeze, 'to' => null];

        return $said['fate'] === FileFate::Finish ? ['fate' => FileFate::Freeze, 'to' => null] : $said;
    }

    /** Whether access closes: the last day is over in the zone of their office. */
    public static function isOver(LocalDate $lastDay, LocalDate $today): bool
    {
        return $lastDay->isBefore($today);
    }
}
