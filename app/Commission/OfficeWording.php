<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Office;
use App\Models\User;
use App\Terms\FactBook;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\DisbursementWording;
use Unanimus\Dates\LocalDate;
use Unanimus\Steps\StepRefused;

/** How an office words its authorizations: the text, who is paid by escrow, its letterhead, and how it is signed. */
final readonly class OfficeWording
{
    private function __construct(
        public string $text,
        public bool $agentsDirect,
        public bool $referralDirect,
        public string $letterhead,
        public string $account,
        public bool $byHand,
        public bool $withPicture,
    ) {
    }

    public static function of(Office $office): self
    {
        $kept = (array) $office->disbursement;
        $direct = ($kept['agents'] ?? 'direct') !== 'company';
        $text = trim((string) ($kept['text'] ?? ''));

        return new self(
            $text !== '' ? $text : ($direct ? DisbursementWording::DIRECT : DisbursementWording::THROUGH_COMPANY),
            $direct,
            ($kept['referral'] ?? 'direct') !== 'company',
            (string) ($kept['letterhead'] ?? ''),
            (string) ($kept['account'] ?? ''),
            ($kept['sign'] ?? '') === 'hand',
            ($kept['sign'] ?? '') === 'picture',
        );
    }

    /**
     * What an authorization says of a deal: in the file's own words where it has some.
     *
     * @throws StepRefused when the text names a field that is unknown, or of which the file says nothing
     */
    public function said(DealFile $file, ?Commission $commission, CommissionSheet $sheet, User $broker): string
    {
        $facts = FactBook::of($file);
        $closing = SheetOf::closing($file);
        $own = trim($commission->wording ?? '');

        return DisbursementWording::fill($own !== '' ? $own : $this->text, [
            'escrow' => (string) ($facts->value('escrow_holder') ?? '') ?: 'the escrow holder',
            'company' => (string) ($facts->value('brokerage.name') ?? ''),
            'property' => (string) ($facts->value('property.address') ?? $file->name),
            'buyers' => (string) ($facts->value('buyers.names') ?? ''),
            'sellers' => (string) ($facts->value('sellers.names') ?? ''),
            'closing' => $closing instanceof LocalDate ? $closing->long() : '',
            'price' => (string) $sheet->price,
            'gross' => (string) $sheet->gross,
            'broker' => $broker->name,
            'account' => $this->account,
        ]);
    }
}
