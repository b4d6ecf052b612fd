<?php

declare(strict_types=1);

namespace App\Demo;

use App\Intake\Actions\TakeMail;
use App\Models\Office;
use App\Models\User;
use App\Office\Actions\KeepOffices;
use Illuminate\Support\Facades\Auth;
use Unanimus\Forms\Library;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

/** What the office did and got: holidays of its own, a preferred form, and three emails that are in no file yet. */
final class OfficeDay
{
    public function __construct(
        private readonly Story $story,
        private readonly KeepOffices $offices,
        private readonly TakeMail $takeMail,
        private readonly Library $library,
        private readonly Press $press,
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
        $this->story->now();
        Auth::logout();
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
