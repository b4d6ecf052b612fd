<?php

declare(strict_types=1);

namespace App\Moving\Jobs;

use App\Models\Import;
use App\Models\Sight;
use App\Models\User;
use App\Moving\Actions\ImportFiles;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Log;

/** Opens the rows of a table that fit, a stretch at a time; started again it goes on where it was. */
final class OpenImported implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    /** Rows in one stretch. */
    private const STRETCH = 25;

    public int $tries = 5;

    public function __construct(private readonly int $brokerageId, private readonly int $importId)
    {
    }

    public function handle(ImportFiles $files): void
    {
        [$import, $by, $lines] = Sight::within($this->brokerageId, function (): array {
            $import = Import::query()->with('office')->findOrFail($this->importId);

            return [
                $import,
                User::query()->with('officeRoles')->findOrFail($import->user_id),
                $import->lines()->where('outcome', 'fit')->limit(self::STRETCH)->pluck('id')->all(),
            ];
        });
        if ($import->state !== 'running') {
            return;
        }
        Auth::setUser($by);
        foreach ($lines as $line) {
            try {
                Sight::within($this->brokerageId, static fn () => $files->open($import, (int) $line, $by));
            } catch (\DomainException|\InvalidArgumentException $refused) {
                Sight::within(
                    $this->brokerageId,
                    static fn () => $import
                        ->lines()
                        ->whereKey($line)
                        ->update(['outcome' => 'unfit', 'told' => $refused->getMessage()]),
                );
            }
        }
        Auth::forgetUser();
        Sight::within($this->brokerageId, function () use ($import, $lines): void {
            if ($lines !== []) {
                self::dispatch($this->brokerageId, $this->importId);

                return;
            }
            $import->update(['state' => 'done']);
            $import->papers()->exists() || $import->lists()->exists() ? BringPapers::begin($this->brokerageId, $this->importId) : null;
        });
    }

    public function failed(\Throwable $failed): void
    {
        Log::error('A table could not be opened to its end', ['import' => $this->importId, 'exception' => $failed]);
    }
}
