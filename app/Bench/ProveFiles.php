<?php

declare(strict_types=1);

namespace App\Bench;

use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\Sight;
use App\Models\Signer;
use App\Models\User;
use App\Moving\Actions\ImportFiles;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\SendRound;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Auth;
use Unanimus\Forms\Library;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\Representation;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Kind;

/** Files to work on while faults are tried: some with papers to fill in, some with papers that are out for signature. */
final class ProveFiles
{
    public function __construct(private readonly Library $library, private readonly ProvePurge $purge)
    {
    }

    /** Rows of each table that is moved in. */
    public const ROWS = 12;

    /**
     * @return array{email: string, files: list<string>, blanks: list<array{string, string}>, rounds: list<array<string, mixed>>,
     *     imports: list<string>, old: list<array{key: string, sha256: string}>}
     */
    public function lay(int $rounds, int $old): array
    {
        return Sight::within(Sight::brokerages()[0], function () use ($rounds, $old): array {
            $by = User::query()->orderBy('id')->firstOrFail();
            Auth::setUser($by);
            $laid = ['email' => $by->email, 'files' => [], 'blanks' => [], 'rounds' => [], 'imports' => []];
            $laid['old'] = $this->purge->lay($by, $old);
            for ($n = 0; $n < $rounds; $n++) {
                $file = $this->file($by, $n);
                $laid['files'][] = $file->key;
                $laid['rounds'][] = $this->round($file, $by);
                $laid['blanks'] = [...$laid['blanks'], ...$this->blanks($file)];
                $n % 3 === 0 && $laid['imports'][] = $this->import($by, $n);
            }

            return $laid;
        });
    }

    private function file(User $by, int $n): DealFile
    {
        $file = app(OpenFile::class)($by, Representation::Buyer);
        foreach ([1, 2] as $seat) {
            app(SetParty::class)($file, Seat::of("buyer.{$seat}"), new PartyDetails(
                name: ['Sunniva Eide', 'Beatrix Palomar'][$seat - 1],
                email: "buyer{$seat}.{$n}@client.example",
            ));
        }
        app(SetFact::class)->many($file, [
            'property.street' => (14 + $n).' Lanternfish Lane',
            'property.city' => 'Tidewick',
            'price' => '412,500',
            'offer_date' => now()->format('Y-m-d'),
        ]);

        return $file->refresh()->load(['office', 'parties', 'knownFacts', 'papers', 'requirements', 'members']);
    }

    /** A table whose columns are matched and whose rows were tried: nothing is opened yet. */
    private function import(User $by, int $n): string
    {
        $rows = array_map(
            static fn (int $row) => "Moved {$n} Row {$row},Pellingford,{$by->email},buyer",
            range(1, self::ROWS),
        );
        $table = "Street,City,Agent,Side\n".implode("\n", $rows)."\n";
        [$import] = app(ImportFiles::class)->take($table, "Moved {$n}.csv", $by, app(Bytes::class));
        app(ImportFiles::class)->try($import, $import->matched, (int) $import->office_id, $by);

        return $import->key;
    }

    /** @return array{key: string, signers: list<string>} */
    private function round(DealFile $file, User $by): array
    {
        $papers = $file->papers()->where('form_number', 'M-102')->get()->all();
        $round = app(ComposeRound::class)($file, array_values($papers), $by);
        app(SendRound::class)($round);
        $signers = Signer::query()->where('round_id', $round->id)->orderBy('turn')->orderBy('seat')->get();

        return [
            'key' => $round->key,
            'signers' => array_values($signers->map(static fn (Signer $one) => (string) parse_url($one->link(), PHP_URL_PATH))->all()),
        ];
    }

    /** @return list<array{string, string}> */
    private function blanks(DealFile $file): array
    {
        $found = [];
        $papers = $file->papers()->whereNotNull('form_number')->where('form_number', '<>', 'M-102')->get();
        foreach ($papers as $paper) {
            foreach ($this->library->form((string) $paper->form_number)->blanks as $blank) {
                $blank->kind === Kind::Text && $blank->binding === null && $found[] = [$paper->key, $blank->name];
            }
        }

        return $found;
    }
}
