<?php

declare(strict_types=1);

namespace App\Notices\Console;

use App\Models\Notice;
use App\Models\Sight;
use App\Models\User;
use App\Notices\Actions\MailNotices;
use App\Notices\Actions\NoteEntries;
use Illuminate\Console\Command;

/** Tells people of what has happened, mails what is due, and sends digests at their hour. */
final class SweepNotices extends Command
{
    protected $signature = 'notices:sweep';

    protected $description = 'Tells people of what has happened in their files';

    public function handle(NoteEntries $entries, MailNotices $mail): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            rescue(static fn () => Sight::within($brokerage, static fn () => $entries($brokerage)));
            $due = Sight::within($brokerage, static fn () => Notice::query()->whereNotNull('mail_at')->whereNull('mailed_at')
                ->where('mail_at', '<=', now())->orderBy('id')->limit(1000)->pluck('id')->all());
            foreach ($due as $id) {
                rescue(static fn () => Sight::within($brokerage, static fn () => $mail->one(Notice::query()->with('user')
                    ->findOrFail($id))));
            }
            // Each in a transaction of its own: one that fails keeps nobody else's back.
            foreach (Sight::within($brokerage, static fn () => self::waitForDigest()) as $id) {
                rescue(static fn () => Sight::within($brokerage, static fn () => $mail->digest(User::query()->findOrFail($id))));
            }
            // What was seen long ago is no news.
            Sight::within($brokerage, static fn () => Notice::query()->where('at', '<', now()->subDays(120))->limit(2000)->delete());
        }

        return self::SUCCESS;
    }

    /** @return list<int> whose digest is due */
    private static function waitForDigest(): array
    {
        $due = [];
        foreach (User::colleagues()->where('active', true)->whereNull('invited_at')->with('officeRoles.office')->lazyById(500) as $user) {
            $now = now()->toImmutable()->setTimezone(new \DateTimeZone($user->zone()));
            $user->noticeSettings()->digestIsDue($now, $user->digest_at?->toImmutable()) && $due[] = $user->id;
        }

        return $due;
    }
}
