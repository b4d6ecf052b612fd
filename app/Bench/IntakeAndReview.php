<?php

declare(strict_types=1);

namespace App\Bench;

use App\Demo\Seed;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Sight;
use App\Models\Stack;
use Illuminate\Support\Facades\DB;

/** What the inbox, the sorting table, the review desk and a sheet cost, each at its size; what was laid out for it goes again. */
final class IntakeAndReview
{
    private const LETTERS = 500;

    private const PAGES = 300;

    /**
     * @return array<string, array{float, float}> milliseconds: the page, an empty one
     */
    public static function of(DealFile $file): array
    {
        $brokerage = Sight::brokerages()[0];
        $mark = 'bench-'.bin2hex(random_bytes(6));
        [$stack, $desk] = Sight::within($brokerage, static fn (): array => self::layOut($brokerage, $file, $mark));
        try {
            return [
                ...self::costs('wendell', [
                    'inbox, '.self::LETTERS.' letters waiting' => '/office/inbox',
                    'sorting table, '.self::PAGES.' pages' => "/stacks/{$stack}",
                ]),
                ...self::costs('ines', [
                    'review desk, a file of 60 papers' => "/review/{$desk}",
                    'commission sheet' => "/files/{$file->key}/commission",
                ]),
            ];
        } finally {
            Sight::within($brokerage, static function () use ($mark, $stack): void {
                InboundItem::query()->where('message_id', 'like', "{$mark}%")->update(['settled_at' => now()->subYear()]);
                Stack::query()->where('key', $stack)->update(['settled_at' => now()]);
            });
        }
    }

    /** @return array{string, string} keys of the stack and of what is on the desk */
    private static function layOut(int $brokerage, DealFile $file, string $mark): array
    {
        $sha256 = (string) DB::table('paper_versions')->where('deal_file_id', $file->id)->value('sha256');
        $item = null;
        foreach (range(1, self::LETTERS) as $n) {
            $item = InboundItem::create([
                'brokerage_id' => $brokerage,
                'message_id' => "{$mark}-{$n}",
                'sender' => 'Nadia Petrov <nadia.petrov@anchorfield.example>',
                'subject' => "Survey {$n}",
                'body' => 'The survey came back today.',
                'attachments' => [
                    ['name' => 'survey.pdf', 'sha256' => $sha256, 'size' => 1, 'type' => 'application/pdf', 'paper' => true],
                ],
                'sha256' => $sha256,
                'received_at' => now(),
            ]);
        }
        $parts = array_map(
            static fn (int $first) => [
                'first' => $first, 'last' => $first + 4, 'form' => null, 'heading' => "Paper {$first}", 'sure' => 0.9,
            ],
            range(1, self::PAGES, 5),
        );
        $stack = Stack::create([
            'brokerage_id' => $brokerage,
            'name' => 'A stack to measure',
            'items' => [$item?->id],
            'sources' => [['name' => 'stack.pdf', 'sha256' => $sha256, 'pages' => self::PAGES, 'first' => 1]],
            'reads' => [['parts' => $parts, 'turns' => [], 'blanks' => [], 'skews' => []]],
            'ready_at' => now(),
        ]);
        // Measured again on the same data, the paper has its line already.
        $requirement = $file->requirements()->updateOrCreate(
            ['paper_id' => $file->papers()->where('title', 'like', 'Survey, sheet%')->firstOrFail()->id],
            [
                'brokerage_id' => $brokerage,
                'title' => 'Survey, to measure',
                'stage' => 'contract',
                'position' => 9999,
                'reason' => 'measured',
                'review_state' => 'submitted',
                'submitted_at' => now(),
            ],
        );

        return [$stack->key, $requirement->key];
    }

    /**
     * @param array<string, string> $pages
     * @return array<string, array{float, float}>
     */
    private static function costs(string $who, array $pages): array
    {
        $visitor = new Visitor((string) config('app.url'));
        $visitor->signIn("{$who}@quillmark.example", Seed::PASSWORD);

        return array_map(
            static fn (string $path): array => Clock::beside(
                static fn () => $visitor->get($path),
                static fn () => $visitor->get('/style/empty'),
                before: Clock::WARM,
            ),
            $pages,
        );
    }
}
