<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Round;
use App\Models\Signer;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Files\PartyRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\AccessCode;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** The code a signer is asked for on their link: set or taken off by the sender, entered by the signer. */
final class KeepCode
{
    public function __construct(private readonly RecordEvent $record)
    {
    }

    /**
     * Sets a code, before the round goes out or after; wrong ones so far are forgotten. An empty one takes it off.
     *
     * @throws StepRefused when it is no code, or the signer is the other side's
     */
    public function set(Round $round, Signer $signer, string $typed): void
    {
        $round->file->isOwnAffair($signer->seatOf()->side()) ||
            throw PartyRefusal::OtherSides->because(side: (string) $signer->seatOf()->side()?->value);
        $code = trim($typed) === '' ? null : AccessCode::of($typed)->text;
        if ($code === $signer->code && $signer->code_tries === 0) {
            return;
        }
        $signer->update(['code' => $code, 'code_tries' => 0]);
        if ($round->status === RoundStatus::Out && $code !== null) {
            $event = new RoundEvent(EventKind::CodeSet, null, ['seat' => $signer->seat, 'where' => $signer->name]);
            ($this->record)($round, $event, 'code:'.Str::ulid());

            return;
        }
        $what = $code === null ? 'Access code taken off' : 'Access code set';
        $data = ['round' => $round->title, 'where' => $signer->name];
        History::add($round->brokerage_id, $round->deal_file_id, $what, $data, SeenBy::side($round->side));
    }

    /**
     * What somebody typed on a signer's link.
     *
     * @param array{address: string|null, device: string|null} $from
     * @return StepRefused|null why not; null when it is the code. It is told and not thrown, so that the try counts
     */
    public function enter(Signer $signer, string $typed, array $from): ?StepRefused
    {
        // One after the other: two tabs have no more tries than one.
        $tries = (int) DB::table('signers')->where('id', $signer->id)->lockForUpdate()->value('code_tries');
        $signer->refresh();
        if ($signer->code === null) {
            return null;
        }
        $locked = SigningRefusal::CodeLocked->because(name: $signer->round->sender->name);
        if ($tries >= AccessCode::TRIES) {
            return $locked;
        }
        $isAsked = $signer->round->status === RoundStatus::Out && $signer->status->isAsked();
        if (AccessCode::of($signer->code)->is($typed)) {
            $signer->update(['code_tries' => 0]);
            $isAsked && ($this->record)(
                $signer->round,
                new RoundEvent(EventKind::CodeEntered, $signer->seat),
                'code-entered:'.Str::ulid(),
                $from,
            );

            return null;
        }
        $signer->update(['code_tries' => $tries + 1]);
        if ($tries + 1 < AccessCode::TRIES) {
            return SigningRefusal::CodeWrong->because(name: $signer->round->sender->name, left: AccessCode::TRIES - $tries - 1);
        }
        $isAsked && ($this->record)(
            $signer->round,
            new RoundEvent(EventKind::CodeLocked, $signer->seat),
            'code-locked:'.Str::ulid(),
            $from,
        );

        return $locked;
    }
}
