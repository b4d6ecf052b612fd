<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Mail\Post;
use App\Models\Round;
use App\Models\Signer;
use App\Signing\Questions;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Answers what a signer asked: on their page, and by letter. */
final class AnswerQuestion
{
    public function __construct(private readonly RecordEvent $record)
    {
    }

    /**
     * @param string $asked key of the question in its round
     *
     * @throws StepRefused when it was answered otherwise meanwhile, or the round is over
     */
    public function __invoke(Round $round, string $asked, string $answer): void
    {
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('id');
        $round->load(['events', 'signers']);
        $question = Questions::of($round)->firstWhere('once', $asked) ?? abort(404);
        $signer = $round->signers->firstWhere('seat', $question['seat']);
        if (! $signer instanceof Signer || $question['answer'] === $answer) {
            return;
        }
        $question['answer'] === null || throw SigningRefusal::AlreadyAnswered->because();
        ($this->record)(
            $round,
            new RoundEvent(EventKind::Answered, null, [
                'asked' => $asked,
                'seat' => $signer->seat,
                'who' => $signer->name,
                'question' => $question['question'],
                'answer' => $answer,
            ]),
            "answered:{$asked}",
        );
        ($signer->email ?? '') !== '' && Post::answer($round, $signer, $question['question'], $answer, $asked);
    }
}
