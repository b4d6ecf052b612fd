<?php

declare(strict_types=1);

namespace App\Bench;

use Illuminate\Console\Command;

/**
 * Work for a copy in which programs are killed at random (./unanimus prove faults): prepared before, done meanwhile, counted afterwards.
 * What was answered to be done is noted outside the database, and held against it at the end.
 */
final class Prove extends Command
{
    protected $signature = 'prove {what : prepare, fill, bring, sign, move or count} {folder : for what is noted}
        {--number=0} {--seconds=60} {--rounds=6} {--old=0 : files that are due to be purged}';

    protected $description = 'The work while faults are tried, and what became of it';

    public function handle(ProveFiles $files, ProveCount $count): int
    {
        $folder = (string) $this->argument('folder');
        $jobs = new ProveJobs($folder, (int) $this->option('number'), microtime(true) + (float) $this->option('seconds'));
        switch ($this->argument('what')) {
            case 'prepare':
                $laid = $files->lay((int) $this->option('rounds'), (int) $this->option('old'));
                file_put_contents("{$folder}/prepared.json", (string) json_encode($laid));

                return self::SUCCESS;
            case 'fill':
                $jobs->fill();

                return self::SUCCESS;
            case 'bring':
                $jobs->bring();

                return self::SUCCESS;
            case 'sign':
                $jobs->sign();

                return self::SUCCESS;
            case 'move':
                $jobs->move();

                return self::SUCCESS;
            case 'count':
                return $this->told($count->of($folder));
            default:
                $this->error('What? prepare, fill, bring, sign, move or count.');

                return self::INVALID;
        }
    }

    /** @param  array<string, array{int, int, int, int}>  $rows  tried, lost, doubled, stuck */
    private function told(array $rows): int
    {
        $this->line(sprintf('%-28s %8s %8s %8s %8s', '', 'tried', 'lost', 'doubled', 'stuck'));
        $bad = 0;
        foreach ($rows as $what => [$tried, $lost, $doubled, $stuck]) {
            $this->line(sprintf('%-28s %8d %8d %8d %8d', $what, $tried, $lost, $doubled, $stuck));
            $bad += $lost + $doubled + $stuck + ($tried === 0 ? 1 : 0);
        }

        return $bad === 0 ? self::SUCCESS : self::FAILURE;
    }
}
