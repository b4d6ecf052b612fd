<?php

declare(strict_types=1);

namespace App\Office\Console;

use App\Access\OwnAddress;
use App\History\History;
use App\Models\Sight;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Gives a brokerage an address of its own; the operator's alone, by the database's owner. */
final class AddressBrokerage extends Command
{
    protected $signature = 'brokerage:address {number : as brokerage:open told it}
        {address : such as https://deals.fernhollow.example, or none} {--database=owner}';

    protected $description = 'Says at which address of its own a brokerage is reached';

    public function handle(): int
    {
        $address = strtolower(rtrim(trim((string) $this->argument('address')), '/'));
        $database = DB::connection((string) $this->option('database'));
        $host = (string) preg_replace('~^https?://~', '', $address);
        $number = (int) $this->argument('number');
        $of = $database->table('brokerages')->where('id', $number);
        $whose = $database->selectOne('SELECT id FROM brokerage_at(?)', [$host])->id ?? null;
        $own = $address === 'none' ? null : $address;
        $refused = match (true) {
            $of->clone()->doesntExist() => "There is no brokerage {$this->argument('number')}.",
            $own === null => null,
            preg_match('~^https?://[a-z\d]([a-z\d.-]*[a-z\d])?(:\d{2,5})?$~', $address) !== 1 => "“{$address}” is no address. ".
                'Write it such as https://deals.fernhollow.example, without anything behind the name.',
            $address === strtolower(rtrim((string) config('app.url'), '/')) => 'That is the address of the installation itself.',
            ! in_array($host, OwnAddress::known(), true) => 'This installation does not answer at that '.
                'name yet. Add it to UNANIMUS_HOSTS and to the certificate first.',
            ! in_array($whose, [null, $number], true) => 'Another brokerage has that address.',
            default => null,
        };
        if ($refused !== null) {
            $this->error("{$refused} Nothing was changed.");

            return self::INVALID;
        }
        if ($of->clone()->value('address') !== $own) {
            $of->clone()->update(['address' => $own]);
            Sight::within($number, static fn () => History::ofBrokerage(
                $number,
                $own === null ? 'Own address taken away' : 'Own address given',
                ['address' => $own ?? (string) config('app.url')],
            ));
        }
        $name = (string) $of->value('name');
        $this->info($own === null ? "{$name} is reached at the address of the installation." : "{$name} is reached at {$address}.");

        return self::SUCCESS;
    }
}
