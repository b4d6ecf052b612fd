<?php

declare(strict_types=1);

namespace App\Moving\Jobs;

use App\Models\Import;
use App\Models\Sight;
use App\Models\User;
use App\Moving\Actions\ImportFiles;
use App\Work\Work;
use Illuminate\Support\Facades\Auth;

/** Opens the rows of a table that fit, one by one; killed half-way it goes on with the next. */
final class OpenImported extends Work
{
    public const KIND = 'moving-open';

    /** A row takes a moment: who is silent for longer was killed. */
    protected const RUNS = 2;

    public int $timeout = 14400;

    protected function work(): void
    {
        [$import, $by] = Sight::within($this->brokerageId, function (): array {
            $import = Import::query()->with('office')->findOrFail($this->thing);

            return [$import, User::query()->with('officeRoles')->findOrFail($import->user_id)];
        });
        if ($import->state !== 'running') {
            return;
        }
        Auth::setUser($by);
        try {
            while ($this->nextRow($import, $by)) {
                $this->holdOn();
            }
        } finally {
            Auth::forgetUser();
        }
        Sight::within($this->brokerageId, function () use ($import): void {
            $import->update(['state' => 'done']);
            $import->papers()->exists() || $import->lists()->exists() ? BringPapers::begin($this->brokerageId, $this->thing) : null;
        });
    }

    private function nextRow(Import $import, User $by): bool
    {
        $line = Sight::within(
            $this->brokerageId,
            static fn () => $import->lines()->reorder()->where('outcome', 'fit')->orderBy('number')->value('id'),
        );
        if ($line === null) {
            return false;
        }
        try {
            Sight::within($this->brokerageId, static fn () => app(ImportFiles::class)->open($import, (int) $line, $by));
        } catch (\DomainException|\InvalidArgumentException $refused) {
            Sight::within($this->brokerageId, static fn () => $import
                ->lines()
                ->whereKey($line)
                ->update(['outcome' => 'unfit', 'told' => $refused->getMessage()]));
        }

        return true;
    }
}
