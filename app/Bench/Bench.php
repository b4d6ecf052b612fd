<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Round;
use App\Models\Sight;
use App\Models\User;
use App\Overview\Finder;
use App\Signing\Actions\ComposeRound;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Evidence\EvidenceRecord;
use Unanimus\Evidence\Seal;
use Unanimus\Evidence\SigningKey;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Finding\Query;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Forms\Library;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageStamp;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetPart;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;

/** Measures what the budgets name, each beside its floor, in one run on the running demo. */
final class Bench extends Command
{
    protected $signature = 'bench';

    protected $description = 'Costs as ratios to their floors';

    public function handle(Library $library, Press $press, TimeStamps $stamps, SixtyPapers $sixty): int
    {
        $this->line(sprintf('%-44s %9s %9s %7s %8s', 'what', 'ours ms', 'floor ms', 'ratio', 'budget'));
        $sixty->during(function (DealFile $file): void {
            $this->filePage($file);
            $this->desk($file);
            foreach (AroundTheDeal::of($file) as $what => $cost) {
                $this->beside($what, 4.0, $cost);
            }
            foreach (IntakeAndReview::of($file) as $what => $cost) {
                $this->beside($what, 4.0, $cost);
            }
        });
        $this->pages();
        $this->fill($library->form('M-201'), $press);
        $this->assemble($library, $press);
        $this->seal($library, $press, $stamps);
        $this->line(sprintf('a plan year of 500 agents, 6,000 sheets, reckoned anew: %.1f s (budget 20)', PlanYearAnew::seconds()));
        $this->line('a brokerage moves out: '.AroundTheDeal::movingOut());
        $this->line('places on the library’s forms: '.Proposals::of($library));
        $this->line('the same scanned, four forms: '.Proposals::of($library, ['M-101', 'M-102', 'M-201', 'M-215'], scanned: true));

        return self::SUCCESS;
    }

    private function filePage(DealFile $file): void
    {
        $visitor = new Visitor((string) config('app.url'));
        $visitor->signIn('wendell@quillmark.example', \App\Demo\Seed::PASSWORD);
        $this->beside(
            'file page, 60 papers, 8 seats',
            2.0,
            Clock::beside(
                static fn () => $visitor->get("/files/{$file->key}"),
                static fn () => $visitor->get('/style/empty'),
                before: Clock::WARM,
            ),
        );
    }

    private function desk(DealFile $file): void
    {
        $brokerage = Sight::brokerages()[0];
        $round = Sight::within($brokerage, static function () use ($file): Round {
            $user = User::query()->where('email', 'tomas@quillmark.example')->firstOrFail();
            Auth::setUser($user);
            $file->load(['office', 'parties', 'knownFacts', 'members', 'papers.latest']);
            $papers = [];
            $pages = 0;
            foreach ($file->papers->filter(static fn (Paper $paper) => $paper->state->isOpen()) as $paper) {
                $count = count($paper->form()->pages ?? []) ?: $paper->latest->pages ?? 0;
                if ($pages + $count <= 80) {
                    $papers[] = $paper;
                    $pages += $count;
                }
            }

            return app(ComposeRound::class)($file, $papers, $user);
        });
        $visitor = new Visitor((string) config('app.url'));
        $visitor->signIn('tomas@quillmark.example', \App\Demo\Seed::PASSWORD);
        [$pages, $signers] = Sight::within($brokerage, static fn () => [$round->papers()->sum('pages'), $round->signers()->count()]);
        $this->beside(
            "composing desk, {$pages} pages, {$signers} signers",
            4.0,
            Clock::beside(
                static fn () => $visitor->get("/rounds/{$round->key}"),
                static fn () => $visitor->get('/style/empty'),
                before: Clock::WARM,
            ),
        );
        Sight::within($brokerage, static fn () => $round->delete());
    }

    private function pages(): void
    {
        $visitor = new Visitor((string) config('app.url'));
        $visitor->signIn('wendell@quillmark.example', \App\Demo\Seed::PASSWORD);
        [$file, $paper] = Sight::within(Sight::brokerages()[0], static function (): array {
            $file = DealFile::query()->orderBy('id')->firstOrFail();

            return [$file->key, Paper::query()->where('deal_file_id', $file->id)->where('form_number', 'M-222')->firstOrFail()->key];
        });
        $empty = static fn () => $visitor->get('/style/empty');
        $this->beside(
            'file page, the scenario’s first file',
            2.0,
            Clock::beside(static fn () => $visitor->get("/files/{$file}"), $empty, before: Clock::WARM),
        );
        $this->search($visitor);
        $this->beside('Today, its open files', 2.5, Clock::beside(static fn () => $visitor->get('/'), $empty, before: Clock::WARM));
        $n = 0;
        $this->beside(
            'store one entry',
            1.4,
            Clock::beside(
                static function () use ($visitor, $paper, &$n): void {
                    $visitor->post("/papers/{$paper}/entries", [
                        'blank' => 'manager',
                        'value' => 'Bench '.$n,
                        'key' => 'bench-'.bin2hex(random_bytes(6)).$n++,
                    ]);
                },
                $empty,
                before: Clock::WARM,
            ),
        );
        $this->beside('page image, cached', 2.0, Clock::beside(static fn () => $visitor->get("/papers/{$paper}/pages/1.webp"), $empty));
    }

