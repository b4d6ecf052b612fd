<?php

declare(strict_types=1);

namespace App\Api;

use App\Models\DealFile;
use App\Models\KnownFact;
use App\Models\Member;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Requirement;
use App\Models\Task;
use Illuminate\Support\Carbon;
use Unanimus\Api\DealFields;

/** Rows of a file as programs read them. */
final class FileRecord
{
    /** @return array<string, mixed> enough to know which file it is */
    public static function short(DealFile $file): array
    {
        $known = self::known($file);

        return [
            'ListingKey' => $file->key,
            'name' => $file->name,
            'ListingId' => $file->listing_number,
            'StandardStatus' => DealFields::standardStatus($file->status),
            'status' => $file->status->value,
            'represents' => $file->represents->value,
            'kind' => $file->kind->value,
            'office' => $file->office->name,
            'ListPrice' => $known['list_price'] ?? null,
            'ClosePrice' => $known['price'] ?? null,
            'CloseDate' => $known['closing'] ?? null,
            'ModificationTimestamp' => self::moment($file->updated_at),
            'url' => url("/files/{$file->key}"),
        ];
    }

    /** @return array<string, mixed> */
    public static function whole(DealFile $file): array
    {
        $known = self::known($file);

        return [
            ...self::short($file),
            ...DealFields::of($known),
            'terms' => (object) DealFields::terms($known),
            'tags' => $file->labels,
            'ended_on' => ($file->closed_on ?? $file->ended_on)?->iso(),
            'end_reason' => $file->end_reason,
            'archived' => $file->archived_at !== null,
            'completeness' => ['accepted' => $file->settled, 'of' => $file->required],
            'members' => $file->members->map(static fn (Member $one) => [
                'name' => $one->user->name,
                'role' => $one->role->value,
                'side' => $one->side?->value,
            ])->values()->all(),
        ];
    }

    /** @return array<string, mixed> */
    public static function party(Party $party): array
    {
        return [
            'seat' => (string) $party->seat(),
            'name' => $party->name,
            'email' => $party->email,
            'phone' => $party->phone,
            'firm' => $party->firm,
            'address' => $party->address,
        ];
    }

    /** @return array<string, mixed> */
    public static function emptySeat(string $seat): array
    {
        return ['seat' => $seat, ...array_fill_keys(['name', 'email', 'phone', 'firm', 'address'], null)];
    }

    /** @return array<string, mixed> */
    public static function paper(Paper $paper): array
    {
        return [
            'key' => $paper->key,
            'title' => $paper->title,
            'form' => $paper->form_number,
            'state' => $paper->state->value,
            'versions' => $paper->latest === null ? 0 : $paper->latest->number,
            'content' => url("/api/v1/documents/{$paper->key}/content"),
        ];
    }

    /** @return array<string, mixed> */
    public static function requirement(Requirement $one): array
    {
        return [
            'key' => $one->key,
            'title' => $one->title,
            'stage' => $one->stage,
            'review' => $one->review_state->value,
            'document' => $one->paper?->key,
            'due_on' => $one->due_on?->iso(),
            'submitted_at' => self::moment($one->submitted_at),
            'decided_at' => self::moment($one->decided_at),
        ];
    }

    /** @return array<string, mixed> */
    public static function task(Task $task): array
    {
        return [
            'key' => $task->key,
            'title' => $task->title,
            'due_on' => $task->due?->iso(),
            'for' => $task->assignee?->name,
            'done_at' => self::moment($task->done_at),
            'done_by' => $task->doer?->name,
        ];
    }

    private static function moment(?Carbon $at): ?string
    {
        return $at?->copy()->utc()->format('Y-m-d\TH:i:s\Z');
    }

    /** @return array<string, string> */
    private static function known(DealFile $file): array
    {
        return $file->knownFacts->mapWithKeys(static fn (KnownFact $one) => [$one->name => (string) $one->value])->all();
    }
}
