<?php

declare(strict_types=1);

namespace App\Reports\Actions;

use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\KeptReport;
use App\Models\Sight;
use App\Reports\Asked;
use App\Reports\DealRows;
use App\Reports\Report;
use App\Reports\ReportTables;
use App\Storage\Bytes;
use Unanimus\Exchange\CsvCells;
use Unanimus\Files\ZipStream;
use Unanimus\Pages\Press;
use Unanimus\Reports\ReportPages;

/** Emails a report to the person who keeps or asked for it, with the figures that they alone may see; once for each time it is wanted. */
final class SendReport
{
    public function __construct(private readonly Press $press, private readonly Bytes $bytes)
    {
    }

    /** The PDF, each month once. */
    public function monthly(KeptReport $kept): void
    {
        $today = Asked::today($kept->user);
        $once = "report:{$kept->key}:".substr($today->iso(), 0, 7);
        if (! $kept->user->active || Post::isPut($once)) {
            return;
        }
        $asked = Asked::of($kept->asked, $today);
        Sight::ofPerson($kept->user);
        $pdf = $this->pages($asked, $kept);
        Sight::ofBrokerage($kept->brokerage_id);
        $words = Wording::of('report', ['name' => $kept->name, 'month' => Report::monthName(substr($today->iso(), 0, 7))]);
        $this->put($kept, $once, $pdf, 'report.pdf', $words, '/reports?'.http_build_query($kept->asked));
    }

    /** The PDF and all deals as CSV, in one ZIP. */
    public function asked(KeptReport $kept): void
    {
        // Its row is gone after the first: the press says that it was sent.
        $once = "report-asked:{$kept->user_id}:{$kept->name}";
        if (! $kept->user->active || Post::isPut($once)) {
            return;
        }
        $asked = Asked::of($kept->asked, Asked::today($kept->user));
        Sight::ofPerson($kept->user);
        $deals = self::csv(ReportTables::deals(DealRows::of($asked)));
        $zip = $this->zip(['report.pdf' => $this->pages($asked, $kept), 'deals.csv' => $deals]);
        Sight::ofBrokerage($kept->brokerage_id);
        $this->put($kept, $once, $zip, 'report.zip', Wording::of('report-asked', ['period' => $asked->period->label]), '/reports');
    }

    private function pages(Asked $asked, KeptReport $kept): string
    {
        return $this->press->print(ReportPages::draw(...ReportTables::pages(Report::of($asked), $kept->user)));
    }

    private function put(KeptReport $kept, string $once, string $bytes, string $called, Wording $words, string $address): void
    {
        $attached = [$this->bytes->keep($kept->brokerage_id, $bytes), $called];
        Post::attached($kept->brokerage_id, $once, $attached, Addressee::user($kept->user), $words, $address);
    }

    /** @param  array<string, string>  $files */
    private function zip(array $files): string
    {
        $whole = '';
        $zip = new ZipStream(static function (string $next) use (&$whole): void {
            $whole .= $next;
        }, now());
        array_walk($files, static fn (string $bytes, string $name) => $zip->add($name, $bytes));
        $zip->finish();

        return $whole;
    }

    /** @param  list<list<string>>  $rows */
    private static function csv(array $rows): string
    {
        $out = fopen('php://temp', 'w+');
        if ($out === false) {
            throw new \RuntimeException('No room for a table.');
        }
        foreach ($rows as $row) {
            fputcsv($out, CsvCells::safe($row), ',', '"', '', "\r\n");
        }

        return (string) stream_get_contents($out, null, 0);
    }
}