    /** Finding as the field does it while one types, against the same SQL by psql: each connects, says who it is, and asks. */
    private function search(Visitor $visitor): void
    {
        $words = ['lantern', 'thistle ashdown', 'netloft upper', 'lanternfsh', '26 04182', 'okonjo 17', 'gannet steps'];
        $costs = array_map(
            static fn (string $word) => Clock::median(static fn () => $visitor->get('/find?q='.rawurlencode($word)), 5),
            $words,
        );
        [$scripts, $bare, $count] = Sight::within(Sight::brokerages()[0], function () use ($words): array {
            $user = User::query()->where('email', 'wendell@quillmark.example')->firstOrFail();
            Sight::ofPerson($user);
            $told = implode(
                ' ',
                array_map(
                    static fn (string $name) => "SELECT set_config('unanimus.{$name}', '".
                        (string) DB::scalar("SELECT current_setting('unanimus.{$name}', true)").
                        "', true);",
                    ['brokerage', 'person', 'offices', 'file', 'sight'],
                ),
            );
            $queries = array_map(static fn (string $word) => Finder::find(Query::parse($word), $user)->limit(6), $words);

            return [
                array_map(static fn ($query) => "BEGIN; {$told} {$query->toRawSql()}; COMMIT;", $queries),
                array_map(
                    static fn ($query) => Clock::median(static fn () => DB::select($query->toSql(), $query->getBindings()), 5),
                    $queries,
                ),
                DB::table('search_rows')->count(),
            ];
        });
        $scratch = new Scratch();
        $floor = array_map(static fn (string $script) => Clock::median(self::psql($scratch->put('search.sql', $script)), 5), $scripts);
        [$cost, $least] = [self::middle($costs), self::middle($floor)];
        $this->beside("search as typed, {$count} files", 3.0, [$cost, $least]);
        $this->line(sprintf('%-44s %9.1f', '  its slowest word', max($costs)));
        $this->line(sprintf('%-44s %9.1f', '  of psql, the statement alone', self::middle($bare)));
    }

    /** @return callable(): void one run of a script by psql, as the application's role */
    private static function psql(string $script): callable
    {
        $database = (array) config('database.connections.'.config('database.default'));
        $command =
            'PGPASSWORD='.
            escapeshellarg((string) $database['password']).
            ' psql -X -q -A -t -h '.
            escapeshellarg((string) $database['host']).
            ' -p '.
            escapeshellarg((string) $database['port']).
            ' -U '.
            escapeshellarg((string) $database['username']).
            ' -d '.
            escapeshellarg((string) $database['database']).
            ' -f '.
            escapeshellarg($script).
            ' >/dev/null';

        return static function () use ($command): void {
            exec($command, $said, $code);
            $code === 0 || throw new \RuntimeException('psql could not run the search.');
        };
    }

    /** @param  non-empty-list<float>  $costs */
    private static function middle(array $costs): float
    {
        sort($costs);

        return $costs[intdiv(count($costs), 2)];
    }

    private function fill(Form $form, Press $press): void
    {
        $entries = $this->entries($form);
        $ours = static fn () => $press->drawOver($form->pdf, FilledPages::draw($form, Filling::of($form, $entries, Facts::from([]))));
        $drawings = FilledPages::draw($form, Filling::of($form, $entries, Facts::from([])));
        $scratch = new Scratch();
        $pages = [];
        foreach ($drawings as $page => $drawing) {
            $pages[] = $scratch->put("{$page}.svg", $drawing->svg());
        }
        $conf = (string) storage_path('framework/cache/press/fonts.conf');
        $floor = static function () use ($scratch, $pages, $form, $drawings, $conf): void {
            exec(
                'FONTCONFIG_FILE='.
                    escapeshellarg($conf).
                    ' rsvg-convert -f pdf -o '.
                    $scratch->path('o.pdf').
                    ' '.
                    implode(' ', $pages).
                    ' && qpdf --warning-exit-0 --deterministic-id '.
                    escapeshellarg($form->pdf).
                    ' --decrypt --flatten-annotations=all --overlay '.
                    $scratch->path('o.pdf').
                    ' --to='.
                    implode(',', array_keys($drawings)).
                    ' -- --object-streams=generate '.
                    $scratch->path('f.pdf'),
            );
        };
        $this->beside('fill '.count($form->pages).' pages, '.count($entries).' entries', 1.1, Clock::beside($ours, $floor));
    }

    private function assemble(Library $library, Press $press): void
    {
        [$papers, $pages] = $this->eightyPages($library, $press, $kept = new Scratch());
        $ours = static fn () => $press->assemble(
            $papers,
            static fn (int $page, int $count) => PageStamp::Count->foot($page, $count, '', 1, 1),
        );
        $scratch = new Scratch();
        $floor = static fn () => (new NativeTool())->run([
            'qpdf',
            '--empty',
            '--pages',
            ...array_merge(...array_map(static fn (SetPart $paper) => [$paper->pdf, '1-z'], $papers)),
            '--',
            $scratch->path('m.pdf'),
        ]);
        $this->beside("assemble {$pages} pages", 1.2, Clock::beside($ours, $floor, 7));
        unset($kept);
    }

