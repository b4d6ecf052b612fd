<?php

declare(strict_types=1);

namespace App\Moving\Jobs;

use App\Models\Import;
use App\Models\MovedLine;
use App\Models\Sight;
use App\Models\User;
use App\Moving\Actions\BringPerson;
use App\Work\Work;
use Illuminate\Support\Facades\Auth;

/** Invites the people and keeps the contacts that came along, one by one, as far as that was asked for. */
final class BringLists extends Work
{
    public const KIND = 'moving-lists';

    public int $timeout = 3600;

    protected function work(): void
    {
        [$import, $by] = Sight::within($this->brokerageId, function (): array {
            $import = Import::query()->with('office')->findOrFail($this->thing);

            return [$import, User::query()->with('officeRoles')->findOrFail($import->user_id)];
        });
        Auth::setUser($by);
        try {
            while ($this->next($import, $by)) {
                $this->holdOn();
            }
        } finally {
            Auth::forgetUser();
        }
    }

    private function next(Import $import, User $by): bool
    {
        return Sight::within($this->brokerageId, static function () use ($import, $by): bool {
            $line = MovedLine::query()
                ->where(['import_id' => $import->id, 'outcome' => 'asked'])
                ->orderBy('id')
                ->lockForUpdate()
                ->first();
            $line === null || app(BringPerson::class)($line, $import, $by);

            return $line !== null;
        });
    }
}
