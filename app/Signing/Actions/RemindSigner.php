<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Mail\Post;
use App\Models\Event;
use App\Models\Round;
use App\Models\Signer;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Reminds somebody whose turn it is to sign; pressed again within minutes, or in another tab, nothing more is sent. */
final class RemindSigner
{
    private const REST_MINUTES = 10;

    public function __construct(private readonly RecordEvent $record)
    {
    }

    /**
     * @param string|null $once what it may be done once for; null: for each press of a person
     * @return bool whether a letter goes out; false: one went out minutes ago
     *
     * @throws StepRefused when they are not asked to sign now
     */
    public function __invoke(Round $round, Signer $signer, ?string $once = null): bool
    {
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('id');
        $reminded = Event::query()
            ->where('round_id', $round->id)
            ->where('kind', EventKind::Reminded->value)
            ->where('data->seat', $signer->seat)
            ->where('at', '>', now()->subMinutes(self::REST_MINUTES))
            ->exists();
        if ($reminded) {
            return false;
        }
        $once ??= (string) Str::ulid();
        if (Event::query()->where('round_id', $round->id)->where('once_key', "remind:{$once}")->exists()) {
            return false;
        }
        $state = ($this->record)($round, new RoundEvent(EventKind::Reminded, null, ['seat' => $signer->seat]), "remind:{$once}");
        if (! in_array($signer->seat, $state->asked(), true)) {
            throw SigningRefusal::NotTheirTurn->because(name: $signer->name);
        }
        Post::reminder($round, $signer, $once);

        return true;
    }
}
