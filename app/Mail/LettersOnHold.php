<?php

declare(strict_types=1);

namespace App\Mail;

use App\Mail\Jobs\SendLetter;
use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Round;
use App\Models\Signer;
use App\Work\Waiting;
use Illuminate\Database\Eloquent\Builder;
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
        $letters = self::waiting($round->file)
            ->whereIn('action', $round->signers->map(static fn (Signer $signer) => "signer {$signer->key}"))
            ->orderBy('letters.id')
            ->get('letters.*');
        $waiting = $letters->isEmpty() ? null : SendLetter::waiting($letters->firstOrFail()->id);

        return $waiting === null ? null : new self($letters, $waiting);
    }

    /** Whether any email of a file waits. */
    public static function areIn(DealFile $file): bool
    {
        return self::waiting($file)->exists();
    }

    /** @return Builder<Letter> those that were tried, and will be again */
    private static function waiting(DealFile $file): Builder
    {
        return Letter::query()
            ->join(
                'pending_work',
                static fn ($work) => $work
                    ->on('thing', 'letters.id')
                    ->where('kind', SendLetter::KIND)
                    ->where('stopped', false)
                    ->whereNotNull('fault'),
            )
            ->where('deal_file_id', $file->id)
            ->whereNull('sent_at');
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
