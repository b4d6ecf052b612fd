<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Commission\Expected;
use App\Commission\OfficeWording;
use App\Commission\SheetOf;
use App\History\History;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Disbursement;
use App\Models\Paper;
use App\Models\Role;
use App\Models\User;
use App\Storage\Bytes;
use App\Terms\FactBook;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\DisbursementPages;
use Unanimus\Commission\PayOut;
use Unanimus\Commission\Release;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Moment;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** Authorizes the disbursement: when everything is settled or the broker says why before, once, as a PDF in the file, numbered. */
final class AuthorizeDisbursement
{
    public function __construct(
        private readonly Press $press,
        private readonly Bytes $bytes,
        private readonly CountSheet $count,
    ) {
    }

    /**
     * @param string|null $seen fingerprint of the sheet that was looked at; null: not said
     * @param string $despite why it is released though the review is not complete
     *
     * @throws StepRefused saying what is missing, or that the figures have changed since
     */
    public function __invoke(DealFile $file, User $by, ?Side $side = null, ?string $seen = null, string $despite = ''): Paper
    {
        $commission = SetCommission::of($file, $side)->lockForUpdate()->first();
        if ($commission?->authorized_at !== null) {
            throw CommissionRefusal::AlreadyAuthorized->because();
        }
        $file->setRelation('commission', $commission);
        $reckoned = SheetOf::of($file, $side);
        $sheet = $reckoned?->sheet;
        $review = $file->completeness();
        Release::check($review, $sheet, $by->holds(Role::Broker, $file->office_id), $despite);
        $seen === null || $seen === $reckoned?->fingerprint() || throw CommissionRefusal::OtherFigures->because();
        if ($commission === null || $sheet === null || $reckoned === null) {
            throw new \LogicException('Authorized without figures.');
        }
        $number = 1 + (int) Disbursement::query()->where('commission_id', $commission->id)->max('number');
        $wording = OfficeWording::of($file->office);
        $words = $wording->said($file, $commission, $sheet, $by);
        $paper = $this->paper($file, $side, $number, $this->pages($file, $commission, $sheet, $by, $number, $words), $by);
        $kept = ['given' => $reckoned->given, 'names' => $reckoned->names];
        $despite = $review->isWhole() ? '' : mb_substr(trim($despite), 0, 500);
        $disbursement = Disbursement::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'commission_id' => $commission->id,
            'side' => $side,
            'number' => $number,
            'closing' => LocalDate::of((string) $reckoned->given['closing']),
            'price' => $sheet->price,
            'gross' => $sheet->gross,
            'company' => $sheet->company(),
            'reckoned' => $kept,
            'wording' => $words,
            'despite' => $despite,
            'paper_id' => $paper->id,
            'authorized_at' => now(),
            'authorized_by' => $by->id,
        ]);
        $commission->update([
            'price' => $sheet->price->decimal(),
            'agent_name' => $sheet->payees[0]->name ?? null,
            'reckoned' => $kept,
            'authorized_at' => $disbursement->authorized_at,
            'authorized_by' => $by->id,
            'paper_id' => $paper->id,
            'expected' => [
                'of' => Expected::figures($file),
                'gross' => $sheet->gross->decimal(),
                'company' => $sheet->company()->decimal(),
            ],
        ]);
        ($this->count)($file, $disbursement, $reckoned);
        $told = ['gross' => $sheet->gross->decimal(), 'number' => $number, 'despite' => $despite, 'sha256' => $paper->latest?->sha256];
        History::add($file->brokerage_id, $file->id, 'Disbursement authorized', array_filter($told), SeenBy::side($side));

        return $paper;
    }

    /** @return list<Drawing> */
    private function pages(DealFile $file, Commission $commission, CommissionSheet $sheet, User $by, int $number, string $words): array
    {
        $facts = FactBook::of($file);
        $closing = SheetOf::closing($file);
        $wording = OfficeWording::of($file->office);
        $referral = $commission->entered()->value('referral_to') ?: 'referral firm';
        $signature = $wording->withPicture ? KeepSignature::of($by) : null;

        return DisbursementPages::draw(
            (string) ($facts->value('brokerage.name') ?? ''),
            $wording->letterhead,
            $number,
            array_filter([
                'Property' => $facts->value('property.address') ?? $file->name,
                'Buyer' => $facts->value('buyers.names') ?? $facts->value('tenants.names') ?? '',
                'Seller' => $facts->value('sellers.names') ?? $facts->value('landlords.names') ?? '',
                'Closing' => $closing?->long() ?? '',
                $facts->value('price') ? 'Price' : 'Rent a month' => $sheet->price->isZero() ? '' : $sheet->price->ledger(),
                'Account' => $wording->account,
            ]),
            $words,
            $sheet,
            PayOut::of($sheet, $wording->agentsDirect, $wording->referralDirect, ucfirst($referral)),
            $by->name,
            $wording->byHand ? '' : Moment::record(now(), $file->office->zone),
            $signature === null ? null : $signature->in(...),
        );
    }

    /** @param  list<Drawing>  $pages */
    private function paper(DealFile $file, ?Side $side, int $number, array $pages, User $by): Paper
    {
        $paper = $file
            ->papers()
            ->create([
                'brokerage_id' => $file->brokerage_id,
                'title' => 'Commission disbursement authorization'.($side === null ? '' : ", {$side->value} side").
                    ($number === 1 ? '' : ", number {$number}"),
                'stage' => 'closing',
                'state' => PaperState::Ready,
                'position' => 5950,
                'reason' => 'authorized by the broker',
                'side' => $side,
            ]);
        $sha256 = $this->bytes->keep($file->brokerage_id, $this->press->print($pages));
        $paper->addVersion($sha256, count($pages), MadeBy::Computed, '', $by->id);

        return $paper;
    }
}
