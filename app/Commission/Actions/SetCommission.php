<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Commission\Expected;
use App\Commission\SheetOf;
use App\History\History;
use App\Models\Commission;
use App\Models\CommissionVersion;
use App\Models\DealFile;
use App\Models\User;
use App\Requirements\KitShelf;
use App\Terms\FactBook;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Arr;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entered;
use Unanimus\Commission\Proposed;
use Unanimus\Files\SeenBy;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Parties\Side;
use Unanimus\Requirements\Kit;
use Unanimus\Steps\StepRefused;

/** Stores what a commission is computed from, as the newest of its versions, and computes its sheet. */
final class SetCommission
{
    /**
     * @param array<string, mixed> $typed
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     * @throws StepRefused when the disbursement is authorized already, or it cannot be reckoned
     */
    public function __invoke(DealFile $file, array $typed, User $by, ?Side $side = null): Commission
    {
        $commission = self::of($file, $side)->lockForUpdate()->first();
        if ($commission?->authorized_at !== null) {
            throw CommissionRefusal::FiguresAreFinal->because();
        }
        $file->setRelation('commission', $commission);
        $entered = self::read($file, $typed, $side);

        return $this->store($file, $commission, $entered, $by, $side);
    }

    /**
     * Takes up an earlier version again; it becomes the newest.
     *
     * @throws StepRefused when the disbursement is authorized already, or it cannot be reckoned
     */
    public function again(DealFile $file, CommissionVersion $version, User $by): Commission
    {
        $commission = self::of($file, $version->side)->lockForUpdate()->firstOrFail();
        $commission->authorized_at === null || throw CommissionRefusal::FiguresAreFinal->because();
        $file->setRelation('commission', $commission);

        return $this->store($file, $commission, $version->entered(), $by, $version->side);
    }

    /**
     * What is typed, under the names that agents go under here.
     *
     * @param array<string, mixed> $typed
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     * @throws StepRefused when there is no line, or a line or fee does not say what it is of
     */
    public static function read(DealFile $file, array $typed, ?Side $side): Entered
    {
        $before = SheetOf::of($file, $side, Entered::fromArray([]));

        return Entered::read(self::named($typed, array_keys($before->years ?? [])));
    }

    /** @return Builder<Commission> the commission of a side; of the whole file when it has but one */
    public static function of(DealFile $file, ?Side $side): Builder
    {
        return Commission::query()->where('deal_file_id', $file->id)->where('side', $side);
    }

    /** What the file's terms and kits say, to begin with; nothing is computed from it before someone has confirmed it. */
    public static function proposed(DealFile $file, ?Side $side): Proposed
    {
        return Proposed::of(
            FactBook::of($file),
            $side ?? $file->represents->side(),
            array_merge([], ...array_map(static fn (Kit $kit) => $kit->fees, KitShelf::ofFile($file))),
        );
    }

    private function store(DealFile $file, ?Commission $commission, Entered $entered, User $by, ?Side $side): Commission
    {
        $reckoned = SheetOf::of($file, $side, $entered);
        $reckoned === null || $reckoned->told === '' || throw CommissionRefusal::NotReckoned->because(why: $reckoned->told);
        $fee = Arr::first((array) $entered->kept['fees'], static fn (array $one) => $one['payer'] === 'agent' && $one['amount'] !== '');
        $splits = array_values((array) $entered->kept['splits']);
        $stored = $commission ?? $file->commission()->make(['side' => $side, 'brokerage_id' => $file->brokerage_id]);
        $isSame = $commission !== null && $commission->given == $entered->kept;
        $stored->fill([
            'rate' => $entered->value('rate') ?: '0',
            'agent_share' => count($splits) === 1 ? $splits[0] : null,
            'fee' => str_ends_with((string) ($fee['amount'] ?? '0'), '%') ? '0' : $fee['amount'] ?? '0',
            'fee_name' => $fee['label'] ?? 'Fee',
            'given' => $entered->kept,
        ])->save();
        $file->setRelation('commission', $stored);
        $stored->update(['expected' => Expected::of($file, $stored)]);
        if ($isSame) {
            return $stored;
        }
        CommissionVersion::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'commission_id' => $stored->id,
            'side' => $side,
            'given' => $entered->kept,
            'figures' => self::figures($reckoned?->sheet),
            'user_id' => $by->id,
            'made_at' => now(),
        ]);
        $told = ['rate' => $entered->value('rate'), 'agent_share' => implode(', ', $splits), 'fee' => $fee['amount'] ?? ''];
        History::add($file->brokerage_id, $file->id, 'Commission entered', array_filter($told), SeenBy::side($side));

        return $stored;
    }

    /** @return array<string, string> price, what comes in, and what each gets, by name */
    private static function figures(?CommissionSheet $sheet): array
    {
        if ($sheet === null) {
            return [];
        }
        $figures = ['Price' => $sheet->price->decimal(), 'Comes in' => $sheet->gross->decimal()];
        foreach ($sheet->payees as $payee) {
            $figures[$payee->name] = $payee->amount->decimal();
        }

        return $figures;
    }

    /**
     * What one agent's form calls by itself, under the name the agent goes under.
     *
     * @param array<string, mixed> $typed
     * @param list<string> $agents
     * @return array<string, mixed>
     */
    private static function named(array $typed, array $agents): array
    {
        $first = $agents[0] ?? '';
        if (isset($typed['agent_share']) && $first !== '') {
            $typed['splits'] = [$first => $typed['agent_share'], ...(array) ($typed['splits'] ?? [])];
        }
        if (trim((string) ($typed['fee'] ?? '')) !== '' || trim((string) ($typed['fee_name'] ?? '')) !== '') {
            $fee = [
                'label' => $typed['fee_name'] ?? '',
                'amount' => trim((string) ($typed['fee'] ?? '')) ?: '0',
                'counts' => $typed['fee_counts'] ?? '',
            ];
            $typed['fees'] = [$fee, ...array_values((array) ($typed['fees'] ?? []))];
        }
        // Of agents that are none of this side nothing is taken.
        foreach (['splits', 'shares'] as $list) {
            $typed[$list] = array_intersect_key((array) ($typed[$list] ?? []), array_flip($agents));
        }
        foreach (['bonus_to', 'franchise_agent'] as $one) {
            in_array($typed[$one] ?? '', $agents, true) || ($typed[$one] = '');
        }
        foreach ((array) ($typed['fees'] ?? []) as $index => $fee) {
            in_array(((array) $fee)['agent'] ?? '', $agents, true) || ($typed['fees'][$index]['agent'] = '');
        }

        return $typed;
    }
}
