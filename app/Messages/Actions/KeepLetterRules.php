<?php

declare(strict_types=1);

namespace App\Messages\Actions;

use App\History\History;
use App\Models\FormLetter;
use App\Models\LetterRule;
use App\Models\Office;
use Illuminate\Support\Facades\DB;
use Unanimus\Messages\LetterAudience;
use Unanimus\Messages\LetterEvent;
use Unanimus\Messages\MessageRefusal;

/** Which letters go out by themselves in an office. Each is off until somebody turns it on. */
final class KeepLetterRules
{
    /** @param  list<LetterAudience>  $audience */
    public function add(Office $office, FormLetter $letter, LetterEvent $event, string $detail, int $days, array $audience): LetterRule
    {
        $audience === [] && throw MessageRefusal::NobodyChosen->because();
        DB::table('offices')->where('id', $office->id)->lockForUpdate()->value('id');
        $rule = new LetterRule([
            'brokerage_id' => $office->brokerage_id,
            'office_id' => $office->id,
            'form_letter_id' => $letter->id,
            'event' => $event,
            'detail' => trim($detail),
            'days' => $event === LetterEvent::Coming ? max(0, min(60, $days)) : 0,
            'audience' => array_map(static fn (LetterAudience $one) => $one->value, $audience),
        ]);
        // Two alike would write everyone twice.
        $same = LetterRule::query()
            ->where($rule->only(['office_id', 'form_letter_id', 'event', 'detail', 'days']))
            ->whereNull('removed_at')
            ->get()
            ->first(static fn (LetterRule $one) => $one->audience === $rule->audience);
        if ($same !== null) {
            return $same;
        }
        $rule->save();
        $this->tell($rule, 'Letter rule set');

        return $rule;
    }

    public function turn(LetterRule $rule, bool $on): void
    {
        if (($rule->on_since !== null) === $on) {
            return;
        }
        // To the moment: what happened just before is not told.
        DB::table('letter_rules')->where('id', $rule->id)->update(['on_since' => $on ? DB::raw('clock_timestamp()') : null]);
        $rule->refresh();
        $this->tell($rule, $on ? 'Letter rule turned on' : 'Letter rule turned off');
    }

    /** It is not wanted any more; what it did stays in the log. */
    public function remove(LetterRule $rule): void
    {
        if ($rule->removed_at !== null) {
            return;
        }
        $this->turn($rule, false);
        $rule->update(['removed_at' => now()]);
        $this->tell($rule, 'Letter rule removed');
    }

    private function tell(LetterRule $rule, string $what): void
    {
        $rule->loadMissing(['letter', 'office']);
        $told = ['office' => $rule->office->name, 'letter' => $rule->letter->name, 'when' => $rule->when()];
        History::ofBrokerage($rule->brokerage_id, $what, $told, $rule->office_id);
    }
}
