<?php

declare(strict_types=1);

namespace App\Bench;

use Illuminate\Console\Command;

/** Lays what pages cost at one size beside what they cost at another. */
final class BenchCompare extends Command
{
    /** Pages about one file or one person's work, which a larger brokerage is not to slow; lists and search have more to go through. */
    private const BUDGETS = ['file page' => 1.15, 'Today, a coordinator' => 1.15];

    protected $signature = 'bench:compare {small : JSON of bench:pages} {large : the same, of a larger brokerage}';

    protected $description = 'What growing costs';

    public function handle(): int
    {
        [$small, $large] = [$this->read('small'), $this->read('large')];
        $this->line(
            sprintf(
                "\n%-28s %18s %18s %8s %8s",
                'page, ms (empty page)',
                number_format($small['files']).' files',
                number_format($large['files']).' files',
                'growth',
                'budget',
            ),
        );
        foreach ($large['pages'] as $page => [$cost, $empty]) {
            [$before, $bare] = $small['pages'][$page];
            // Each is held against an empty page of its own minute, so that a busy machine does not count as growth.
            $growth = $cost / max(0.001, $empty) / max(0.001, $before / max(0.001, $bare));
            $budget = self::BUDGETS[$page] ?? null;
            $this->line(
                sprintf(
                    '%-28s %10.1f (%5.1f) %10.1f (%5.1f) %7.2f× %8s %s',
                    $page,
                    $before,
                    $bare,
                    $cost,
                    $empty,
                    $growth,
                    $budget === null ? '' : "{$budget}×",
                    $budget !== null && $growth > $budget ? 'over' : '',
                ),
            );
        }
        $this->line(
            sprintf('the larger: %s papers, %s history entries', number_format($large['papers']), number_format($large['history'])),
        );

        return self::SUCCESS;
    }

    /** @return array{files: int, papers: int, history: int, pages: array<string, array{float, float}>} */
    private function read(string $which): array
    {
        return json_decode((string) file_get_contents((string) $this->argument($which)), true, 8, JSON_THROW_ON_ERROR);
    }
}
