<?php

declare(strict_types=1);

namespace App\Moving\Actions;

use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\History\History;
use App\Models\DealFile;
use App\Models\Import;
use App\Models\ImportLine;
use App\Models\Role;
use App\Models\User;
use App\Moving\Jobs\OpenImported;
use App\Requirements\Actions\ApplyKit;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Unanimus\Exchange\ColumnMatch;
use Unanimus\Exchange\ExchangeRefusal;
use Unanimus\Exchange\ImportRow;
use Unanimus\Exchange\Sheet;
use Unanimus\Files\SeenBy;
use Unanimus\Finding\Query;
use Unanimus\Moving\MovingRefusal;
use Unanimus\Parties\PartyDetails;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;

/**
 * Files from a spreadsheet: taken in, columns matched, tried without effect, then opened row by row. Each row is opened
 * in a transaction of its own that also says so beside the row, so that whatever happens in between, going on opens what
 * is left and nothing twice.
 */
final class ImportFiles
{
    public function __construct(
        private readonly OpenFile $open,
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
        private readonly ApplyKit $applyKit,
    ) {
    }

    /**
     * Takes a table in and proposes what its columns hold.
     *
     * @return array{Import, list<string>} and what in it to look at, with the lines
     */
    public function take(string $bytes, string $name, User $by, Bytes $store): array
    {
        $sheet = Sheet::read($bytes);
        $office = $by->officeRoles->firstOrFail()->office_id;
        $matched = ColumnMatch::propose(
            $sheet->headings,
            DB::table('column_matches')->where('brokerage_id', $by->brokerage_id)->pluck('fact', 'heading')->all(),
        );
        $import = Import::create([
            'brokerage_id' => $by->brokerage_id,
            'office_id' => $office,
            'user_id' => $by->id,
            'name' => mb_substr($name, 0, 120),
            'sha256' => $store->keep($by->brokerage_id, $bytes, 'text/csv'),
            'columns' => $sheet->headings,
            'matched' => $matched,
        ]);
        foreach (array_chunk($sheet->rows, 400, true) as $rows) {
            ImportLine::query()->insert(
                array_map(
                    static fn (int $number, array $cells) => [
                        'brokerage_id' => $import->brokerage_id,
                        'import_id' => $import->id,
                        'number' => $number,
                        'cells' => json_encode($cells, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                    ],
                    array_keys($rows),
                    $rows,
                ),
            );
        }

        return [$import, $sheet->warnings];
    }

    /**
     * Matches the columns and tries every row without effect.
     *
     * @param array<int, string> $matched
     *
     * @throws StepRefused when rows are being opened, or a thing is matched twice
     */
    public function try(Import $import, array $matched, int $officeId, User $by): void
    {
        if (in_array($import->state, ['running', 'done'], true)) {
            throw ExchangeRefusal::RowsAlreadyOpened->because();
        }
        $targets = ColumnMatch::targets();
        $matched = array_map(
            static fn (string $fact) => isset($targets[$fact]) ? $fact : '',
            array_replace(array_fill_keys(array_keys($import->columns), ''), array_intersect_key($matched, $import->columns)),
        );
        $twice = array_keys(array_filter(array_count_values(array_filter($matched)), static fn (int $times) => $times > 1));
        if ($twice !== []) {
            throw ExchangeRefusal::ColumnTwice->because(column: $targets[$twice[0]]);
        }
        foreach ($matched as $column => $fact) {
            DB::table('column_matches')->upsert(
                [['brokerage_id' => $import->brokerage_id, 'heading' => ColumnMatch::plain($import->columns[$column]), 'fact' => $fact]],
                ['brokerage_id', 'heading'],
                ['fact'],
            );
        }
        $import->update(['matched' => $matched, 'office_id' => $officeId, 'state' => 'tried']);
        $import->load('office');
        $agents = $this->agents();
        $seen = [];
        $twins = $this->numbersAndAddresses($import->brokerage_id);
        foreach ($import->lines()->where('outcome', '<>', 'opened')->get() as $line) {
            [$outcome, $told] = $this->judge($line, $import, $agents, $by, $seen, $twins);
            $line->update(['outcome' => $outcome, 'told' => $told]);
        }
    }

    /** Lets the worker open every row that fits. */
    public function start(Import $import): void
    {
        if ($import->state === 'matching') {
            throw ExchangeRefusal::NotTested->because();
        }
        if ($import->papers()->where('outcome', 'unread')->exists()) {
            throw MovingRefusal::StillReading->because();
        }
        $isAskedAgain = $import->state === 'running';
        $import->update(['state' => 'running']);
        OpenImported::begin($import->brokerage_id, $import->id);
        // Whoever presses once more sees that nothing goes on: another takes over, and what was under way is no longer wanted.
        $isAskedAgain && OpenImported::again($import->brokerage_id, $import->id);
    }

    /** Opens one row as a file; the row says so in the same transaction. Opened already, nothing happens. */
    public function open(Import $import, int $lineId, User $by): ?DealFile
    {
        $line = ImportLine::query()->whereKey($lineId)->lockForUpdate()->first();
        if ($line === null || $line->outcome !== 'fit') {
            return null;
        }
        $row = ImportRow::read($line->cells, $import->matched, $import->office->today());
        $agent = $row->agent === '' ? $by : $this->agents()[Query::plain($row->agent)] ?? $by;
        $file = ($this->open)($agent, $row->represents, $row->kind, $import->office_id);
        $this->applyKit->afterwards($file, function () use ($file, $row, $import, $agent, $by): void {
            if ($agent->id !== $by->id && $by->holds(Role::Coordinator)) {
                $file->members()->firstOrCreate(
                    ['user_id' => $by->id],
                    ['brokerage_id' => $file->brokerage_id, 'role' => Role::Coordinator],
                );
            }
            $row->listing === '' || $file->update(['listing_number' => $row->listing]);
            $this->setFact->fromListing($file, $row->facts, "table “{$import->name}”");
            foreach ($row->parties as $seat => $party) {
                ($this->setParty)($file, Seat::of($seat), PartyDetails::ofFields($party));
            }
            $row->labels === [] || $file->update(['labels' => $row->labels]);
        });
        $ended = $row->status->isOpen() ? null : $row->facts['closing'] ?? $file->office->today()->iso();
        $file->update(['status' => $row->status, 'closed_on' => $row->status->value === 'closed' ? $ended : null, 'ended_on' => $ended]);
        History::add(
            $file->brokerage_id,
            $file->id,
            'Brought in from a spreadsheet',
            ['table' => $import->name, 'row' => $line->number, 'status' => $row->status->value],
            SeenBy::everyone(),
        );
        $line->update(['outcome' => 'opened', 'told' => $file->name, 'deal_file_id' => $file->id]);

        return $file;
    }

    /**
     * @param array<string, User> $agents
     * @param array<string, int> $seen
     * @param array<string, bool> $twins
     * @return array{string, string}
     */
    private function judge(ImportLine $line, Import $import, array $agents, User $by, array &$seen, array $twins): array
    {
        $row = ImportRow::read($line->cells, $import->matched, $import->office->today());
        $faults = $row->faults;
        $agent = $row->agent === '' ? $by : $agents[Query::plain($row->agent)] ?? null;
        if ($agent === null) {
            $faults[] = "“{$row->agent}” does not open files here. Use the name or email address shown under Office.";
        } elseif ($agent->id !== $by->id && ! ($by->holds(Role::Coordinator) || $by->isBroker())) {
            $faults[] = 'Only a coordinator or broker can import files of other agents.';
        } elseif (
            $agent->officeRoles
                ->where('office_id', $import->office_id)
                ->whereIn('role', [Role::Agent, Role::Coordinator, Role::Broker])
                ->isEmpty()
        ) {
            $faults[] = "{$agent->name} does not open files in {$import->office->name}.";
        }
        if ($faults !== []) {
            return ['unfit', implode(' ', $faults)];
        }
        foreach (array_filter(["n:{$row->listing}" => $row->listing, "a:{$row->addressKey()}" => $row->addressKey()]) as $mark => $value) {
            if (isset($twins[$mark])) {
                return ['twin', 'There is already an open file on this '.($mark[0] === 'n' ? 'listing number' : 'address').' already.'];
            }
            if (isset($seen[$mark])) {
                return ['twin', "Same as row {$seen[$mark]} of this spreadsheet."];
            }
            $seen[$mark] = $line->number;
        }

        return ['fit', $row->name()];
    }

    /** Opens a row after all that is about the same property as another. */
    public function openAnyway(Import $import, int $number): void
    {
        $changed = $import
            ->lines()
            ->where('number', $number)
            ->where('outcome', 'twin')
            ->update(['outcome' => 'fit', 'told' => 'opened although there is another']);
        $changed === 1 && in_array($import->state, ['running', 'done'], true) && $this->start($import);
    }

    /** @return array<string, User> by plain name and by address */
    private function agents(): array
    {
        $found = [];
        foreach (User::query()->with('officeRoles')->where('active', true)->get() as $user) {
            if ($user->opensFiles()) {
                $found[Query::plain($user->name)] = $user;
                $found[Query::plain($user->email)] = $user;
            }
        }

        return $found;
    }

    /** @return array<string, bool> what open files of the brokerage are known by */
    private function numbersAndAddresses(int $brokerageId): array
    {
        return array_fill_keys(
            array_map(
                static fn (object $row) => (string) $row->listing,
                DB::select('SELECT listings_at_work(?) AS listing', [$brokerageId]),
            ),
            true,
        );
    }
}
