<?php

declare(strict_types=1);

namespace App\Mail;

use App\Mail\Jobs\SendLetter;
use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Round;
use App\Models\Signer;
use App\Work\Waiting;
use Illuminate\Database\Eloquent\Collection;

/** Emails of a round that wait for the mail server and will be tried again. */
final readonly class LettersOnHold
{
    /** @param  Collection<int, Letter>  $letters */
    private function __construct(public Collection $letters, private Waiting $waiting)
    {
    }

    /** Null when none waits. */
    public static function of(Round $round): ?self
    {
        $letters = Letter::query()
            ->where('deal_file_id', $round->deal_file_id)
            ->whereNull('sent_at')
            ->whereIn('action', $round->signers->map(static fn (Signer $signer) => "signer {$signer->key}"))
            ->orderBy('id')
            ->get();
        $waiting = $letters
            ->map(static fn (Letter $letter) => SendLetter::waiting($letter->id))
            ->first(static fn (?Waiting $one) => $one !== null && ! $one->stopped);

        return $waiting === null ? null : new self($letters, $waiting);
    }

    /** Whether any email of a file has not gone out. */
    public static function areIn(DealFile $file): bool
    {
        return Letter::query()->where('deal_file_id', $file->id)->whereNull('sent_at')->exists();
    }

    /** "An email to Ana Lund waits for the mail server, next try 5:32 pm." */
    public function sentence(string $zone): string
    {
        $count = $this->letters->count();

        $sentence = $this->waiting->sentence('An email to '.$this->letters->first()?->recipient_name, $zone);

        return $count > 1 ? "{$sentence} So do ".($count - 1).' more.' : $sentence;
    }

    /** Tries them all now, because a person asks for it. */
    public function tryAgain(): void
    {
        foreach ($this->letters as $letter) {
            SendLetter::again($letter->brokerage_id, $letter->id);
        }
    }
}
