<?php

declare(strict_types=1);

namespace App\Demo;

use App\Intake\Actions\SettleMail;
use App\Intake\Actions\TakeMail;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Office;
use App\Models\Sight;
use App\Models\User;
use App\Office\Actions\KeepOffices;
use App\Review\Actions\ReadDrafts;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\PaperState;
use Unanimus\Forms\Library;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Press;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;

/** What the office did and got: holidays of its own, a preferred form, a draft read by a colleague, and emails. */
final class OfficeDay
{
    public function __construct(
        private readonly Story $story,
        private readonly KeepOffices $offices,
        private readonly TakeMail $takeMail,
        private readonly Library $library,
        private readonly Press $press,
        private readonly SettleMail $settle,
        private readonly ReadDrafts $reads,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $this->story->at(-44, '8:50');
        Auth::setUser($people['fenna']);
        $year = $this->story->today()->year();
        foreach (Office::query()->orderBy('name')->get() as $office) {
            $this->offices->change($office, $office->name, $office->zone, "{$year}-12-24 Christmas Eve\n{$year}-12-31 New Year’s Eve");
        }
        $this->story->at(-30, '16:12');
        Auth::setUser($people['dario']);
        $this->offices->prefer(Office::query()->where('name', 'Tidewick')->firstOrFail(), 'M-214', true);
        $this->read($people);
        $this->story->now();
        Auth::logout();
    }

    /**
     * A draft that a colleague has read before it is submitted.
     *
     * @param array<string, User> $people
     */
    private function read(array $people): void
    {
        $file = DealFile::query()->with('members')->where('name', 'like', '208 Copperbeech Road%')->orderBy('id')->first();
        $draft = $file?->papers()->where('state', PaperState::Draft)->orderBy('position')->first();
        if ($file === null || $draft === null) {
            return;
        }
        $this->story->at(-1, '11:20');
        Auth::setUser($people['caleb']);
        $read = $this->reads->ask($file, [$draft], $people['ines'], 'Is this enough for the buyers?', $people['caleb']);
        $this->story->at(-1, '15:05');
        Auth::setUser($people['ines']);
        $words = 'The roof is 8 years old in the listing. Ask the seller which it is.';
        $this->reads->note($read, $draft, $people['ines'], $words, 1, new Rect(525, 307, 1, 1));
        $this->reads->done($read->load(['reader', 'asker', 'file']));
    }

    /** Emails come in from outside, after the rest has been laid out: each in a transaction of its own. */
    public function mail(int $brokerageId): void
    {
        $scratch = new Scratch();
        $note = fn (string $title, string $line) => $this->press->print([
            (new Drawing(612, 792))->text(60, 90, 18, $title, weight: 'bold')->text(60, 130, 11, $line),
        ]);
        $this->send($brokerageId, 'Nadia Petrov <nadia.petrov@anchorfield.example>', 'Survey for 208 Copperbeech Road', 'The survey came '.
            'back today. No encroachments.', [
                'survey 208 copperbeech.pdf' => $note('Boundary survey', '208 Copperbeech Road, Pellingford'),
            ]);
        $this->send($brokerageId, 'Tomás Reyes-Whitlock <tomas@quillmark.example>', 'Earnest money check', 'Photo of the check, taken at '.
            'the table.', [
                'check.jpg' => $this->photograph(),
            ]);
        $this->send($brokerageId, 'scanner@quillmark.example', 'Scan, 23 pages', '', ['scan0042.pdf' => $this->stack($scratch)]);
        $this->send($brokerageId, 'Nadia Petrov <nadia.petrov@anchorfield.example>', 'Title commitment for 14 Lanternfish Lane', 'The '.
            'commitment is on its way. Nothing unusual in it: the easement for the power line, and last year’s taxes are paid.', []);
        Sight::within($brokerageId, function (): void {
            $item = InboundItem::query()->where('subject', 'like', 'Title commitment%')->first();
            $file = DealFile::query()->where('name', 'like', '14 Lanternfish Lane%')->orderBy('id')->first();
            $item === null || $file === null || $this->settle->file($item, $file, User::query()->where('name', 'like', 'Wendell%')->sole());
        });
    }

    /** Four papers, two empty pages, and one page upside down. */
    private function stack(Scratch $scratch): string
    {
        $pages = [];
        foreach (['M-201', 'M-214', 'M-231', 'M-102'] as $number) {
            $pages[] = $this->library->form($number)->pdf;
        }
        $empty = $scratch->put(
            'empty.pdf',
            $this->press->print([(new Drawing(612, 792))->text(0, 0, 1, ' '), (new Drawing(612, 792))->text(0, 0, 1, ' ')]),
        );
        (new NativeTool(30))->run([
            'qpdf', '--warning-exit-0', '--empty', '--rotate=+180:14', '--pages',
            $pages[0], $pages[1], $empty, $pages[2], $pages[3], $pages[3], $pages[1], '--', $scratch->path('stack.pdf'),
        ]);

        return $scratch->get('stack.pdf');
    }

    private function photograph(): string
    {
        $picture = imagecreatetruecolor(1200, 540);
        imagefill($picture, 0, 0, (int) imagecolorallocate($picture, 236, 240, 232));
        foreach (['Sunniva Eide', 'Pay to the order of Anchorfield Title & Escrow', 'Eight thousand and '.
            '00/100', '$8,000.00', 'memo: 14 Lanternfish Lane'] as $at => $line) {
            imagestring($picture, 5, 60, 60 + 80 * $at, $line, (int) imagecolorallocate($picture, 40, 50, 60));
        }
        ob_start();
        imagejpeg($picture, null, 85);

        return (string) ob_get_clean();
    }

    /** @param  array<string, string>  $files  bytes by name */
    private function send(int $brokerageId, string $from, string $subject, string $text, array $files): void
    {
        $edge = 'edge-'.md5($subject);
        $parts = ["Content-Type: text/plain; charset=utf-8\r\n\r\n{$text}\r\n"];
        foreach ($files as $name => $bytes) {
            $type = str_ends_with($name, '.pdf') ? 'application/pdf' : 'image/jpeg';
            $parts[] = "Content-Type: {$type}; name=\"{$name}\"\r\nContent-Disposition: attachment; ".
                "filename=\"{$name}\"\r\nContent-Transfer-Encoding: base64\r\n\r\n".chunk_split(base64_encode($bytes));
        }
        ($this->takeMail)(
            $brokerageId,
            "From: {$from}\r\nTo: papers@quillmark.example\r\nSubject: ".
                "{$subject}\r\nMessage-ID: <".md5($subject)."@demo.example>\r\nMIME-Version: 1.0\r\nContent-Type: multipart/mixed; ".
                "boundary=\"{$edge}\"\r\n\r\n--{$edge}\r\n".
                implode("\r\n--{$edge}\r\n", $parts)."\r\n--{$edge}--\r\n",
        );
    }
}
