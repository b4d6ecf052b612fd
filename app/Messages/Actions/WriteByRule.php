<?php

declare(strict_types=1);

namespace App\Messages\Actions;

use App\History\History;
use App\Mail\NoMore;
use App\Messages\Jobs\DeliverMessage;
use App\Messages\MessageFacts;
use App\Models\DealFile;
use App\Models\LetterRule;
use App\Models\Message;
use App\Models\Party;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Messages\LetterAudience;
use Unanimus\Messages\LetterEvent;
use Unanimus\Messages\MessagePlan;
use Unanimus\Messages\PlannedLetter;
use Unanimus\Messages\Recipient;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/**
 * Writes the letters of an office's rules: of each event once, to nobody who asked for none, and with a log of what was done and
 * why, also where nothing was.
 */
final class WriteByRule
{
    /** Hours for which an event is looked back at, so that one noted late is not missed. */
    private const BACK = 48;

    public function __invoke(LetterRule $rule): void
    {
        if ($rule->on_since === null) {
            return;
        }
        $rule->event === LetterEvent::Coming ? $this->dates($rule) : $this->happenings($rule);
    }

    private function happenings(LetterRule $rule): void
    {
        $entries = DB::table('history')
            ->join('deal_files', 'deal_files.id', 'history.deal_file_id')
            ->where(['deal_files.office_id' => $rule->office_id, 'history.staff_only' => false])
            ->where('history.at', '>', now()->subHours(self::BACK))
            ->whereRaw('history.at > (SELECT r.on_since FROM letter_rules r WHERE r.id = ?)', [$rule->id])
            ->where('history.what', match ($rule->event) {
                LetterEvent::Accepted => 'Accepted',
                LetterEvent::RoundComplete => 'Sealed set filed',
                default => $rule->detail,
            })
            ->when($rule->event === LetterEvent::Accepted && $rule->detail !== '', static fn ($named) => $named
                ->whereRaw("history.data->>'requirement' ILIKE ?", ['%'.addcslashes($rule->detail, '%_\\').'%']))
            ->whereNotExists(static fn ($log) => $log->from('letter_rule_log')
                ->where('letter_rule_log.letter_rule_id', $rule->id)
                ->whereRaw("letter_rule_log.event_key = 'history:' || history.id"))
            ->orderBy('history.id')
            ->limit(500)
            ->get(['history.id', 'history.deal_file_id', 'history.what', 'history.data', 'history.side']);
        foreach ($entries as $entry) {
            $said = $rule->event->happened($entry->what, (array) json_decode((string) $entry->data, true), $rule->detail);
            $side = $entry->side === null ? null : Side::from($entry->side);
            $said === null || $this->write($rule, (int) $entry->deal_file_id, "history:{$entry->id}", $said, $side);
        }
    }

    private function dates(LetterRule $rule): void
    {
        $day = $rule->dayAhead($rule->office->today());
        $files = DB::table('facts')
            ->join('deal_files', 'deal_files.id', 'facts.deal_file_id')
            ->where(['deal_files.office_id' => $rule->office_id, 'facts.name' => $rule->detail, 'facts.value' => $day->iso()])
            ->whereIn('deal_files.status', ['preparing', 'active', 'under_contract'])
            ->pluck('deal_files.id');
        foreach ($files as $id) {
            $this->write($rule, (int) $id, "day:{$id}:{$rule->detail}:{$day->iso()}", LetterEvent::near($rule->detail, $day), null);
        }
    }

    /** @param  Side|null  $side  whose affair it is; those of the other side are not told */
    private function write(LetterRule $rule, int $fileId, string $event, string $because, ?Side $side): void
    {
        if (DB::table('letter_rule_log')->where(['letter_rule_id' => $rule->id, 'event_key' => $event])->exists()) {
            return;
        }
        $file = DealFile::query()->with(['office', 'parties', 'knownFacts'])->find($fileId);
        if ($file === null || $file->practice || $file->guest) {
            return;
        }
        // The rule is held for this transaction: nobody else does the same meanwhile, and the database keeps each event to one.
        DB::table('letter_rule_log')->insert([
            'brokerage_id' => $rule->brokerage_id,
            'letter_rule_id' => $rule->id,
            'deal_file_id' => $fileId,
            'event_key' => $event,
            'because' => $because,
            'did' => $this->did($rule, $file, $because, $side),
        ]);
    }

    /** @return string what was done, or why nothing was */
    private function did(LetterRule $rule, DealFile $file, string $because, ?Side $side): string
    {
        [$to, $left] = $this->readers($rule, $file, $side);
        $without = $left === [] ? '' : ' Not to '.implode(', ', $left).'.';
        if ($to === []) {
            return "No one was written to.{$without}";
        }
        $sender = [...MessageFacts::sender($file, null), 'event' => $because];
        try {
            $plan = MessagePlan::of($to, true, $rule->letter->subject, $rule->letter->body, MessageFacts::common($file), $sender, false);
        } catch (StepRefused $refused) {
            return "Nothing was sent. {$refused->getMessage()}";
        }
        $message = Message::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'side' => $file->represents->isBoth() ? $side ?? MessagePlan::side($file->kind, null, $to) : null,
            'state' => 'waiting',
            'subject' => $rule->letter->subject,
            'body' => $rule->letter->body,
            'recipients' => array_map(static fn (Recipient $one) => $one->toArray(), $to),
            'apart' => true,
            'planned' => array_map(static fn (PlannedLetter $letter) => [
                'to' => array_map(static fn (Recipient $one) => $one->toArray(), $letter->to),
                'subject' => $letter->subject,
                'body' => $letter->body,
            ], $plan->letters),
            'letter_rule_id' => $rule->id,
            'send_at' => now(),
        ]);
        DeliverMessage::begin($message->brokerage_id, $message->id);
        $names = implode(', ', array_map(static fn (Recipient $one) => $one->name, $to));
        $told = ['subject' => $plan->letters[0]->subject, 'to' => $names, 'because' => $because];
        History::add($file->brokerage_id, $file->id, 'Message went out by itself', $told, SeenBy::side($message->side));

        return "Sent to {$names}.{$without}";
    }

    /** @return array{list<Recipient>, list<string>} who is written to; and who is not, and why */
    private function readers(LetterRule $rule, DealFile $file, ?Side $side): array
    {
        $own = $file->represents->side();
        $ours = $own !== null ? [$own->value] : array_map(static fn (Side $one) => $one->value, $file->kind->sides());
        $to = $left = [];
        foreach ($file->parties as $party) {
            /** @var Party $party */
            $role = $party->role->value;
            $isMeant = array_filter($rule->audience(), static fn (LetterAudience $one) => $one->includes($role, $ours)) !== [];
            $isOther = $side !== null && Side::tryFrom($role) !== null && $file->kind->side(Side::from($role)) !== $file->kind->side($side);
            if (! $isMeant || $isOther) {
                continue;
            }
            $one = new Recipient($party->name, (string) $party->email, (string) $party->seat());
            match (true) {
                ! $one->hasAddress() => $left[] = "{$one->name} (no email address)",
                NoMore::asked($rule->brokerage_id, $one->address) => $left[] = "{$one->name} (asked for no such emails)",
                default => $to[] = $one,
            };
        }

        return [$to, $left];
    }
}
