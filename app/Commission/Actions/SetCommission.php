<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Commission\SheetOf;
use App\History\History;
use App\Models\Commission;
use App\Models\DealFile;
use App\Requirements\KitShelf;
use App\Terms\FactBook;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Arr;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\Entered;
use Unanimus\Commission\Proposed;
use Unanimus\Files\SeenBy;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Parties\Side;
use Unanimus\Requirements\Kit;
use Unanimus\Steps\StepRefused;

/** Stores what a commission is computed from, and computes its sheet. */
final class SetCommission
{
    /**
     * @param array<string, mixed> $typed
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     * @throws StepRefused when the disbursement is authorized already, or it cannot be reckoned
     */
    public function __invoke(DealFile $file, array $typed, ?Side $side = null): Commission
    {
        $commission = self::of($file, $side)->lockForUpdate()->first();
        if ($commission?->authorized_at !== null) {
            throw CommissionRefusal::FiguresAreFinal->because();
        }
        $file->setRelation('commission', $commission);
        $before = SheetOf::of($file, $side, Entered::fromArray([]));
        $entered = Entered::read(self::named($typed, array_keys($before->years ?? [])));
        $sheet = SheetOf::of($file, $side, $entered);
        $sheet === null || $sheet->told === '' || throw CommissionRefusal::NotReckoned->because(why: $sheet->told);
        $fee = Arr::first((array) $entered->kept['fees'], static fn (array $one) => $one['payer'] === 'agent' && $one['amount'] !== '');
        $splits = array_values((array) $entered->kept['splits']);
        $stored = $commission ?? $file->commission()->make(['side' => $side, 'brokerage_id' => $file->brokerage_id]);
        $stored->fill([
            'rate' => $entered->value('rate'),
            'agent_share' => count($splits) === 1 ? $splits[0] : null,
            'fee' => $fee['amount'] ?? '0',
            'fee_name' => $fee['label'] ?? 'Fee',
            'given' => $entered->kept,
        ])->save();
        $file->setRelation('commission', $stored);
        $told = ['rate' => $entered->value('rate'), 'agent_share' => implode(', ', $splits), 'fee' => $fee['amount'] ?? ''];
        History::add($file->brokerage_id, $file->id, 'Commission entered', array_filter($told), SeenBy::side($side));

        return $stored;
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

        return $typed;
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
}
