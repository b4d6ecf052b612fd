<?php

declare(strict_types=1);

namespace App\Demo;

use App\History\History;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Unanimus\History\Chain;

/**
 * Makes the demo's brokerage large, to see how lists and search bear it: files with people, facts, words, thirty papers
 * each over shared bytes, and a hundred history entries each in a chain that holds. Written as the owner of the tables.
 */
final class Grow extends Command
{
    private const PAPERS = 30;

    private const ENTRIES = 100;

    protected $signature = 'demo:grow {files=20000 : how many files it is to have}';

    protected $description = 'Makes the demo a brokerage of many files, for measuring (needs the owner\'s word: ./unanimus bench seed)';

    public function handle(): int
    {
        DB::setDefaultConnection('owner');
        $brokerage = (int) DB::table('brokerages')->min('id');
        $more = (int) $this->argument('files') - DB::table('deal_files')->count();
        if ($more > 0) {
            DB::transaction(fn () => $this->grow($brokerage, $more));
            DB::unprepared('ANALYZE');
        }
        foreach (['deal_files' => 'files', 'papers' => 'papers', 'history' => 'history entries'] as $table => $what) {
            $this->info(number_format(DB::table($table)->count())." {$what}");
        }

        return self::SUCCESS;
    }

    private function grow(int $brokerage, int $more): void
    {
        $this->files($brokerage, $more);
        foreach (
            [
                'property.street' => 'street',
                'property.city' => 'town',
                'price' => "(150000 + i * 17 % 700000) || '.00'",
                'closing' => '(current_date + i % 60)::text',
                'acceptance' => '(current_date - i % 30)::text',
                'property.year_built' => '(1921 + i % 100)::text',
            ] as $name => $value
        ) {
            DB::statement(
                "INSERT INTO facts (brokerage_id, deal_file_id, name, value, source) SELECT ?, id, ?, {$value}, 'entered' FROM grown",
                [$brokerage, $name],
            );
        }
        DB::statement(
            'INSERT INTO parties (key, brokerage_id, deal_file_id, role, number, name, signing_name, initials) SELECT '.
                "upper(substr(md5('party' || id), 1, 26)), ?, id, 'buyer', 1, buyer, buyer, 'B' FROM grown",
            [$brokerage],
        );
        DB::statement(
            "INSERT INTO search_rows (deal_file_id, brokerage_id, words) SELECT id, ?, lower(street || ' ' || town || ' ' || buyer || ' ".
                "tr 25 ' || (20000 + i)) FROM grown",
            [$brokerage],
        );
        $this->papers($brokerage);
        $this->history($brokerage);
    }