    private function seal(Library $library, Press $press, TimeStamps $stamps): void
    {
        [$papers, $pages] = $this->eightyPages($library, $press, $kept = new Scratch());
        $key = SigningKey::fromPem((string) file_get_contents((string) config('unanimus.seal.key')));
        $marks = array_fill_keys(
            range(1, 8),
            (new Drawing(612, 792))->text(100, 500, 14, 'Sunniva Eide', 'Great Vibes')->text(300, 700, 9, 'SE'),
        );
        $scratch = new Scratch();
        $ours = static function () use ($papers, $press, $marks, $key, $stamps, $scratch): void {
            $drawings = [];
            $page = 0;
            foreach ($papers as $paper) {
                foreach (range(1, min(8, (int) $paper->pages)) as $on) {
                    $drawings[$page + $on] = $marks[$on];
                }
                $page += (int) $paper->pages;
            }
            $record = (new EvidenceRecord(
                'bench',
                'Bench',
                [],
                [],
                array_fill(0, 120, ['at' => 'now', 'who' => 'Someone', 'what' => 'Made a mark', 'from' => '127.0.0.1']),
                'UTC',
            ))->pages();
            $set = $press->assemble(
                [
                    ...$papers,
                    new SetPart('Evidence record', $scratch->put('record.pdf', $press->print($record)), count($record)),
                ],
                static fn (int $page) => $drawings[$page] ?? null,
            );
            (new Seal($key, $stamps, 'Bench'))->over($set, now()->toImmutable());
        };
        $svg = $scratch->put('s.svg', $marks[1]->svg());
        $conf = (string) storage_path('framework/cache/press/fonts.conf');
        $keys = (string) config('unanimus.authority');
        $floor = static function () use ($papers, $svg, $scratch, $conf, $keys): void {
            $parts = [];
            foreach ($papers as $index => $paper) {
                $count = min(8, (int) $paper->pages);
                exec(
                    'FONTCONFIG_FILE='.
                        escapeshellarg($conf).
                        ' rsvg-convert -f pdf -o '.
                        $scratch->path('o.pdf').
                        ' '.
                        implode(' ', array_fill(0, $count, $svg)).
                        ' && qpdf --warning-exit-0 '.
                        escapeshellarg($paper->pdf).
                        ' --overlay '.
                        $scratch->path('o.pdf').
                        " --to=1-{$count} -- ".
                        $scratch->path("f{$index}.pdf"),
                );
                $parts[] = $scratch->path("f{$index}.pdf").' 1-z';
            }
            exec(
                'qpdf --empty --pages '.
                    implode(' ', $parts).
                    ' -- '.
                    $scratch->path('all.pdf').
                    ' && openssl cms -sign -binary -in '.
                    $scratch->path('all.pdf').
                    " -signer {$keys}/seal.crt -inkey {$keys}/seal.key -outform DER -out ".
                    $scratch->path('all.p7s'),
            );
        };
        $this->beside("sealed set, {$pages} pages", 0.5, Clock::beside($ours, $floor, 3));
        unset($kept);
    }

    /** @return array{non-empty-list<SetPart>, int} */
    private function eightyPages(Library $library, Press $press, Scratch $scratch): array
    {
        $papers = [];
        $pages = 0;
        for ($i = 0; $pages < 80; $i++) {
            $form = $library->form(['M-201', 'M-102', 'M-214', 'M-230', 'M-201', 'M-102'][$i % 6]);
            $filled = $press->drawOver(
                $form->pdf,
                FilledPages::draw($form, Filling::of($form, $this->entries($form, (string) $i), Facts::from([]))),
            );
            $papers[] = new SetPart("{$form->title} {$i}", $scratch->put("{$i}.pdf", $filled), count($form->pages));
            $pages += count($form->pages);
        }

        return [$papers, $pages];
    }

    /** @return array<string, string> */
    private function entries(Form $form, string $mark = ''): array
    {
        $entries = [];
        foreach (array_slice($form->blanks, 0, 150) as $blank) {
            $entries[$blank->name] = match ($blank->kind) {
                Kind::Money => '412500.00',
                Kind::Percent => '96.5',
                Kind::Number => '10',
                Kind::Date => '2026-12-18',
                Kind::Time => '17:00',
                Kind::Tick => 'x',
                default => 'José Nguyễn-Ortiz'.$mark,
            };
        }

        return $entries;
    }

    /** @param  array{float, float}  $costs  ours and the floor's */
    private function beside(string $what, float $budget, array $costs): void
    {
        [$ours, $floor] = $costs;
        $ratio = $ours / max(0.001, $floor);
        $this->line(sprintf('%-44s %9.1f %9.1f %6.2f× %7.2f× %s', $what, $ours, $floor, $ratio, $budget, $ratio <= $budget ? '' : 'over'));
    }
}
