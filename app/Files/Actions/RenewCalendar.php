<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;

/** Gives a calendar another address; the old one is dead. */
final class RenewCalendar
{
    public function ofFile(DealFile $file): void
    {
        $file->update(['calendar_version' => $file->calendar_version + 1]);
        History::add($file->brokerage_id, $file->id, 'Calendar address renewed', [], SeenBy::everyone());
    }

    public function ofPerson(User $user): void
    {
        DB::table('users')->where('id', $user->id)->increment('calendar_version');
        History::ofBrokerage($user->brokerage_id, 'Calendar address renewed', ['person' => $user->name]);
    }
}
