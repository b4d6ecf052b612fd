<?php

declare(strict_types=1);

namespace App\Demo;

use App\Models\Office;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/** Lays out the demo: the brokerage, its people, the scenario's files and generated ones. Repeatable: it does nothing when it is there. */
final class Seed extends Command
{
    public const PASSWORD = 'lanternfish';

    private const PEOPLE = [
        ['Ines Okafor-Lund', 'ines', [['Pellingford', Role::Broker], ['Tidewick', Role::Broker]]],
        ['Dario Velasquez-Thorne', 'dario', [['Tidewick', Role::Broker]]],
        ['Wendell Achterberg', 'wendell', [['Pellingford', Role::Coordinator], ['Tidewick', Role::Coordinator]]],
        ['Marguerite Osei', 'marguerite', [['Pellingford', Role::Bookkeeper], ['Tidewick', Role::Bookkeeper]]],
        ['Fenna Holtrop', 'fenna', [['Pellingford', Role::Administrator], ['Tidewick', Role::Administrator]]],
        ['Tomás Reyes-Whitlock', 'tomas', [['Tidewick', Role::Agent]]],
        ['Priya Anand', 'priya', [['Pellingford', Role::Agent]]],
        ['Caleb Nakagawa', 'caleb', [['Pellingford', Role::Agent]]],
        ['Rosalind Mbeki-Stroud', 'rosalind', [['Tidewick', Role::Agent]]],
        ['Anselm Fairweather-Ito', 'anselm', [['Pellingford', Role::Agent]]],
        ['Greta Lindholm-Osei', 'greta', [['Tidewick', Role::Agent]]],
        ['Malachi Thornbury', 'malachi', [['Pellingford', Role::Agent]]],
        ['Yusra Haddad-Bloom', 'yusra', [['Tidewick', Role::Agent]]],
    ];

    protected $signature = 'demo:seed {--people : only the brokerage and its people} {--generated=200 : how many generated files}';

    protected $description = 'Lays out the demo';

    public function handle(): int
    {
        if (Sight::brokerages() !== []) {
            $this->info('The demo is there already.');

            return self::SUCCESS;
        }
        DB::transaction(function (): void {
            $people = self::people();
            if ($this->option('people')) {
                return;
            }
            // One story for all of them, told within this transaction.
            app()->instance(Story::class, new Story());
            // What is told of the office itself follows the days: its history does too.
            app(Keeping::class)->rules($people);
            app(Scenario::class)->lay($people);
            app(MoreFiles::class)->lay($people);
            app(OwnSheets::class)->lay($people);
            app(OfficeDay::class)->lay($people);
            app(Talk::class)->lay($people);
            app(Keeping::class)->lay($people);
            app(Generator::class)->lay($people, (int) $this->option('generated'));
            app(ComingAndGoing::class)->lay($people);
            app(OnTheShelf::class)->lay($people);
            app(MovingIn::class)->lay($people);
            app(Figures::class)->debt($people);
            app(Keeping::class)->purged($people);
            // Told of days that are over, but asked for only now.
            DB::table('jobs')->where('available_at', '<', time())->update(['available_at' => time(), 'created_at' => time()]);
        });
        $this->option('people') || array_map(app(OfficeDay::class)->mail(...), $this->laidOut());
        $this->option('people') || array_map(app(Talk::class)->mail(...), $this->laidOut());
        $this->info('The demo is laid out.');

        return self::SUCCESS;
    }

    /** @return list<int> */
    private function laidOut(): array
    {
        return Sight::brokerages();
    }

    /** @return array<string, User> by short name */
    public static function people(): array
    {
        $id = (int) DB::selectOne("SELECT nextval(pg_get_serial_sequence('brokerages', 'id')) AS id")->id;
        Sight::ofBrokerage($id);
        DB::insert('INSERT INTO brokerages (id, key, name) OVERRIDING SYSTEM VALUE VALUES (?, ?, ?)', [
            $id,
            (string) Str::ulid(),
            'Quillmark Realty',
        ]);
        $offices = [];
        foreach (['Pellingford', 'Tidewick'] as $name) {
            $offices[$name] = Office::create(['brokerage_id' => $id, 'name' => $name, 'zone' => 'America/New_York', 'holidays' => []]);
        }
        $password = Hash::make(self::PASSWORD);
        $people = [];
        foreach (self::PEOPLE as $index => [$name, $short, $roles]) {
            $people[$short] = User::create([
                'brokerage_id' => $id,
                'name' => $name,
                'email' => "{$short}@quillmark.example",
                'phone' => sprintf('(555) 555-01%02d', 10 + $index),
                'password' => $password,
            ]);
            foreach ($roles as [$office, $role]) {
                OfficeRole::create([
                    'brokerage_id' => $id,
                    'user_id' => $people[$short]->id,
                    'office_id' => $offices[$office]->id,
                    'role' => $role->value,
                ]);
            }
        }

        return $people;
    }
}
