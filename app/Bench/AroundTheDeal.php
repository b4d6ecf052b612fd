<?php

declare(strict_types=1);

namespace App\Bench;

use App\Demo\Seed;
use App\Models\DealFile;
use App\Models\Message;
use App\Models\Sight;
use App\Models\User;
use App\Moving\ExportBrokerage;
use Illuminate\Support\Facades\DB;
use Unanimus\Pages\Scratch;

/** Measures what stands around a deal: its conversation, the roster, and a brokerage that moves out. */
final class AroundTheDeal
{
    private const MESSAGES = 300;

    /** @return array<string, array{float, float}> milliseconds: the page, an empty one */
    public static function of(DealFile $file): array
    {
        $brokerage = Sight::brokerages()[0];
        Sight::within($brokerage, static function () use ($file, $brokerage): void {
            $by = User::query()->where('email', 'wendell@quillmark.example')->firstOrFail()->id;
            $there = Message::query()->where('deal_file_id', $file->id)->count();
            for ($n = $there; $n < self::MESSAGES; $n++) {
                Message::create([
                    'brokerage_id' => $brokerage,
                    'deal_file_id' => $file->id,
                    'user_id' => $by,
                    'kind' => $n % 3 === 0 ? 'note' : 'letter',
                    'state' => 'sent',
                    'subject' => "Survey {$n}",
                    'body' => 'The survey came back today. Please look at the eastern line before Friday.',
                    'sent_at' => now()->subHours(self::MESSAGES - $n),
                ]);
            }
        });
        $visitor = new Visitor((string) config('app.url'));
        $cost = static function (string $who, string $path) use ($visitor): array {
            $visitor->signIn("{$who}@quillmark.example", Seed::PASSWORD);

            return Clock::beside(
                static fn () => $visitor->get($path),
                static fn () => $visitor->get('/style/empty'),
                before: Clock::WARM,
            );
        };

        return [
            'conversation of '.self::MESSAGES.' messages' => $cost('wendell', "/files/{$file->key}/messages"),
            'roster' => $cost('ines', '/office/roster'),
        ];
    }

    /** What moving out comes to, in words. */
    public static function movingOut(): string
    {
        $scratch = new Scratch();
        mkdir($scratch->path('out'));
        $began = hrtime(true);
        $rows = array_sum(app(ExportBrokerage::class)(Sight::brokerages()[0], $scratch->path('out'), static fn () => null));
        $seconds = (hrtime(true) - $began) / 1e9;
        $bytes = (int) Sight::within(Sight::brokerages()[0], static fn () => DB::table('blobs')->sum('size'));

        return sprintf('%s rows and %d MB of bytes in %.1f s: %s rows a second', number_format($rows), $bytes >> 20, $seconds,
            number_format($rows / max(0.001, $seconds)));
    }
}
