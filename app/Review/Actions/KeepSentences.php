<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\History\History;
use App\Models\KeptSentence;
use App\Models\User;
use Unanimus\Review\KeptWords;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Steps\StepRefused;

/** Keeps sentences for remarks: one's own, or everybody's who reviews. */
final class KeepSentences
{
    /** Kept twice it is there once. @throws StepRefused when it names a field that there is none of */
    public function add(User $by, string $text, bool $forEveryone): KeptSentence
    {
        $text = trim($text);
        $unknown = KeptWords::unknown($text);
        $unknown === [] || throw ReviewRefusal::NoSuchField->because(fields: implode(', ', $unknown));
        $there = KeptSentence::of($by)->firstWhere('text', $text);
        if ($there !== null) {
            return $there;
        }
        $forEveryone && History::ofBrokerage($by->brokerage_id, 'Sentence kept', ['text' => $text]);

        return KeptSentence::create([
            'brokerage_id' => $by->brokerage_id,
            'user_id' => $forEveryone ? null : $by->id,
            'text' => $text,
        ]);
    }

    public function remove(User $by, KeptSentence $sentence): void
    {
        $sentence->user_id === null && History::ofBrokerage($by->brokerage_id, 'Sentence removed', ['text' => $sentence->text]);
        $sentence->delete();
    }
}
