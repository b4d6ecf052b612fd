<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Round;
use App\Models\Sight;
use App\Models\Signer;
use Illuminate\Support\Facades\DB;
use Unanimus\Forms\Library;
use Unanimus\Signing\SignerStatus;

/** What is done while faults are tried. Only what the copy says was done is noted. */
final class ProveJobs
{
    /**
     * @var array{email: string, files: list<string>, blanks: list<array{string, string}>, rounds: list<array<string, mixed>>,
     *     imports: list<string>}
     */
    private readonly array $laid;

    public function __construct(private readonly string $folder, private readonly int $number, private readonly float $until)
    {
        $laid = is_file("{$folder}/prepared.json") ? (string) file_get_contents("{$folder}/prepared.json") : '';
        $this->laid = json_decode($laid, true) ?? ['email' => '', 'files' => [], 'blanks' => [], 'rounds' => [], 'imports' => []];
    }

    public function fill(): void
    {
        $person = $this->colleague();
        for ($n = 0; microtime(true) < $this->until; $n++) {
            [$paper, $blank] = $this->laid['blanks'][random_int(0, count($this->laid['blanks']) - 1)];
            $key = "prove-{$this->number}-{$n}-".bin2hex(random_bytes(4));
            $said = $person->post("/papers/{$paper}/entries", ['blank' => $blank, 'value' => "Prove {$n}", 'key' => $key]);
            $this->note('entry', $key, $said);
            usleep(random_int(20_000, 200_000));
        }
    }

    public function bring(): void
    {
        $person = $this->colleague();
        $pdf = (string) file_get_contents(app(Library::class)->form('Q-05')->pdf);
        for ($n = 0; microtime(true) < $this->until; $n++) {
            $file = $this->laid['files'][random_int(0, count($this->laid['files']) - 1)];
            $key = "prove-{$this->number}-{$n}-".bin2hex(random_bytes(4));
            $this->note('upload', $key, $person->post("/files/{$file}/papers", [
                // Of each one other bytes, so that none is taken for another.
                ['name' => 'pdf', 'contents' => "{$pdf}\n% {$key}\n", 'filename' => "Survey {$n}.pdf"],
                ['name' => 'key', 'contents' => $key],
            ], isFile: true));
            usleep(random_int(500_000, 2_000_000));
        }
    }

    /** Tables are moved in one after the other, each begun twice, as by a double click. */
    public function move(): void
    {
        $person = $this->colleague();
        $pause = max(0.0, $this->until - microtime(true)) / max(1, count($this->laid['imports']));
        foreach ($this->laid['imports'] as $import) {
            $said = $person->post("/imports/{$import}/start", []);
            $person->post("/imports/{$import}/start", []);
            $this->note('import', $import, $said);
            usleep((int) ($pause * 800_000));
        }
    }

    /** Each signer of each round, one after the other; an agent waits for the buyers' turn to end. */
    public function sign(): void
    {
        foreach ($this->laid['rounds'] as $round) {
            foreach ($round['signers'] as $link) {
                microtime(true) < $this->until && $this->signs($round['key'], $link);
            }
        }
    }

    private function signs(string $round, string $link): void
    {
        $person = new ProvePerson((string) config('app.url'), $this->until);
        $key = explode('.', basename($link))[0];
        $this->isTheirTurn($key) || $this->note('turn', $key, false);
        $person->get($link);
        $person->post("{$link}/consent", ['agree' => '1']);
        $person->post("{$link}/adopt", ['name' => 'Somebody', 'initials' => 'SB', 'hand' => 'plain']);
        foreach ($this->owed($round, $key) as $mark) {
            $person->post("{$link}/marks/{$mark}", []);
        }
        $this->note('signature', $key, $person->post("{$link}/finish", []) || $this->hasFinished($key));
    }

    private function isTheirTurn(string $key): bool
    {
        for ($end = microtime(true) + 60; microtime(true) < $end; usleep(300_000)) {
            if ($this->read(static fn (): bool => Signer::query()->where('key', $key)->firstOrFail()->status->isAsked()) === true) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    private function owed(string $round, string $key): array
    {
        return $this->read(static function () use ($round, $key): array {
            $seat = (string) Signer::query()->where('key', $key)->value('seat');
            $state = Round::query()->where('key', $round)->with(['signers', 'marks', 'events'])->firstOrFail()->state();

            return array_map(strval(...), array_values($state->owes($seat)));
        }) ?? [];
    }

    private function hasFinished(string $key): bool
    {
        return $this->read(
            static fn (): bool => Signer::query()->where('key', $key)->firstOrFail()->status === SignerStatus::Finished,
        ) === true;
    }

    /**
     * Looks into the database, which may be on its way back.
     *
     * @template T
     *
     * @param callable(): T $look
     * @return T|null
     */
    private function read(callable $look): mixed
    {
        for ($end = microtime(true) + 60; microtime(true) < $end; usleep(300_000)) {
            try {
                return Sight::within(Sight::brokerages()[0], $look);
            } catch (\Throwable) {
                DB::purge();
            }
        }

        return null;
    }

    private function colleague(): ProvePerson
    {
        $person = new ProvePerson((string) config('app.url'), $this->until);
        $person->get('/sign-in');
        $person->post('/sign-in', ['email' => $this->laid['email'], 'password' => 'heron-weir-lantern']);
        $person->get('/');

        return $person;
    }

    private function note(string $what, string $key, bool $isSaid): void
    {
        file_put_contents(
            "{$this->folder}/noted-{$this->number}.jsonl",
            json_encode(['what' => $what, 'key' => $key, 'said' => $isSaid])."\n",
            FILE_APPEND,
        );
    }
}
