<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Commission\SheetOf;
use App\History\History;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Role;
use App\Models\User;
use App\Storage\Bytes;
use App\Terms\FactBook;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\AgentYear;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\DisbursementPage;
use Unanimus\Commission\Payee;
use Unanimus\Commission\Release;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Moment;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Press;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** Authorizes the disbursement: only when everything is settled, once, as a PDF in the file. */
final class AuthorizeDisbursement
{
    public function __construct(private readonly Press $press, private readonly Bytes $bytes)
    {
    }

    /**
     * @param string|null $seen fingerprint of the sheet that was looked at; null: not said
     *
     * @throws StepRefused saying what is missing, or that the figures have changed since
     */
    public function __invoke(DealFile $file, User $by, ?Side $side = null, ?string $seen = null): Paper
    {
        $commission = SetCommission::of($file, $side)->lockForUpdate()->first();
        if ($commission?->authorized_at !== null) {
            throw CommissionRefusal::AlreadyAuthorized->because();
        }
        $file->setRelation('commission', $commission);
        $reckoned = SheetOf::of($file, $side);
        $sheet = $reckoned?->sheet;
        Release::check($file->completeness(), $sheet, $by->holds(Role::Broker, $file->office_id));
        $seen === null || $seen === $reckoned?->fingerprint() || throw CommissionRefusal::OtherFigures->because();
        if ($commission === null || $sheet === null || $reckoned === null) {
            throw new \LogicException('Authorized without figures.');
        }
        $facts = FactBook::of($file);
        $company = $facts->value('brokerage.name') ?? '';
        $closing = $facts->value('closing');
        $page = DisbursementPage::draw(
            $company,
            $facts->value('escrow_holder') ?? 'the escrow holder',
            array_filter([
                'Property' => $facts->value('property.address') ?? $file->name,
                'Buyer' => $facts->value('buyers.names') ?? '',
                'Seller' => $facts->value('sellers.names') ?? '',
                'Closing' => $closing === null ? '' : LocalDate::of($closing)->long(),
                'Price' => $sheet->price->ledger(),
            ]),
            $sheet,
            $by->name,
            Moment::record(now(), $file->office->zone),
        );
        $sha256 = $this->bytes->keep($file->brokerage_id, $this->press->print([$page]));
        $paper = $file
            ->papers()
            ->create([
                'brokerage_id' => $file->brokerage_id,
                'title' => 'Commission disbursement authorization'.($side === null ? '' : ", {$side->value} side"),
                'stage' => 'closing',
                'state' => PaperState::Ready,
                'position' => 5950,
                'reason' => 'authorized by the broker',
                'side' => $side,
            ]);
        $paper->addVersion($sha256, 1, MadeBy::Computed, '', $by->id);
        $commission->update([
            'price' => $sheet->price->decimal(),
            'agent_name' => $sheet->payees[0]->name ?? null,
            'reckoned' => ['given' => $reckoned->given, 'names' => $reckoned->names],
            'authorized_at' => now(),
            'authorized_by' => $by->id,
            'paper_id' => $paper->id,
        ]);
        $this->count($commission, $reckoned, (string) ($reckoned->given['closing'] ?? $file->office->today()->iso()));
        History::add(
            $file->brokerage_id,
            $file->id,
            'Disbursement authorized',
            ['gross' => $sheet->gross->decimal(), 'sha256' => $sha256],
            SeenBy::side($side),
        );

        return $paper;
    }

    /** What the sheet counts in each agent's plan year; where there is no plan it counts in the calendar year. */
    private function count(Commission $commission, SheetOf $reckoned, string $closing): void
    {
        foreach ($reckoned->sheet->counts ?? [] as $id => $counts) {
            $user = User::query()->where('key', substr($id, strlen('agent:')))->first();
            if ($user === null) {
                continue;
            }
            $begins = $reckoned->years[$id]->begins ?? AgentYear::begins('calendar', LocalDate::of($closing));
            $paid = collect($reckoned->sheet->payees ?? [])->first(static fn (Payee $one) => $one->name === $reckoned->names[$id][0]);
            DB::table('plan_counts')->insert([
                'commission_id' => $commission->id,
                'user_id' => $user->id,
                'brokerage_id' => $commission->brokerage_id,
                'deal_file_id' => $commission->deal_file_id,
                'closing' => $closing,
                'year_begins' => $begins->iso(),
                'cn' => $counts['cn']->decimal(),
                'company' => $counts['company']->decimal(),
                'after_cap' => $counts['afterCap']->decimal(),
                'paid' => $paid?->amount->decimal() ?? '0',
            ]);
        }
    }
}
