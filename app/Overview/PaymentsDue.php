<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\Disbursement;
use App\Models\Role;
use Unanimus\Dates\LocalDate;

/** What closed and is not settled, for whoever keeps the books: the commission has not come in, or somebody is not paid. */
final class PaymentsDue
{
    /** Days back: an office that does not record payments is not told of its whole past. */
    private const BACK = 60;

    /** Days back that who was paid is asked: each such sheet is reckoned for it. */
    private const PAID_BACK = 21;

    /** Sheets that one day can hold. */
    private const MOST = 600;

    /** @return list<TodayRow> a row for each sheet, the oldest first */
    public static function rows(Waiting $waiting, LocalDate $today): array
    {
        $offices = $waiting->user->officeRoles->where('role', Role::Bookkeeper)->pluck('office_id');
        if ($offices->isEmpty()) {
            return [];
        }
        $closed = Disbursement::query()
            ->with(['file', 'payments'])
            ->whereNull('withdrawn_at')
            ->whereBetween('closing', [$today->plusDays(-self::BACK)->iso(), $today->iso()])
            ->where(static fn ($any) => $any
                ->whereNull('wired')
                ->orWhere('closing', '>=', $today->plusDays(-self::PAID_BACK)->iso()))
            ->whereHas('file', static fn ($file) => $file->whereIn('office_id', $offices)->where('practice', false))
            ->orderBy('closing')
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();
        $rows = [];
        foreach ($closed as $one) {
            $unpaid = $one->wired === null ? 1 : count($one->payees()) - $one->payments->count();
            if ($unpaid <= 0) {
                continue;
            }
            $rows[] = new TodayRow(
                $one->wired === null ? 'Record commission received' : 'Record who was paid',
                $one->wired === null ? (string) $one->gross : "{$unpaid} not paid yet",
                $one->file->name,
                "/files/{$one->file->key}/commission".($one->side === null ? '' : "?side={$one->side->value}"),
                day: $one->closing->short($today->year()),
                hot: true,
            );
        }

        return $rows;
    }
}
