<?php

declare(strict_types=1);

namespace App\Mail\Models;

use App\Access\Record;
use App\Access\User;
use App\Assembly\Models\ReadingCopy;
use App\Forms\Models\FillRequest;
use App\Mail\Jobs\SendLetter;
use App\Office\Actions\KeepPeople;
use App\Signing\Models\Signer;
use Illuminate\Support\Carbon;

/**
 * A letter that goes out once.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int|null $deal_file_id
 * @property string $once_key
 * @property string $recipient_name
 * @property string $recipient
 * @property string $subject
 * @property string $body
 * @property string|null $action_label
 * @property string|null $action where its button leads: a path, or whose link it is ("signer KEY"); the link itself is made as it goes out
 * @property string|null $attachment
 * @property string|null $attachment_name
 * @property Carbon $created_at
 * @property Carbon|null $sent_at
 */
final class Letter extends Record
{
    public const UPDATED_AT = null;

    /** @var array<string, string> */
    protected $casts = ['sent_at' => 'datetime'];

    /** Why the newest email to this signer did not go out and will not by itself; null when it did, or still may. */
    public static function refusedFor(Signer $signer): ?string
    {
        $newest = self::query()->where('action', "signer {$signer->key}")->latest('id')->first();

        return $newest === null ? null : (($waiting = SendLetter::waiting($newest->id)) !== null && $waiting->stopped ? $waiting->fault : null);
    }

    /** The address its button leads to, made now; null when it has none, or the link has ended. */
    public function actionUrl(): ?string
    {
        if ($this->action === null || str_starts_with($this->action, '/')) {
            return $this->action === null ? null : url($this->action);
        }
        [$kind, $key] = explode(' ', $this->action, 2) + [1 => ''];

        return match ($kind) {
            'signer' => Signer::query()->where('key', $key)->first()?->link(),
            'fill' => FillRequest::query()->where('key', $key)->first()?->link(),
            'read' => ReadingCopy::query()->where('key', $key)->first()?->link(),
            'invitation' => ($user = User::query()->where('key', $key)->first()) === null ? null : KeepPeople::link($user, $this->created_at),
            default => null,
        };
    }
}
