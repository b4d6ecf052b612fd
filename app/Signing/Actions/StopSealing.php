<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\Round;
use App\Models\User;
use Illuminate\Support\Facades\Log;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\SealRefused;

/** Raises the alarm over a round that must not be sealed: in the log, in the file's history, and to the brokers of its office. */
final class StopSealing
{
    public function __invoke(int $roundId, SealRefused $why): void
    {
        $round = Round::query()
            ->with(['file', 'sender'])
            ->findOrFail($roundId);
        Log::critical('A round was refused its seal', ['round' => $round->key, 'why' => $why->getMessage()]);
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Sealing stopped',
            ['round' => $round->title, 'why' => $why->getMessage()],
            SeenBy::side($round->side),
        );
        $brokers = User::query()
            ->where('active', true)
            ->whereIn(
                'id',
                OfficeRole::query()->where('office_id', $round->file->office_id)->where('role', Role::Broker)->select('user_id'),
            )
            ->get();
        foreach ($brokers->push($round->sender)->unique('id') as $person) {
            Post::ofFile(
                $round->file,
                "seal-stopped:{$round->key}:{$person->key}",
                Addressee::user($person),
                Wording::of('seal_stopped', ['round' => $round->title, 'file' => $round->file->name, 'why' => $why->getMessage()]),
                "/rounds/{$round->key}",
            );
        }
    }
}
