<?php

declare(strict_types=1);

namespace App\Roster\Actions;

use App\Files\Actions\OpenFile;
use App\Files\Actions\SetParty;
use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Cover;
use App\Models\DealFile;
use App\Models\Party;
use App\Models\Role;
use App\Models\RosterCase;
use App\Models\User;
use App\Office\Actions\CloseAccess;
use App\Roster\OpenFiles;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\DealStatus;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Roster\FileFate;
use Unanimus\Roster\LeavingPlan;

/**
 * The last day is over: each open file goes where it was decided, access closes on every device and by every link, and everybody
 * concerned is told. All of it in one moment, and once.
 */
final class Leave
{
    public function __construct(
        private readonly OpenFile $open,
        private readonly SetParty $setParty,
        private readonly KeepCovers $covers,
        private readonly PrepareHandover $prepare,
    ) {
    }

    public function __invoke(RosterCase $case): void
    {
        DB::table('roster_cases')->where('id', $case->id)->lockForUpdate()->value('id');
        $case->refresh();
        if (! $case->isOpen() || ! LeavingPlan::isOver($case->day, $case->office->today())) {
            return;
        }
        $person = $case->person;
        $plan = $this->plan($case);
        $moved = [];
        $frozen = [];
        foreach (OpenFiles::of($person) as $file) {
            $said = $plan->onLastDay($file->key);
            $to = $said['to'] === null ? null : User::query()->where(['key' => $said['to'], 'active' => true])->first();
            if ($said['fate'] === FileFate::Move && $to !== null) {
                $this->move($file, $person, $to);
                $moved[$to->id][] = $file->name;
            } else {
                $this->freeze($file, $person);
                $frozen[] = $file->name;
            }
        }
        $this->close($person);
        $case->update(['settled_at' => now()]);
        History::ofBrokerage($case->brokerage_id, 'Left the brokerage', [
            'person' => $person->name,
            'day' => $case->day->iso(),
            'handed over' => count($moved, COUNT_RECURSIVE) - count($moved),
            'with the office' => count($frozen),
        ], $case->office_id);
        $this->tell($case, $moved, $frozen);
    }

    private function plan(RosterCase $case): LeavingPlan
    {
        $fates = [];
        $rows = DB::table('roster_fates')->join('deal_files', 'deal_files.id', 'roster_fates.deal_file_id')
            ->leftJoin('users', 'users.id', 'roster_fates.to_user')->where('roster_case_id', $case->id)
            ->get(['deal_files.key', 'fate', 'users.key as to']);
        foreach ($rows as $row) {
            $fates[$row->key] = ['fate' => FileFate::from($row->fate), 'to' => $row->to];
        }

        return new LeavingPlan($case->person->key, $fates);
    }

    private function move(DealFile $file, User $from, User $to): void
    {
        $member = $file->members->firstWhere('user_id', $from->id);
        $side = $member?->side;
        $file->members()->where('user_id', $to->id)->where('role', '<>', Role::Agent)->delete();
        $this->open->join($file, $to, Role::Agent, $side);
        $file->load(['office', 'parties', 'knownFacts', 'papers', 'requirements', 'members']);
        foreach ($file->parties->filter(static fn (Party $party) => $party->role === PartyRole::Agent && $party->name === $from
            ->name) as $seat) {
            ($this->setParty)($file, $seat->seat(), new PartyDetails(name: $to->name, email: $to->address(), phone: (string) $to->phone));
        }
        $file->tasks()->where('user_id', $from->id)->whereNull('done_at')->update(['user_id' => $to->id]);
        // What signers ask, and what comes back, reaches whoever goes on.
        DB::table('rounds')->where(['deal_file_id' => $file->id, 'user_id' => $from->id])->whereIn('status', ['drafting', 'out'])
            ->update(['user_id' => $to->id]);
        $file->members()->where('user_id', $from->id)->delete();
        ($this->prepare)($file->load('members'), $from, $to, $side);
        History::add($file->brokerage_id, $file->id, 'File handed over', ['from' => $from->name, 'to' => $to->name], SeenBy::everyone());
    }

    private function freeze(DealFile $file, User $from): void
    {
        $file->members()->where('user_id', $from->id)->delete();
        $file->tasks()->where('user_id', $from->id)->whereNull('done_at')->update(['user_id' => null]);
        History::add($file->brokerage_id, $file->id, 'File stays with the office', ['from' => $from->name], SeenBy::everyone());
    }

    private function close(User $person): void
    {
        foreach (Cover::query()->whereNull('ended_at')->where(static fn ($covers) => $covers->where('user_id', $person->id)
            ->orWhere('helper_id', $person->id))->get() as $cover) {
            $this->covers->end($cover, $person);
        }
        // Also out of open files that they served for others. Whose an ended file was stays known: figures rest on it.
        DB::table('file_members')->where('user_id', $person->id)
            ->whereIn('deal_file_id', DealFile::query()->whereIn('status', DealStatus::open())->select('id'))
            ->delete();
        CloseAccess::of($person);
        $person->update(['mail_code' => (string) DB::scalar('SELECT new_mail_code()')]);
    }

    /**
     * @param array<int, list<string>> $moved names of files by who goes on with them
     * @param list<string> $frozen
     */
    private function tell(RosterCase $case, array $moved, array $frozen): void
    {
        foreach ($moved as $id => $names) {
            Post::toColleague(
                $case->brokerage_id,
                "took-over:{$case->key}:{$id}",
                Addressee::user(User::query()->findOrFail($id)),
                Wording::of('took_over', ['from' => $case->person->name, 'files' => self::listed($names), 'count' => count($names)],
                    count($names)),
                '/files?q=agent:me',
            );
        }
        foreach (User::inOffice($case->office, Role::Broker) as $broker) {
            Post::toColleague(
                $case->brokerage_id,
                "left:{$case->key}:{$broker->key}",
                Addressee::user($broker),
                Wording::of('left', [
                    'who' => $case->person->name,
                    'moved' => array_sum(array_map(count(...), $moved)),
                    'frozen' => $frozen === [] ? 'none' : self::listed($frozen),
                ]),
                "/office/roster/{$case->key}",
            );
        }
    }

    /** @param  list<string>  $names */
    private static function listed(array $names): string
    {
        $more = count($names) - 20;

        return "\n".implode("\n", array_map(static fn (string $name) => "- {$name}", array_slice($names, 0, 20))).($more > 0
            ? "\nand {$more} more" : '');
    }
}
