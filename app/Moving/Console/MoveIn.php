<?php

declare(strict_types=1);

namespace App\Moving\Console;

use App\Models\Import;
use App\Models\MovedPaper;
use App\Models\Sight;
use App\Models\User;
use App\Moving\Actions\MatchParcel;
use App\Moving\Actions\TakeParcel;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Auth;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Intake\WorkbookUnreadable;
use Unanimus\Moving\FolderParcel;
use Unanimus\Moving\Parcel;
use Unanimus\Moving\ZipParcel;
use Unanimus\Steps\StepRefused;

/** Reads in what lies in a folder of the server, or in a ZIP there; begun again it goes on where it was. */
final class MoveIn extends Command
{
    protected $signature = 'files:move-in {from : a folder or a ZIP on this server} {--as= : the email address of whoever imports it}
        {--brokerage= : whose, where there are several}';

    protected $description = 'Reads files and their documents from a folder, to be looked through and opened under Import files';

    public function handle(TakeParcel $take): int
    {
        $from = rtrim((string) $this->argument('from'), '/');
        $parcel = is_dir($from) ? new FolderParcel($from) : new ZipParcel($from, basename($from));
        $by = $this->person();
        if ($by === null) {
            $this->error('Say who imports it with --as=EMAIL, someone who opens files.');

            return self::FAILURE;
        }
        try {
            $import = $this->import($parcel, $by, $take);
        } catch (SheetUnreadable|WorkbookUnreadable|StepRefused $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        }
        $count = $this->read($import, $parcel, $take);
        Sight::within($import->brokerage_id, static fn () => app(MatchParcel::class)($import->refresh()));
        $this->info("{$count} documents read. Go on under ".rtrim((string) config('app.url'), '/')."/imports/{$import->key}");

        return self::SUCCESS;
    }

    private function person(): ?User
    {
        $all = Sight::brokerages();
        $wanted = (int) ($this->option('brokerage') ?: (count($all) === 1 ? $all[0] : 0));

        return ! in_array($wanted, $all, true) ? null : Sight::within($wanted, fn (): ?User => User::query()
            ->with('officeRoles')
            ->whereRaw('lower(email) = lower(?)', [(string) $this->option('as')])
            ->where('active', true)
            ->get()
            ->first(static fn (User $user) => $user->opensFiles()));
    }

    /** The one begun before, while not all of it is read; else a new one. */
    private function import(Parcel $parcel, User $by, TakeParcel $take): Import
    {
        return Sight::within($by->brokerage_id, function () use ($parcel, $by, $take): Import {
            Auth::setUser($by);
            try {
                $begun = Import::query()
                    ->where(['user_id' => $by->id, 'name' => mb_substr($parcel->name(), 0, 120)])
                    ->whereNull('parcel_sha256')
                    ->whereIn('id', MovedPaper::query()->where('outcome', 'unread')->select('import_id'))
                    ->orderByDesc('id')
                    ->first();
                if ($begun !== null) {
                    return $begun;
                }
                [$import, $warnings] = $take($parcel, $by);
                array_map(fn (string $warning) => $this->warn($warning), $warnings);

                return $import;
            } finally {
                Auth::forgetUser();
            }
        });
    }

    private function read(Import $import, Parcel $parcel, TakeParcel $take): int
    {
        for ($count = 0; $take->readNext($import, $parcel); $count++) {
            $count > 0 && $count % 100 === 0 && $this->line("{$count} read");
        }

        return $count;
    }
}
