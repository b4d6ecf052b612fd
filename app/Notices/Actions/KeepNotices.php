<?php

declare(strict_types=1);

namespace App\Notices\Actions;

use App\Models\DealFile;
use App\Models\Notice;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Notices\NoticeSettings;

/** Notices of a person: seen, and how they want to be told. */
final class KeepNotices
{
    public function see(User $user, ?string $key): void
    {
        Notice::query()->where('user_id', $user->id)->whereNull('seen_at')
            ->when($key, static fn ($notices, string $key) => $notices->where('key', $key))
            ->update(['seen_at' => now()]);
    }

    public function set(User $user, NoticeSettings $settings): void
    {
        $user->update(['notices' => $settings->toArray()]);
    }

    public function mute(User $user, DealFile $file, bool $muted): void
    {
        DB::table('users')->where('id', $user->id)->lockForUpdate()->value('id');
        $user->refresh();
        $this->set($user, $user->noticeSettings()->muting($file->key, $muted));
    }
}
