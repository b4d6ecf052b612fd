<?php

declare(strict_types=1);

namespace App\Demo;

use App\Models\Office;
use App\Models\Role;
use App\Models\RosterCase;
use App\Models\User;
use App\Office\Actions\KeepPeople;
use App\Roster\Actions\KeepCovers;
use App\Roster\Actions\KeepRoster;
use App\Roster\OpenFiles;
use Illuminate\Support\Facades\Auth;
use Unanimus\Roster\Credential;
use Unanimus\Roster\FileFate;
use Unanimus\Roster\RosterKind;

/** Somebody joins, somebody leaves, somebody is away; and what each holds. */
final class ComingAndGoing
{
    public function __construct(
        private readonly Story $story,
        private readonly KeepRoster $roster,
        private readonly KeepCovers $covers,
        private readonly KeepPeople $people,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $ines = $people['ines'];
        $today = $this->story->today();
        $this->story->at(-12, '9:30');
        Auth::setUser($ines);
        foreach (array_values(array_intersect_key($people, array_flip(['tomas', 'priya', 'caleb', 'rosalind',
            'greta']))) as $index => $agent) {
            $this->roster->hold($agent, Credential::License, sprintf('MW-%05d', 40217 + 31 * $index), $today->plusDays([25, 300, 410,
                190, 51][$index]));
            $this->roster->hold($agent, Credential::Insurance, '', $today->plusDays(120 + 20 * $index));
        }
        $this->story->at(-5, '10:05');
        $tidewick = Office::query()->where('name', 'Tidewick')->firstOrFail();
        $this->leaving($people, $tidewick);
        $this->story->at(-3, '11:20');
        $new = $this->people->invite($ines, 'Juniper Askew-Tran', 'juniper@quillmark.example', $tidewick, Role::Agent);
        $joining = $this->roster->begin(RosterKind::Joining, $new->load('officeRoles'), $tidewick, $today->plusDays(8), $ines);
        $this->done($joining, 2, $ines);
        $this->roster->papers($joining, $ines);
        $this->story->at(-1, '16:40');
        Auth::setUser($people['malachi']);
        $this->covers->add($people['malachi']->fresh() ?? $people['malachi'], $people['anselm']->fresh() ?? $people['anselm'],
            'vacation', $today->plusDays(6), $today->plusDays(16),
            $people['malachi']);
        $this->story->now();
        Auth::logout();
    }

    /** @param  array<string, User>  $people */
    private function leaving(array $people, Office $office): void
    {
        $case = $this->roster->begin(RosterKind::Leaving, $people['yusra'], $office, $this->story->today()->plusDays(16), $people['ines']);
        $this->roster->change($case, $case->day, 'Harborstone Homes', $people['ines']);
        $this->done($case, 1, $people['ines']);
        foreach (OpenFiles::of($people['yusra'])->take(2) as $file) {
            $this->roster->decide($case, $file, FileFate::Move, $people['rosalind'], $people['ines']);
        }
    }

    private function done(RosterCase $case, int $count, User $by): void
    {
        foreach ($case->steps()->limit($count)->get() as $step) {
            $this->roster->mark($step, true, $by);
        }
    }
}
