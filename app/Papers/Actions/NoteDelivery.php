<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\Party;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DeliveryHow;
use Unanimus\Files\SeenBy;

/** Notes that the present version of a paper reached somebody; said twice it is noted once, as it was said first. */
final class NoteDelivery
{
    public function __invoke(Paper $paper, Party $party, DeliveryHow $how, LocalDate $on, string $note = '', ?int $by = null): bool
    {
        if ($paper->latest_version_id === null) {
            return false;
        }
        $new = DB::table('deliveries')->insertOrIgnore([
            'brokerage_id' => $paper->brokerage_id,
            'deal_file_id' => $paper->deal_file_id,
            'paper_id' => $paper->id,
            'paper_version_id' => $paper->latest_version_id,
            'party_id' => $party->id,
            'how' => $how->value,
            'note' => mb_substr(trim($note), 0, 200),
            'on_day' => $on->iso(),
            'user_id' => $by,
        ]);
        $new === 0 || History::add(
            $paper->brokerage_id,
            $paper->deal_file_id,
            'Delivered',
            ['paper' => $paper->title, 'to' => $party->name, 'day' => $on->iso(), 'how' => $how->label()],
            new SeenBy($paper->side, $paper->staff_only),
        );

        return $new > 0;
    }
}
