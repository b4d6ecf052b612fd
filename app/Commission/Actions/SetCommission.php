<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\History\History;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Role;
use App\Requirements\KitShelf;
use App\Terms\FactBook;
use Illuminate\Database\Eloquent\Builder;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entries;
use Unanimus\Commission\Figures;
use Unanimus\Commission\Proposed;
use Unanimus\Files\SeenBy;
use Unanimus\Money\Money;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Side;
use Unanimus\Requirements\Kit;
use Unanimus\Steps\StepRefused;

/** Stores what a commission is computed from, and computes its sheet. */
final class SetCommission
{
    /**
     * @throws StepRefused when the disbursement is authorized already, or the fee is too large
     */
    public function __invoke(DealFile $file, Figures $figures, ?Side $side = null): Commission
    {
        $commission = self::of($file, $side)->lockForUpdate()->first();
        if ($commission?->authorized_at !== null) {
            throw CommissionRefusal::FiguresAreFinal->because();
        }
        $values = [
            'rate' => $figures->rate->decimal(),
            'agent_share' => $figures->agentShare->decimal(),
            'fee' => $figures->fee->decimal(),
            'fee_name' => $figures->feeName,
        ];
        $file->setRelation('commission', (new Commission())->forceFill([...$values, 'side' => $side]));
        self::sheet($file, $side);
        $stored = $commission ?? $file->commission()->make(['side' => $side, 'brokerage_id' => $file->brokerage_id]);
        $stored->fill($values)->save();
        $file->setRelation('commission', $stored);
        History::add($file->brokerage_id, $file->id, 'Commission entered', $values, SeenBy::side($side));

        return $stored;
    }

    /** @return Builder<Commission> the commission of a side; of the whole file when it has but one */
    public static function of(DealFile $file, ?Side $side): Builder
    {
        return Commission::query()->where('deal_file_id', $file->id)->where('side', $side);
    }

    /** The agent of that side, where each side of the file has its own. */
    private static function agent(DealFile $file, ?Side $side): ?string
    {
        $ids = $side === null ? [] : $file->members->where('side', $side)->where('role', Role::Agent)->pluck('user_id')->all();

        return $file->parties->first(
            static fn ($party) => $party->role === PartyRole::Agent && in_array($party->user_id, $ids, true),
        )?->name;
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

    /**
     * The sheet as it stands, or null while there is no price or nobody has entered figures.
     *
     * @throws StepRefused when the fee is too large
     */
    public static function sheet(DealFile $file, ?Side $side = null): ?CommissionSheet
    {
        $facts = FactBook::of($file);
        $commission = $file->commission;
        $stands = $facts->value('price');
        $price = $commission->price ?? ($stands === null ? null : Money::of($stands));
        if ($commission === null || $price === null) {
            return null;
        }

        return CommissionSheet::of(
            new Entries(
                $price,
                $commission->rate,
                $commission->agent_share,
                $commission->fee,
                $commission->fee_name,
                $commission->agent_name ?? (self::agent($file, $side) ?? ($facts->value('agent.1.name') ?? 'Agent')),
                $facts->value('brokerage.name') ?? 'Company',
            ),
        );
    }
}
