<?php

declare(strict_types=1);

namespace App\Bench;

use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use App\Papers\Actions\TakeForm;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Forms\Library;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\Representation;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;

/**
 * The file that the budget of the file page speaks of: sixty papers, eight seats, on every form there is. Made once, and
 * withdrawn between measurements so that nobody meets it among their work.
 */
final class SixtyPapers
{
    public const NAME = 'Sixty papers, for measuring';

    private const PAPERS = 60;

    private const SEATS = ['buyer.1', 'buyer.2', 'buyer.3', 'seller.1', 'seller.2', 'seller.3', 'coagent.1'];

    public function __construct(
        private readonly OpenFile $open,
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
        private readonly TakeForm $takeForm,
        private readonly Library $library,
        private readonly Bytes $bytes,
    ) {
    }

    /** Brings the file out for as long as the work lasts. @param  callable(DealFile): void  $work */
    public function during(callable $work): void
    {
        $brokerage = Sight::brokerages()[0];
        $file = Sight::within($brokerage, function (): DealFile {
            $file = DealFile::query()->where('name', self::NAME)->first() ?? $this->make();
            $file->update(['status' => 'preparing']);
            // What a run that was stopped left behind.
            $file->rounds()->where('status', RoundStatus::Drafting)->delete();

            return $file;
        });
        try {
            $work($file);
        } finally {
            Sight::within(
                $brokerage,
                static fn () => DealFile::query()
                    ->whereKey($file->id)
                    ->update(['status' => 'withdrawn']),
            );
        }
    }

    private function make(): DealFile
    {
        $agent = User::query()->where('email', 'tomas@quillmark.example')->firstOrFail();
        Auth::setUser($agent);
        $file = ($this->open)($agent, Representation::Buyer);
        $this->open->join($file, User::query()->where('email', 'wendell@quillmark.example')->firstOrFail(), Role::Coordinator);
        foreach (self::SEATS as $index => $seat) {
            ($this->setParty)($file, Seat::of($seat), new PartyDetails(
                name: "Perpetua Ashdown {$index}",
                email: "perpetua{$index}@ashdown.example",
            ));
        }
        $this->setFact->many($file->refresh(), [
            'price' => '412,500',
            'earnest_money' => '8,000',
            'financing' => 'government',
            'loan_percent' => '96.5',
            'offer_date' => 'today',
            'closing' => '+40',
            'inspection_days' => '10',
            'property.year_built' => '1962',
        ]);
        foreach ($this->library->all() as $form) {
            $form->retired || $this->takeForm->take($file->refresh(), $form->number);
        }
        $this->fill($file->refresh());
        Auth::forgetGuards();

        return $file->refresh()->forceFill(['name' => self::NAME]);
    }

    /** Papers from outside, until there are enough. */
    private function fill(DealFile $file): void
    {
        $sha256 = $this->bytes->keep($file->brokerage_id, (string) file_get_contents($this->library->form('M-102')->pdf));
        for ($count = $file->papers()->where('state', '<>', PaperState::Void)->count(); $count < self::PAPERS; $count++) {
            /** @var Paper $paper */
            $paper = $file
                ->papers()
                ->create([
                    'brokerage_id' => $file->brokerage_id,
                    'title' => "Survey, sheet {$count}",
                    'stage' => 'contract',
                    'state' => PaperState::Ready,
                    'position' => 3900 + $count,
                    'reason' => 'brought in',
                ]);
            $paper->addVersion($sha256, 2, MadeBy::Uploaded);
        }
    }
}
