<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Notices\NoticeChoice;
use Unanimus\Notices\NoticeKind;

/** What colleagues are told of: noted for each of them once, and mailed as they wish. */
final class Notices
{
    /**
     * An email to a colleague, before it is put: noted; and kept back where they want it otherwise or later.
     *
     * @param array{brokerage_id: int, deal_file_id?: int, attachment?: string, attachment_name?: string} $of
     */
    public static function keepBack(string $once, array $of, Addressee $to, Wording $words, ?string $action): bool
    {
        $kind = $to->user === null || $to->user->guest ? null : NoticeKind::ofLetter($words->name);
        if ($kind === null || $to->user === null) {
            return false;
        }
        $choice = self::note($to->user, $kind, $of['deal_file_id'] ?? null, $words, $action, $once);

        return $choice !== NoticeChoice::AtOnce;
    }

    /**
     * Notes something for a person; said again it changes nothing.
     *
     * @param bool $hasLetter whether an email of its own tells it where it is wanted at once
     * @return NoticeChoice how they are told now: at once only where an email is to go out this very moment
     */
    public static function note(
        User $user,
        NoticeKind $kind,
        ?int $fileId,
        Wording $words,
        ?string $action,
        string $once,
        bool $hasLetter = true,
    ): NoticeChoice {
        $settings = $user->noticeSettings();
        $fileKey = $fileId === null || $settings->muted === [] ? null : DB::table('deal_files')->where('id', $fileId)->value('key');
        $choice = $settings->choice($kind, $fileKey);
        if ($choice === NoticeChoice::Off) {
            return $choice;
        }
        $now = now()->toImmutable()->setTimezone(new \DateTimeZone($user->zone()));
        $mails = $settings->mailsAt($now);
        $isNow = $choice === NoticeChoice::AtOnce && $hasLetter && $mails == $now;
        DB::table('notices')->insertOrIgnore([
            'key' => (string) Str::ulid(),
            'brokerage_id' => $user->brokerage_id,
            'user_id' => $user->id,
            'deal_file_id' => $fileId,
            'kind' => $kind->value,
            'subject' => $words->subject,
            'body' => $words->body,
            'label' => $words->label,
            'action' => $action,
            'once_key' => $once,
            'choice' => $choice->value,
            'mail_at' => $choice === NoticeChoice::AtOnce && ! $isNow ? $mails : null,
            'at' => now(),
        ]);

        return $isNow ? NoticeChoice::AtOnce : ($choice === NoticeChoice::AtOnce ? NoticeChoice::InApp : $choice);
    }
}