    private function files(int $brokerage, int $more): void
    {
        DB::statement(
            'CREATE TEMPORARY TABLE grown ON COMMIT DROP AS
            WITH agents AS (SELECT user_id, office_id, row_number() OVER (ORDER BY user_id) - 1 AS n, count(*) OVER () AS all_of
                FROM office_roles WHERE role = \'agent\')
            SELECT nextval(pg_get_serial_sequence(\'deal_files\', \'id\')) AS id, i, a.user_id, a.office_id,
                (100 + i) || (ARRAY[\' Sawmill Terrace\', \' Fennel Row\', \' Gannet Steps\', \' Heron Weir\',
                    \' Netloft Lane\', \' Thistle Hollow\', \' Saltpan Lane\'])[1 + i % 7] AS street,
                (ARRAY[\'Pellingford\', \'Tidewick\', \'Upper Quoin\', \'Saltreach\'])[1 + i % 4] AS town,
                (ARRAY[\'Mira Ashdown\', \'Joachim Okonjo\', \'Adaeze Vandermeer\',
                    \'Linus Castellanos\', \'Perpetua Merriweather\', \'Zofia Lindqvist\'])[1 + i % 6] || \' \' || i AS buyer,
                CASE WHEN i % 33 = 0 THEN \'under_contract\' ELSE \'closed\' END AS status
            FROM generate_series(1, ?) AS i JOIN agents a ON a.n = i % a.all_of',
            [$more],
        );
        DB::statement(
            "INSERT INTO deal_files (id, key, brokerage_id, office_id, name, represents, kind, status, listing_number,
                required, settled, closed_on, opened_by) OVERRIDING SYSTEM VALUE
            SELECT id, upper(substr(md5('grown' || id), 1, 26)), ?, office_id, street || ', ' || town, 'buyer', 'sale', status,
                'TR-25-' || (20000 + i), 7, i % 8, CASE WHEN status = 'closed' THEN current_date - i % 700 END, user_id FROM grown",
            [$brokerage],
        );
        DB::statement("INSERT INTO file_members (brokerage_id, deal_file_id, user_id, role) SELECT ?, id, user_id, 'agent' FROM grown", [
            $brokerage,
        ]);
    }

    private function papers(int $brokerage): void
    {
        $bytes = DB::table('paper_versions')
            ->where('brokerage_id', $brokerage)
            ->first(['sha256', 'pages']);
        DB::statement(
            "INSERT INTO papers (key, brokerage_id, deal_file_id, title, stage, state, position)
            SELECT upper(substr(md5('paper' || id || '-' || n), 1, 26)), ?, id, 'Paper ' || n || ' from outside',
                (ARRAY['offer', 'contract', 'closing'])[1 + n % 3], 'ready', n FROM grown, generate_series(1, ?) AS n",
            [$brokerage, self::PAPERS],
        );
        DB::statement(
            "INSERT INTO paper_versions (key, brokerage_id, deal_file_id, paper_id, number, made_by, sha256, pages)
            SELECT upper(substr(md5('version' || p.id), 1, 26)), p.brokerage_id, p.deal_file_id, p.id, 1, 'uploaded', ?, ?
            FROM papers p JOIN grown g ON g.id = p.deal_file_id",
            [$bytes->sha256, $bytes->pages],
        );
        DB::statement(
            "INSERT INTO requirements (key, brokerage_id, deal_file_id, paper_id, title, stage, position, review_state)
            SELECT upper(substr(md5('required' || p.id), 1, 26)), p.brokerage_id, p.deal_file_id, p.id, p.title, p.stage,
                p.position, 'accepted'
            FROM papers p JOIN grown g ON g.id = p.deal_file_id WHERE p.position <= 7",
            [],
        );
    }

    private function history(int $brokerage): void
    {
        $pdo = DB::connection()->getPdo();
        foreach (DB::table('grown')->orderBy('id')->pluck('id')->chunk(200) as $some) {
            $lines = [];
            foreach ($some as $file) {
                array_push($lines, ...$this->chain($brokerage, (int) $file));
            }
            $pdo->pgsqlCopyFromArray('history (brokerage_id, deal_file_id, seq, at, who, what, data, before, hash)', $lines);
            $some->each(static fn (int $file) => History::sealHead($brokerage, $file));
        }
    }

    /** @return list<string> */
    private function chain(int $brokerage, int $file): array
    {
        $lines = [];
        $before = Chain::START;
        for ($seq = 1; $seq <= self::ENTRIES; $seq++) {
            $at = gmdate('Y-m-d\TH:i:s', 1_760_000_000 + $file * 500 + $seq * 60).'.000000Z';
            // As the database writes it: a space behind each colon.
            $data = '{"paper": "Paper '.(($seq % self::PAPERS) + 1).' from outside"}';
            $hash = Chain::hash($before, [
                (string) $brokerage,
                (string) $file,
                (string) $seq,
                $at,
                'Unanimus',
                null,
                'paper.brought',
                $data,
                null,
                'false',
            ]);
            $lines[] = implode("\t", [$brokerage, $file, $seq, $at, 'Unanimus', 'paper.brought', $data, $before, $hash]);
            $before = $hash;
        }

        return $lines;
    }
}
