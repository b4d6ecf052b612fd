<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\Files\Actions\MoveStatus;
use App\Files\Actions\OpenFile;
use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\DealFile;
use App\Models\JoinRequest;
use App\Models\Member;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Unanimus\Access\AccessRefusal;
use Unanimus\Files\DealStatus;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Steps\StepRefused;

/** Who serves a file: asked for, let in, removed. Each change stands in the history and is told to those it concerns. */
final class KeepMembers
{
    public function __construct(private readonly OpenFile $open, private readonly MoveStatus $move)
    {
    }

    /**
     * Asks the agent and the broker of another file to be let in for its other side. Nothing of that file is seen or changed by asking.
     *
     * @throws StepRefused when it has no other side, or was asked already
     */
    public function ask(DealFile $from, int $fileId, User $by): void
    {
        Sight::asTheFile($fileId, function () use ($from, $fileId, $by): void {
            $file = DealFile::query()
                ->with(['members.user', 'office'])
                ->findOrFail($fileId);
            if (
                ! $file->represents->isListingAlone() ||
                ! $file->status->isOpen() ||
                $file->members->contains('user_id', $by->id)
            ) {
                throw FileRefusal::NoOpenSide->because();
            }
            $asked = JoinRequest::query()
                ->where(['deal_file_id' => $fileId, 'user_id' => $by->id, 'state' => 'asked'])
                ->exists();
            if ($asked) {
                throw AccessRefusal::AlreadyAsked->because();
            }
            $request = JoinRequest::create([
                'brokerage_id' => $file->brokerage_id,
                'deal_file_id' => $fileId,
                'user_id' => $by->id,
                'from_file_id' => $from->id,
            ]);
            $seenBy = SeenBy::side($file->represents->side());
            History::add($file->brokerage_id, $fileId, 'Asked to join the file', ['who' => $by->name], $seenBy);
            foreach ($this->deciders($file) as $person) {
                Post::ofFile(
                    $file,
                    "join-asked:{$request->key}:{$person->key}",
                    Addressee::user($person),
                    Wording::of('join_asked', ['who' => $by->name, 'file' => $file->name]),
                    "/files/{$file->key}",
                );
            }
        });
    }

    /**
     * Lets a colleague in for the other side, or does not.
     *
     * @throws StepRefused when they may not decide, or it is decided already
     */
    public function decide(JoinRequest $request, User $by, bool $in): DealFile
    {
        $file = DealFile::query()
            ->with(['members.user', 'office'])
            ->findOrFail($request->deal_file_id);
        if ($this->deciders($file)->doesntContain('id', $by->id)) {
            throw AccessRefusal::MayNotAdmit->because();
        }
        $standing = DB::table('join_requests')->where('id', $request->id)->lockForUpdate()->value('state');
        if ($standing !== 'asked') {
            throw AccessRefusal::AlreadyDecided->because(standing: $standing);
        }
        $asker = $request->asker;
        $request->update(['state' => $in ? 'granted' : 'refused', 'decided_by' => $by->id, 'decided_at' => now()]);
        if ($in) {
            $this->open->joinOtherSide($file->id, $asker);
            $this->giveUp($request, $asker);
        } else {
            History::add(
                $file->brokerage_id,
                $file->id,
                'Not let into the file',
                ['who' => $asker->name],
                SeenBy::side($file->listingSide()),
            );
        }
        Post::ofFile(
            $file,
            "join-decided:{$request->key}",
            Addressee::user($asker),
            Wording::of($in ? 'joined' : 'not_joined', ['by' => $by->name, 'file' => $file->name]),
            $in ? "/files/{$file->key}" : '/files',
        );

        return $file->refresh();
    }

    /**
     * Ends a colleague's part in a file.
     *
     * @throws StepRefused when it is not theirs to do, or nobody of that side would be left
     */
    public function remove(DealFile $file, User $who, User $by): void
    {
        $member = $file->members->firstWhere('user_id', $who->id) ?? throw AccessRefusal::NotAMember->because(name: $who->name);
        $broker = $by->holds(Role::Broker, $file->office_id);
        $own = $file->members->firstWhere('user_id', $by->id);
        $listing = $own !== null && $own->role === Role::Agent && in_array($own->side, [null, $file->listingSide()], true);
        if (! $broker && ! $listing && $who->id !== $by->id) {
            throw AccessRefusal::MayNotRemove->because();
        }
        $left = $file->members->filter(
            static fn (Member $one) => $one->role === Role::Agent &&
                $one->user_id !== $who->id &&
                in_array($one->side, [null, $member->side], true),
        );
        if ($member->role === Role::Agent && $left->isEmpty() && ! ($broker && $file->represents->isBoth())) {
            throw AccessRefusal::LastOfTheirSide->because();
        }
        Sight::asTheFile($file->id, function () use ($file, $member, $who, $by): void {
            $file->members()->whereKey($member->id)->delete();
            $file
                ->tasks()
                ->where('user_id', $who->id)
                ->whereNull('done_at')
                ->update(['user_id' => null]);
            History::add(
                $file->brokerage_id,
                $file->id,
                'Left the file',
                array_filter(
                    ['who' => $who->name, 'side' => $member->side?->value, 'removed by' => $who->id === $by->id ? null : $by->name],
                ),
                SeenBy::everyone(),
            );
        });
        $who->id === $by->id ||
            Post::ofFile(
                $file,
                "removed:{$file->key}:{$who->key}:".now()->format('YmdHis'),
                Addressee::user($who),
                Wording::of('removed', ['by' => $by->name, 'file' => $file->name]),
                '/files',
            );
    }

    /** @return Collection<int, User> the agents of the file's own side, and the brokers of its office */
    public function deciders(DealFile $file): Collection
    {
        $agents = $file->members
            ->filter(
                static fn (Member $member) => $member->role === Role::Agent && in_array($member->side, [null, $file->listingSide()], true),
            )
            ->pluck('user_id');
        $brokers = OfficeRole::query()->where('office_id', $file->office_id)->where('role', Role::Broker)->pluck('user_id');

        return User::query()
            ->where('active', true)
            ->whereIn('id', [...$agents, ...$brokers])
            ->orderBy('id')
            ->get();
    }

    /** The file the wish was made from has become needless, unless something went out of it. */
    private function giveUp(JoinRequest $request, User $asker): void
    {
        Sight::asTheFile((int) $request->from_file_id, function () use ($request, $asker): void {
            $from = $request->from_file_id === null ? null : DealFile::query()->with('office')->find($request->from_file_id);
            $from === null ||
                ! $from->status->isOpen() ||
                $from->rounds()->exists() ||
                ($this->move)($from, DealStatus::Withdrawn, $asker, 'You joined the existing file.');
        });
    }
}
