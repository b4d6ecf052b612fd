<?php

declare(strict_types=1);

namespace App\Mail;

use App\Access\Invitation;
use App\Access\PasswordReset;
use App\Models\ClientPage;
use App\Models\FillRequest;
use App\Models\Letter;
use App\Models\PaperRequest;
use App\Models\ReadingCopy;
use App\Models\Signer;
use App\Models\User;
use App\Models\WorkingCopy;

/** Where the button of an email leads: made as it goes out, never stored. */
final class ActionLink
{
    /** The address; null when the email has no button, or the link has ended. */
    public static function of(Letter $letter): ?string
    {
        if ($letter->action === null || str_starts_with($letter->action, '/')) {
            return $letter->action === null ? null : url($letter->action);
        }
        [$kind, $key] = explode(' ', $letter->action, 2) + [1 => ''];

        return match ($kind) {
            'signer' => Signer::query()->where('key', $key)->first()?->link(),
            'fill' => FillRequest::query()->where('key', $key)->first()?->link(),
            'read' => ReadingCopy::query()->where('key', $key)->first()?->link(),
            'bring' => PaperRequest::query()->where('key', $key)->first()?->link(),
            'client' => ClientPage::query()->where('key', $key)->where('is_on', true)->first()?->link(),
            'work' => WorkingCopy::query()->where('key', $key)->first()?->link(),
            'invitation' => ($user = User::query()->where('key', $key)->first()) === null
                ? null
                : Invitation::link($user, $letter->created_at),
            'password' => ($user = User::query()->where('key', $key)->first()) === null
                ? null
                : PasswordReset::link($user, $letter->created_at),
            default => null,
        };
    }
}
