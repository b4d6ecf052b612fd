<?php

declare(strict_types=1);

namespace App\Assembly\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\AssembledSet;
use App\Models\ReadingCopy;
use App\Models\User;
use App\Terms\ClientDay;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\SetRefusal;
use Unanimus\Parties\Language;
use Unanimus\Steps\StepRefused;

/** Gives papers put together to someone to read, on a link with a last day, and ends that. */
final class KeepReadingCopy
{
    private const FARTHEST = 366;

    /** @throws StepRefused when the set is not ready, nobody is named, or the last day is past or too far */
    public function give(
        AssembledSet $set,
        string $name,
        string $email,
        LocalDate $lastDay,
        string $message,
        User $by,
        Language $language = Language::English,
    ): ReadingCopy {
        $today = $set->file->office->today();
        match (true) {
            ! $set->isReady() => throw SetRefusal::StillCombined->because(),
            trim($name) === '' => throw SetRefusal::NoReader->because(),
            $lastDay->isBefore($today) => throw SetRefusal::LastDayPassed->because(day: $lastDay->short($today->year())),
            $today->plusDays(self::FARTHEST)->isBefore($lastDay) => throw SetRefusal::LastDayTooFar->because(),
            default => null,
        };
        $copy = ReadingCopy::create([
            'brokerage_id' => $set->brokerage_id,
            'deal_file_id' => $set->deal_file_id,
            'assembled_set_id' => $set->id,
            'name' => mb_substr(trim($name), 0, 120),
            'email' => trim($email),
            'language' => $language,
            'message' => mb_substr(trim($message), 0, 2000),
            'last_day' => $lastDay->iso(),
            'user_id' => $by->id,
        ]);
        $copy->setRelation('set', $set)->setRelation('file', $set->file)->setRelation('giver', $by);
        History::add(
            $set->brokerage_id,
            $set->deal_file_id,
            'Reading copy given',
            ['to' => $copy->name, 'pages' => $set->pages, 'until' => $lastDay->iso()],
            new SeenBy($set->side, $set->staff_only),
        );
        if ($copy->email !== '') {
            Post::ofFile(
                $set->file,
                "read:{$copy->key}",
                new Addressee($copy->name, $copy->email),
                Wording::of(
                    'read',
                    [
                        'sender' => $by->name,
                        'file' => $set->file->name,
                        'pages' => $set->pages,
                        'day' => ClientDay::long($lastDay, $language),
                        'message' => $copy->message,
                    ],
                    language: $language,
                ),
                "read {$copy->key}",
            );
        }

        return $copy;
    }

    /** Ends a link at once. */
    public function end(ReadingCopy $copy): void
    {
        if ($copy->ended_at === null) {
            $copy->update(['ended_at' => now()]);
            History::add(
                $copy->brokerage_id,
                $copy->deal_file_id,
                'Reading copy ended',
                ['to' => $copy->name],
                new SeenBy($copy->set->side, $copy->set->staff_only),
            );
        }
    }
}
