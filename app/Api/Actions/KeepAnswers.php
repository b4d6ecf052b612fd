<?php

declare(strict_types=1);

namespace App\Api\Actions;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What requests were answered, so that one sent again is answered as before. */
final class KeepAnswers
{
    /**
     * Whoever sends the same at the same moment waits here.
     *
     * @return array{asked: string, status: int, body: string}|null
     */
    public function before(User $user, string $once): ?array
    {
        DB::select('SELECT pg_advisory_xact_lock(9, hashtext(?))', ["{$user->id}:{$once}"]);
        $row = DB::table('api_answers')->where(['user_id' => $user->id, 'once' => $once])->first();

        return $row === null ? null : ['asked' => (string) $row->asked, 'status' => (int) $row->status, 'body' => (string) $row->body];
    }

    public function keep(User $user, string $once, string $asked, int $status, string $body): void
    {
        DB::table('api_answers')->insert([
            'brokerage_id' => $user->brokerage_id,
            'user_id' => $user->id,
            'once' => $once,
            'asked' => $asked,
            'status' => $status,
            'body' => $body,
        ]);
    }
}
