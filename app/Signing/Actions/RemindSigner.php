<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Mail\Post;
use App\Models\Round;
use App\Models\Signer;
use Illuminate\Support\Str;
use Unanimus\Files\StepRefused;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;

/** Reminds somebody whose turn it is to sign. */
final class RemindSigner
{
    public function __construct(private readonly RecordEvent $record)
    {
    }

    /** @throws StepRefused when they are not asked to sign now */
    public function __invoke(Round $round, Signer $signer): void
    {
        $once = (string) Str::ulid();
        $state = ($this->record)($round, new RoundEvent(EventKind::Reminded, null, ['seat' => $signer->seat]), "remind:{$once}");
        if (! in_array($signer->seat, $state->asked(), true)) {
            throw new StepRefused("{$signer->name} is not asked to sign right now.");
        }
        Post::reminder($round, $signer, $once);
    }
}
