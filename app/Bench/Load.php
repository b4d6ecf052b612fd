<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Paper;
use App\Models\Sight;
use App\Models\Signer;
use App\Models\User;
use GuzzleHttp\Handler\CurlMultiHandler;
use GuzzleHttp\HandlerStack;
use GuzzleHttp\Promise\Utils;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Psr\Http\Message\ResponseInterface;
use Throwable;
use Unanimus\Forms\Library;
use Unanimus\Signing\SignerStatus;
use Unanimus\Terms\Kind;

/** Many people at work at once on the running demo: what is answered, how soon, and what that leaves behind in memory. */
final class Load extends Command
{
    /** So many may sign in from one address in a minute. */
    private const SIGN_INS = 28;

    protected $signature = 'bench:load {--people=50} {--pause=5 : seconds between what one of them does; 0 for none} {--minutes=10}';

    protected $description = 'What many people at once are answered';

    private CurlMultiHandler $multi;

    private LoadTally $tally;

    public function handle(Library $library): int
    {
        [$number, $pause, $minutes] = [(int) $this->option('people'), (float) $this->option('pause'), (float) $this->option('minutes')];
        if ($number < 1 || $number > 500 || $pause < 0 || $minutes <= 0) {
            $this->error('People: 1 to 500. Pause: seconds, or 0. Minutes: more than 0.');

            return self::INVALID;
        }
        $this->multi = new CurlMultiHandler(['select_timeout' => 0.01]);
        $this->tally = new LoadTally();
        [$addresses, $blanks, $more] = $this->whatIsThere($library);
        $people = $this->signIn($number, $addresses, $blanks);
        $before = self::memory();
        $began = microtime(true);
        $this->work($people, $pause, $began + $minutes * 60, $more);

        return $this->told(microtime(true) - $began, $pause, $before, self::memory());
    }

    /** @return array{list<string>, list<array{string, string}>, array{signers: list<string>, paper: string}} */
    private function whatIsThere(Library $library): array
    {
        return Sight::within(Sight::brokerages()[0], static function () use ($library): array {
            $blanks = [];
            foreach (Paper::query()->where('state', 'draft')->whereNotNull('form_number')->orderBy('id')->limit(40)->get() as $paper) {
                foreach ($library->form((string) $paper->form_number)->blanks as $blank) {
                    if ($blank->kind === Kind::Text && $blank->binding === null) {
                        $blanks[] = [$paper->key, $blank->name];
                        break;
                    }
                }
            }

            return [
                User::query()->where('guest', false)->whereNotNull('password')->where('email', 'like', '%@quillmark.example')
                    ->orderBy('id')->pluck('email')->all(),
                $blanks,
                [
                    'signers' => Signer::query()->whereIn('status', SignerStatus::asked())->limit(20)->get()
                        ->map(static fn (Signer $signer) => (string) parse_url($signer->link(), PHP_URL_PATH))->all(),
                    'paper' => (string) file_get_contents($library->form('Q-05')->pdf),
                ],
            ];
        });
    }

    /**
     * @param list<string> $addresses
     * @param list<array{string, string}> $blanks
     * @return list<LoadPerson>
     */
    private function signIn(int $number, array $addresses, array $blanks): array
    {
        $people = [];
        for ($n = 0; $n < $number; $n++) {
            if ($n > 0 && $n % self::SIGN_INS === 0) {
                $this->line("{$n} are signed in; the rest a minute later, for so many may in one");
                sleep(61);
            }
            $person = new LoadPerson((string) config('app.url'), HandlerStack::create($this->multi), $addresses[$n % count($addresses)]);
            $person->signIn(array_slice($blanks, $n % max(1, count($blanks)), 6)) && $people[] = $person;
        }
        $this->line(count($people).' people are signed in');

        return $people;
    }

    /**
     * @param list<LoadPerson> $people
     * @param array{signers: list<string>, paper: string} $more
     */
    private function work(array $people, float $pause, float $until, array $more): void
    {
        foreach ($people as $person) {
            $person->next = microtime(true) + $pause * lcg_value();
        }
        do {
            $now = microtime(true);
            $isBusy = false;
            foreach ($people as $person) {
                if ($now < $until && ! $person->isBusy && $person->next <= $now) {
                    $this->act($person, $pause, $more);
                }
                $isBusy = $isBusy || $person->isBusy;
            }
            $this->multi->tick();
            Utils::queue()->run();
            $isBusy || usleep(2_000);
        } while ($isBusy || $now < $until);
    }

