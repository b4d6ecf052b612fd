<?php

declare(strict_types=1);

namespace App\Bench;

use App\Demo\Seed;
use App\Models\DealFile;
use App\Models\Sight;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Measures the pages that a growing brokerage could slow, each beside an empty page of the same visit; told as JSON. */
final class BenchPages extends Command
{
    private const PAGES = [
        'files list, first page' => '/files',
        'files list, a status' => '/files?q=status%3Aclosed',
        'search, two words' => '/files?q=gannet+okonjo',
        'search, mistyped' => '/files?q=sawmil+merriwether',
        'search as typed' => '/find?q=thistle+ashdown',
    ];

    protected $signature = 'bench:pages';

    protected $description = 'What the pages cost at this size, as JSON';

    public function handle(): int
    {
        [$file, $count, $papers, $entries] = Sight::within(
            Sight::brokerages()[0],
            static fn (): array => [
                DealFile::query()->orderBy('id')->firstOrFail()->key,
                DB::table('deal_files')->count(),
                DB::table('papers')->count(),
                DB::table('history')->count(),
            ],
        );
        $costs = [
            ...$this->of('wendell', ['file page' => "/files/{$file}", 'Today, a coordinator' => '/']),
            ...$this->of('ines', ['year report' => '/reports?period=year', 'Today, a broker' => '/', ...self::PAGES]),
        ];
        $this->line((string) json_encode(['files' => $count, 'papers' => $papers, 'history' => $entries, 'pages' => $costs]));

        return self::SUCCESS;
    }

    /**
     * @param array<string, string> $pages
     * @return array<string, array{float, float}> milliseconds: the page, an empty one
     */
    private function of(string $who, array $pages): array
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
