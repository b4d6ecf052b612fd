<?php

declare(strict_types=1);

namespace App\Api\Jobs;

use App\Access\Outside;
use App\Models\HookCall;
use App\Models\Sight;
use App\Work\Work;
use Illuminate\Http\Client\ConnectionException;
use Unanimus\Api\HookRetry;
use Unanimus\Api\HookSignature;
use Unanimus\Steps\StepRefused;

/**
 * Makes one call. What is not answered with 2xx is tried again for three days; whoever is called may be called twice when an answer
 * gets lost, and knows it by the call's number.
 */
final class CallHook extends Work
{
    public const KIND = 'calls';

    protected function work(): void
    {
        $call = Sight::within($this->brokerageId, fn (): ?HookCall => HookCall::query()->with('hook')
            ->whereNotNull('next_at')->where('next_at', '<=', now())->find($this->thing));
        if ($call === null || $call->hook->off_at !== null) {
            return;
        }
        [$taken, $answer] = $this->call($call);
        Sight::within($this->brokerageId, static function () use ($call, $taken, $answer): void {
            $tried = $call->tried + 1;
            $wait = $taken ? null : HookRetry::after($tried);
            HookCall::query()->whereKey($call->id)->whereNull('taken_at')->update([
                'tried' => $tried,
                'answer' => mb_substr($answer, 0, 300),
                'taken_at' => $taken ? now() : null,
                'next_at' => $wait === null ? null : now()->addSeconds($wait),
                'given_up_at' => $taken || $wait !== null ? null : now(),
            ]);
        });
    }

    /** @return array{bool, string} whether it was taken, and what was answered */
    private function call(HookCall $call): array
    {
        try {
            $answer = Outside::at($call->hook->url)
                ->withHeaders([
                    'Unanimus-Event' => $call->event,
                    'Unanimus-Call' => $call->key,
                    'Unanimus-Signature' => HookSignature::of($call->hook->signingSecret(), time(), $call->body),
                ])
                ->withBody($call->body, 'application/json')
                ->post($call->hook->url);

            return [$answer->successful(), "{$answer->status()} ".trim((string) preg_replace('/\s+/', ' ', mb_scrub(substr($answer
                ->body(), 0, 200))))];
        } catch (StepRefused|ConnectionException $failed) {
            return [false, $failed instanceof StepRefused ? $failed->getMessage() : 'There was no answer.'];
        }
    }
}
