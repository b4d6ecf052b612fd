<?php

declare(strict_types=1);

namespace App\Messages\Console;

use App\Messages\Actions\WriteByRule;
use App\Messages\Jobs\DeliverMessage;
use App\Models\LetterRule;
use App\Models\Message;
use App\Models\Sight;
use Illuminate\Console\Command;

/** Sends messages whose time has come, and writes the letters of rules that are on. */
final class SweepMessages extends Command
{
    protected $signature = 'messages:sweep';

    protected $description = 'Sends messages at their time, and letters that go out by themselves';

    public function handle(WriteByRule $write): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, static function () use ($brokerage): void {
                $due = Message::query()->where('state', 'waiting')->where('send_at', '<=', now())->limit(500)->pluck('id');
                $due->each(static fn (int $id) => DeliverMessage::begin($brokerage, $id));
            });
            $rules = Sight::within($brokerage, static fn () => LetterRule::query()->whereNotNull('on_since')->pluck('id')->all());
            foreach ($rules as $id) {
                // A rule that fails is tried again in a minute; the others go on.
                rescue(static fn () => Sight::within($brokerage, static function () use ($id, $write): void {
                    $rule = LetterRule::query()->with(['letter', 'office'])->lockForUpdate()->find($id);
                    $rule === null || $write($rule);
                }));
            }
        }

        return self::SUCCESS;
    }
}
