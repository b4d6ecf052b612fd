<?php

declare(strict_types=1);

namespace App\Office\Console;

use App\Access\OwnSeal;
use App\History\History;
use App\Models\Brokerage;
use App\Models\Sight;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Artisan;
use Unanimus\Evidence\SealBroken;

/** Gives a brokerage a seal of its own: out of a PEM file, or by the local authority in its name. */
final class SealOfBrokerage extends Command
{
    protected $signature = 'brokerage:seal {number : as brokerage:open told it}
        {pem? : file with key, certificate and those above; without it the local authority makes one}';

    protected $description = 'Gives a brokerage a seal of its own';

    public function handle(): int
    {
        $id = (int) $this->argument('number');
        $brokerage = in_array($id, Sight::brokerages(), true)
            ? Sight::within($id, static fn (): ?Brokerage => Brokerage::query()->find($id))
            : null;
        if ($brokerage === null) {
            $this->error("There is no brokerage {$id}. Nothing was changed.");

            return self::INVALID;
        }
        $file = $this->argument('pem');
        $pem = $file === null ? $this->made($id, $brokerage->name) : @file_get_contents((string) $file);
        try {
            $pem !== false || throw SealBroken::notMade("{$file} cannot be read");
            OwnSeal::give($id, $pem);
        } catch (SealBroken $broken) {
            $this->error("{$broken->getMessage()} Nothing was changed.");

            return self::FAILURE;
        }
        $name = (string) (openssl_x509_parse($pem)['subject']['CN'] ?? '');
        Sight::within($id, static fn () => History::ofBrokerage($id, 'Seal changed', ['seal' => $name]));
        $this->info("{$brokerage->name} seals as “{$name}”. What was sealed before holds as it did.");

        return self::SUCCESS;
    }

    private function made(int $id, string $name): string
    {
        Artisan::call('authority:prepare', ['--seal-for' => (string) $id, '--owner' => $name]);

        return (string) file_get_contents(config('unanimus.authority')."/own-{$id}.pem");
    }
}
