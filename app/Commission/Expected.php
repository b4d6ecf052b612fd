<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\Commission;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What a sheet would bring as it stands, kept beside it so that lists and reports need not compute every sheet. */
final class Expected
{
    /**
     * Of what an unauthorized sheet is computed and what comes of it; null where there is nothing to compute it from yet.
     *
     * @return array{of: string, gross: string, company: string}|null
     */
    public static function of(DealFile $file, Commission $commission): ?array
    {
        $before = $file->commission;
        $file->setRelation('commission', $commission);
        $sheet = SheetOf::of($file, $commission->side)?->sheet;
        $file->setRelation('commission', $before);

        return $sheet === null ? null : [
            'of' => self::figures($file),
            'gross' => $sheet->gross->decimal(),
            'company' => $sheet->company()->decimal(),
        ];
    }

    /** What an agent shares or owes is another: what their open sheets would bring is computed anew when it is asked for. */
    public static function forget(User $agent): void
    {
        Commission::query()
            ->whereNull('authorized_at')
            ->whereIn('deal_file_id', DB::table('file_members')->where('user_id', $agent->id)->select('deal_file_id'))
            ->update(['expected' => null]);
    }

    /** The price and closing day of a file, as what is kept was computed from. */
    public static function figures(DealFile $file): string
    {
        return (SheetOf::price($file)?->decimal() ?? '').' '.(SheetOf::closing($file)?->iso() ?? '');
    }
}