    /** @param  array{signers: list<string>, paper: string}  $more */
    private function act(LoadPerson $person, float $pause, array $more): void
    {
        $person->isBusy = true;
        $start = microtime(true);
        [$what, $answer] = $person->act(random_int(0, 99), $more);
        $done = static function () use ($person, $pause, $start): void {
            $person->isBusy = false;
            // Nobody acts by the clock: half to one and a half of the pause.
            $person->next = $start + $pause * (0.5 + lcg_value());
        };
        $answer->then(
            function (ResponseInterface $answer) use ($what, $start, $person, $done): void {
                $this->tally->note($what, (microtime(true) - $start) * 1000, $answer->getStatusCode());
                if ($what !== 'a paper') {
                    $done();

                    return;
                }
                $began = microtime(true);
                $noted = fn (ResponseInterface $picture) => $this->tally
                    ->note('a page picture', (microtime(true) - $began) * 1000, $picture->getStatusCode());
                $all = array_map(static fn ($picture) => $picture->then($noted), $person->pictures((string) $answer->getBody()));
                Utils::settle($all)->then($done);
            },
            function (Throwable $failed) use ($what, $start, $done): void {
                $this->tally->note($what, (microtime(true) - $start) * 1000, 599);
                $this->warn("{$what}: {$failed->getMessage()}");
                $done();
            },
        );
    }

    /**
     * @param array{int, float, float, int} $before
     * @param array{int, float, float, int} $after
     */
    private function told(float $seconds, float $pause, array $before, array $after): int
    {
        $this->line(sprintf('%-16s %8s %8s %8s %8s', 'what', 'answers', 'p50 ms', 'p95 ms', 'p99 ms'));
        foreach ($this->tally->rows() as [$what, $count, $half, $most, $nearly]) {
            $this->line(sprintf('%-16s %8d %8.0f %8.0f %8.0f', $what, $count, $half, $most, $nearly));
        }
        $errors = array_sum($this->tally->errors());
        $pages = $this->tally->p95(array_values(array_diff($this->tally->kinds(), ['an entry', 'a page picture', 'uploading'])));
        $entries = $this->tally->p95(['an entry']);
        $rate = $this->tally->count() / $seconds;
        $this->line(sprintf('%d answers in %.0f s: %.1f a second, %d errors', $this->tally->count(), $seconds, $rate, $errors));
        foreach ($this->tally->errors() as $what => $count) {
            $this->line("  {$what}, {$count} times");
        }
        $this->line(sprintf(
            'memory of %d web workers, the mean and the largest: %.0f and %.0f MB before, %.0f and %.0f MB after; backends %d, then %d',
            $after[0],
            $before[1],
            $before[2],
            $after[1],
            $after[2],
            $before[3],
            $after[3],
        ));
        $holds = $pause > 0 ? $pages <= 400 && $entries <= 250 : $pages <= 700 && $rate >= 120;
        $this->line(sprintf(
            'p95 of pages %.0f ms, of entries %.0f ms; the budget: %s: %s',
            $pages,
            $entries,
            $pause > 0 ? 'pages 400, entries 250, no error' : '120 a second, pages 700, no error',
            $holds && $errors === 0 ? 'holds' : 'does not hold',
        ));

        return $errors === 0 ? self::SUCCESS : self::FAILURE;
    }

    /** @return array{int, float, float, int} web workers of this copy, megabytes of one at the mean and at most, backends */
    private static function memory(): array
    {
        $sizes = [];
        $state = dirname(storage_path());
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
            $said = (string) @file_get_contents($file);
            if (! str_contains($said, 'php-fpm: pool web')) {
                continue;
            }
            $status = (string) @file_get_contents(dirname($file).'/status');
            preg_match('/^PPid:\s+(\d+)/m', $status, $parent);
            preg_match('/^RssAnon:\s+(\d+)/m', $status, $own);
            $isOurs = str_contains((string) @file_get_contents('/proc/'.($parent[1] ?? 0).'/cmdline'), $state);
            $isOurs && $sizes[] = (int) ($own[1] ?? 0) / 1024;
        }

        return [
            count($sizes),
            $sizes === [] ? 0.0 : array_sum($sizes) / count($sizes),
            $sizes === [] ? 0.0 : max($sizes),
            (int) DB::scalar('SELECT count(*) FROM pg_stat_activity WHERE datname = current_database()'),
        ];
    }
}
