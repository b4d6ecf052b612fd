<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;

/**
 * A file to practise with: the whole job with invented people. No email leaves it, it comes to no review desk, no list of
 * commissions and no warning about twins, what is signed in it is marked and not sealed, and it is gone once it is let go.
 */
final class Practise
{
    /** Invented people; their names say so wherever they stand. */
    private const PEOPLE = [
        'buyer.1' => 'Ada Practice',
        'buyer.2' => 'Ben Practice',
        'seller.1' => 'Cleo Practice',
        'coagent.1' => 'Dov Practice',
        'broker.1' => 'Elin Practice',
        'escrow.1' => 'Practice Title',
        'lender.1' => 'Practice Lending',
    ];

    public function __construct(
        private readonly OpenFile $open,
        private readonly SetParty $setParty,
        private readonly SetFact $setFact,
    ) {
    }

    /** @throws StepRefused when the person may not open files */
    public function begin(User $by, Representation $represents): DealFile
    {
        DB::select('SELECT pg_advisory_xact_lock(3, ?)', [$by->id % 2147483647]);
        // Pressed twice it is one.
        $begun = DealFile::query()
            ->where(['opened_by' => $by->id, 'practice' => true, 'represents' => $represents])
            ->where('created_at', '>', now()->subMinute())
            ->first();
        if ($begun !== null) {
            return $begun;
        }
        $file = ($this->open)($by, $represents, DealKind::Sale, name: 'Practice: 1 Example Way', practice: true);
        foreach (self::PEOPLE as $seat => $name) {
            $ways = in_array(Seat::of($seat)->role, [PartyRole::Buyer, PartyRole::Seller], true)
                ? ['email' => strtolower(strtok($name, ' ')).'@practice.example']
                : [];
            ($this->setParty)($file, Seat::of($seat), PartyDetails::ofFields(['name' => $name, ...$ways]));
        }
        $day = static fn (LocalDate $today, int $days): string => $today->plusDays($days)->iso();
        $today = $file->office->today();
        $this->setFact->many($file->refresh(), [
            'property.street' => '1 Example Way',
            'property.city' => 'Tidewick',
            'property.county' => 'Ostrander',
            'property.year_built' => '1969',
            'price' => '300,000',
            'earnest_money' => '6,000',
            'financing' => 'conventional',
            'loan_percent' => '80',
            'escrow_holder' => 'Practice Title',
            'offer_date' => $day($today, 0),
            'offer_expiry' => $day($today, 3),
            'closing' => $day($today, 35),
            'possession' => $day($today, 35),
        ]);
        // Named for what it is, whatever follows from its address.
        $file->refresh()->update(['name' => 'Practice: 1 Example Way']);

        return $file;
    }

    /** @throws StepRefused when it is no practice */
    public function letGo(DealFile $file): void
    {
        $file->practice || throw FileRefusal::NoPractice->because();
        History::add($file->brokerage_id, $file->id, 'Practice let go', [], SeenBy::everyone());
        DB::select('SELECT let_practice_go(?)', [$file->id]);
    }
}
