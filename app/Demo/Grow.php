<?php

declare(strict_types=1);

namespace App\Demo;

use App\Access\Sight;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Makes the demo's brokerage large, to see how lists and search bear it: files with people, facts and words, written by the database itself. */
final class Grow extends Command
{
    protected $signature = 'demo:grow {files=20000 : how many files it is to have}';

    protected $description = 'Makes the demo a brokerage of many files, for measuring';

    public function handle(): int
    {
        $brokerage = Sight::brokerages()[0];
        Sight::within($brokerage, function () use ($brokerage): void {
            $more = (int) $this->argument('files') - DB::table('deal_files')->count();
            if ($more > 0) {
                $this->grow($brokerage, $more);
            }
        });
        $this->info(number_format(Sight::within($brokerage, static fn () => DB::table('deal_files')->count())).' files');

        return self::SUCCESS;
    }

    private function grow(int $brokerage, int $more): void
    {
        DB::statement('CREATE TEMPORARY TABLE grown ON COMMIT DROP AS
            WITH agents AS (SELECT user_id, office_id, row_number() OVER (ORDER BY user_id) - 1 AS n, count(*) OVER () AS all_of FROM office_roles WHERE role = \'agent\')
            SELECT nextval(pg_get_serial_sequence(\'deal_files\', \'id\')) AS id, i, a.user_id, a.office_id,
                (100 + i) || (ARRAY[\' Sawmill Terrace\', \' Fennel Row\', \' Gannet Steps\', \' Heron Weir\', \' Netloft Lane\', \' Thistle Hollow\', \' Saltpan Lane\'])[1 + i % 7] AS street,
                (ARRAY[\'Pellingford\', \'Tidewick\', \'Upper Quoin\', \'Saltreach\'])[1 + i % 4] AS town,
                (ARRAY[\'Mira Ashdown\', \'Joachim Okonjo\', \'Adaeze Vandermeer\', \'Linus Castellanos\', \'Perpetua Merriweather\', \'Zofia Lindqvist\'])[1 + i % 6] || \' \' || i AS buyer,
                CASE WHEN i % 10 < 3 THEN \'under_contract\' ELSE \'closed\' END AS status
            FROM generate_series(1, ?) AS i JOIN agents a ON a.n = i % a.all_of', [$more]);
        DB::statement("INSERT INTO file_members (brokerage_id, deal_file_id, user_id, role) SELECT ?, id, user_id, 'agent' FROM grown", [$brokerage]);
        DB::statement("INSERT INTO deal_files (id, key, brokerage_id, office_id, name, side, kind, status, listing_number, required, settled, closed_on, opened_by) OVERRIDING SYSTEM VALUE
            SELECT id, upper(substr(md5('grown' || id), 1, 26)), ?, office_id, street || ', ' || town, 'buyer', 'sale', status, 'TR-25-' || (20000 + i), 7, i % 8, CASE WHEN status = 'closed' THEN current_date - i % 700 END, user_id FROM grown", [$brokerage]);
        foreach (['property.street' => 'street', 'property.city' => 'town', 'price' => "(150000 + i * 17 % 700000) || '.00'", 'closing' => '(current_date + i % 60)::text', 'acceptance' => '(current_date - i % 30)::text', 'property.year_built' => '(1921 + i % 100)::text'] as $name => $value) {
            DB::statement("INSERT INTO facts (brokerage_id, deal_file_id, name, value, source) SELECT ?, id, ?, {$value}, 'entered' FROM grown", [$brokerage, $name]);
        }
        DB::statement("INSERT INTO parties (key, brokerage_id, deal_file_id, role, number, name, signing_name, initials) SELECT upper(substr(md5('party' || id), 1, 26)), ?, id, 'buyer', 1, buyer, buyer, 'B' FROM grown", [$brokerage]);
        DB::statement("INSERT INTO search_rows (deal_file_id, brokerage_id, words) SELECT id, ?, lower(street || ' ' || town || ' ' || buyer || ' tr 25 ' || (20000 + i)) FROM grown", [$brokerage]);
    }
}
