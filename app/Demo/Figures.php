<?php

declare(strict_types=1);

namespace App\Demo;

use App\Commission\Actions\CountSheet;
use App\Commission\Actions\KeepDebts;
use App\Commission\Actions\KeepPayments;
use App\Commission\Expected;
use App\Commission\SheetOf;
use App\History\History;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Disbursement;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Money\Money;

/** Commissions of the generated files, so that reports have something to say: of most that are pending, and of all that closed. */
final class Figures
{
    /** What agents without a plan get of a deal, in percent. */
    private const SPLIT = '70';

    /** Days after a closing when all of it is recorded. */
    private const SETTLED = 10;

    public function __construct(
        private readonly Story $story,
        private readonly CountSheet $count,
        private readonly KeepDebts $debts,
        private readonly KeepPayments $payments,
    ) {
    }

    /**
     * @param array<string, User> $people
     * @param array<int, bool> $files whether it is open, by the id of each generated file that has a contract
     */
    public function lay(array $people, array $files): void
    {
        Auth::setUser($people['ines']);
        $with = ['office', 'knownFacts', 'members.user', 'parties', 'kits', 'commissions'];
        foreach (DealFile::query()->with($with)->whereKey(array_keys($files))->orderBy('closed_on')->orderBy('id')->get() as $file) {
            // A third of what is pending shows what the terms alone say.
            if ($files[$file->id] && $file->id % 3 === 0) {
                continue;
            }
            $commission = $this->entered($file);
            if (! $files[$file->id] && $file->closed_on !== null) {
                $this->authorized($file, $commission, LocalDate::of((string) $file->closed_on), $people['ines']);
                $this->settled($file, LocalDate::of((string) $file->closed_on), $people['marguerite']);
                Auth::setUser($people['ines']);
            } else {
                $commission->update(['expected' => Expected::of($file, $commission)]);
            }
        }
        $this->story->now();
        Auth::logout();
    }

    /** @param  array<string, User>  $people  Entered when all that closed is authorized: the next sheets take it. */
    public function debt(array $people): void
    {
        Auth::setUser($people['ines']);
        $this->debts->enter($people['caleb'], 'Advance on signs and photographs', Money::of('350'), '', $people['ines']);
        Auth::logout();
    }

    private function entered(DealFile $file): Commission
    {
        $rate = $file->represents->side()?->isListing() === true ? '2.75' : '2.5';
        $plans = array_filter(SheetOf::of($file, null)->years ?? []);
        $agent = $file->members->firstWhere('role', 'agent')?->user;
        $splits = $plans === [] && $agent !== null ? ["agent:{$agent->key}" => self::SPLIT] : [];
        $fee = ['label' => 'Transaction fee', 'amount' => '395.00', 'payer' => 'agent', 'payee' => '', 'counts' => false];
        $given = ['base' => 'price', 'rate' => $rate, 'agents' => [], 'splits' => $splits, 'fees' => [$fee]];
        $commission = Commission::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'rate' => $rate,
            'agent_share' => $splits === [] ? null : self::SPLIT,
            'fee' => '395',
            'fee_name' => 'Transaction fee',
            'given' => $given,
        ]);
        $file->setRelation('commission', $commission);

        return $commission;
    }

    /** As it was authorized two days before its closing; its PDF is with the papers of that time. */
    private function authorized(DealFile $file, Commission $commission, LocalDate $closing, User $broker): void
    {
        $reckoned = SheetOf::of($file, null);
        $sheet = $reckoned?->sheet;
        if ($sheet === null || $reckoned === null) {
            return;
        }
        $this->story->at(-$closing->plusDays(-2)->daysUntil($this->story->today()), '11:20');
        $kept = ['given' => $reckoned->given, 'names' => $reckoned->names];
        $disbursement = Disbursement::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'commission_id' => $commission->id,
            'number' => 1,
            'closing' => $closing,
            'price' => $sheet->price,
            'gross' => $sheet->gross,
            'company' => $sheet->company(),
            'reckoned' => $kept,
            'wording' => '',
            'authorized_at' => now(),
            'authorized_by' => $broker->id,
        ]);
        ($this->count)($file, $disbursement, $reckoned);
        $commission->update([
            'price' => $sheet->price->decimal(),
            'reckoned' => $kept,
            'authorized_at' => now(),
            'authorized_by' => $broker->id,
            'expected' => [
                'of' => Expected::figures($file),
                'gross' => $sheet->gross->decimal(),
                'company' => $sheet->company()->decimal(),
            ],
        ]);
        History::add($file->brokerage_id, $file->id, 'Disbursement authorized', ['gross' => $sheet->gross->decimal()], SeenBy::everyone());
    }

    /** What came in the day after, and who was paid the day after that; of the last closings some of it is yet to do. */
    private function settled(DealFile $file, LocalDate $closing, User $bookkeeper): void
    {
        $ago = $closing->daysUntil($this->story->today());
        $disbursement = Disbursement::query()->where('deal_file_id', $file->id)->first();
        if ($disbursement === null || $ago < self::SETTLED) {
            return;
        }
        Auth::setUser($bookkeeper);
        $this->story->at(1 - $ago, '10:05');
        $this->payments->wired($file, $disbursement->side, $disbursement->gross, $closing->plusDays(1));
        $this->story->at(2 - $ago, '15:40');
        foreach (array_slice($disbursement->payees(), 0, $ago < 2 * self::SETTLED ? 1 : null) as $number => $payee) {
            $reference = 'check '.(1000 + $file->id * 3 + $number);
            $this->payments->paid($file, $disbursement->side, $bookkeeper, $payee->name, $payee->amount, 'check', $reference,
                $closing->plusDays(2));
        }
    }
}
