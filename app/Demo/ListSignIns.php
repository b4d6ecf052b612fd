<?php

declare(strict_types=1);

namespace App\Demo;

use App\Models\Sight;
use App\Models\User;
use Illuminate\Console\Command;

/** Prints the demo's sign-ins. */
final class ListSignIns extends Command
{
    protected $signature = 'demo:sign-ins';

    protected $description = 'The demo\'s people and their password';

    public function handle(): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, function (): void {
                $shown = [
                    'wendell@quillmark.example',
                    'tomas@quillmark.example',
                    'ines@quillmark.example',
                    'dario@quillmark.example',
                    'marguerite@quillmark.example',
                    'fenna@quillmark.example',
                ];
                foreach (User::query()->with('officeRoles.office')->whereIn('email', $shown)->orderBy('id')->get() as $user) {
                    $this->line(sprintf('  %-30s %-13s %s', $user->email, $user->title(), $user->name));
                }
            });
        }
        $this->line('  password for all: '.Seed::PASSWORD);

        return self::SUCCESS;
    }
}
