<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\AssembledSet;
use App\Models\FillRequest;
use App\Models\Member;
use App\Models\OfficeRole;
use App\Models\Paper;
use App\Models\ReadingCopy;
use App\Models\Role;
use App\Models\Signer;
use App\Models\User;
use App\Models\WorkingCopy;
use Unanimus\Signing\RoundStatus;

/** Everyone who can see a paper: inside, and by a link from outside, with the way to end each link. */
final readonly class PaperSight
{
    /** @return list<array{name: string, why: string}> colleagues who see it */
    public static function inside(Paper $paper): array
    {
        $seen = [];
        if (! $paper->staff_only) {
            foreach ($paper->file->members()->with('user')->get() as $member) {
                /** @var Member $member */
                $serves = $paper->side === null || $member->side === null || $member->side === $paper->side;
                $serves && ($seen[$member->user_id] = ['name' => $member->user->name, 'why' => 'serves this file']);
            }
        }
        $brokers = OfficeRole::query()->where('office_id', $paper->file->office_id)->where('role', Role::Broker)->pluck('user_id');
        foreach (User::query()->whereIn('id', $brokers)->where('active', true)->orderBy('name')->get() as $user) {
            $seen[$user->id] ??= ['name' => $user->name, 'why' => 'broker of this office'];
        }

        return array_values($seen);
    }

    /** @return list<array{name: string, how: string, end: string|null, at: string}> who sees it by a link that works now */
    public static function byLink(Paper $paper): array
    {
        return [...self::signers($paper), ...self::fillers($paper), ...self::readers($paper), ...self::guests($paper)];
    }

    /** @return list<array{name: string, how: string, end: string|null, at: string}> */
    private static function signers(Paper $paper): array
    {
        $signers = Signer::query()
            ->with('round')
            ->whereHas(
                'round',
                static fn ($round) => $round
                    ->whereIn('status', [RoundStatus::Out, RoundStatus::Complete])
                    ->where('rehearsal', false)
                    ->whereHas('papers', static fn ($papers) => $papers->where('paper_id', $paper->id)),
            )
            ->orderBy('id')
            ->get()
            ->filter(
                static fn (Signer $signer) => $signer->round->status === RoundStatus::Out
                    ? $signer->status->isAsked()
                    : $signer->seesSet(),
            );

        return array_values(
            $signers->map(static fn (Signer $signer) => [
                'name' => $signer->name,
                'how' => $signer->round->status === RoundStatus::Out ? 'asked to sign it' : 'signed it, and can open the sealed set',
                'end' => null,
                'at' => "/rounds/{$signer->round->key}",
            ])->all(),
        );
    }

    /** @return list<array{name: string, how: string, end: string|null, at: string}> */
    private static function fillers(Paper $paper): array
    {
        $requests = FillRequest::query()
            ->with('file.office')
            ->where('deal_file_id', $paper->deal_file_id)
            ->whereHas('papers', static fn ($papers) => $papers->where('papers.id', $paper->id))
            ->orderBy('id')
            ->get()
            ->filter(static fn (FillRequest $request) => $request->takes());

        return array_values(
            $requests->map(static fn (FillRequest $request) => [
                'name' => $request->name,
                'how' => "asked to fill it in, until {$request->last_day->short()}",
                'end' => "/fill-requests/{$request->key}/take-back",
                'at' => "/files/{$paper->file->key}/fill-requests",
            ])->all(),
        );
    }

    /** @return list<array{name: string, how: string, end: string|null, at: string}> */
    private static function readers(Paper $paper): array
    {
        $sets = AssembledSet::query()
            ->where('deal_file_id', $paper->deal_file_id)
            ->whereJsonContains('papers', $paper->key)
            ->pluck('key', 'id');
        $copies = ReadingCopy::query()
            ->with('file.office')
            ->whereIn('assembled_set_id', $sets->keys())
            ->orderBy('id')
            ->get()
            ->filter(static fn (ReadingCopy $copy) => $copy->isOpen());

        return array_values(
            $copies->map(static fn (ReadingCopy $copy) => [
                'name' => $copy->name,
                'how' => "has a reading copy, until {$copy->last_day->short()}",
                'end' => "/reading-copies/{$copy->key}/end",
                'at' => '/sets/'.$sets[$copy->assembled_set_id],
            ])->all(),
        );
    }

    /** @return list<array{name: string, how: string, end: string|null, at: string}> */
    private static function guests(Paper $paper): array
    {
        $today = $paper->file->office->today();
        $copies = WorkingCopy::query()
            ->where('deal_file_id', $paper->deal_file_id)
            ->whereHas('papers', static fn ($papers) => $papers->where('paper_id', $paper->id))
            ->orderBy('id')
            ->get()
            ->filter(static fn (WorkingCopy $copy) => $copy->isOpen($today));

        return array_values(
            $copies->map(static fn (WorkingCopy $copy) => [
                'name' => $copy->agent(),
                'how' => "has a working copy, until {$copy->last_day->short()}",
                'end' => "/working-copies/{$copy->key}/end",
                'at' => "/working-copies/{$copy->key}",
            ])->all(),
        );
    }
}
