<?php

declare(strict_types=1);

namespace App\Papers\Console;

use App\Models\Sight;
use App\Storage\Bytes;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Unanimus\Pages\PageImage;
use Unanimus\Pages\PdfLook;

/** Opens some papers as a person would, to see whether what was restored can be read. */
final class OpenPapers extends Command
{
    protected $signature = 'papers:open {count=10 : how many, taken at random}';

    protected $description = 'Opens papers and draws their first pages, to see whether they can be read';

    public function handle(Bytes $bytes): int
    {
        $tried = $failed = 0;
        foreach (Sight::brokerages() as $brokerage) {
            $some = Sight::within($brokerage, fn (): array => DB::table('paper_versions')
                ->inRandomOrder()
                ->limit((int) $this->argument('count'))
                ->get(['sha256', 'first_page'])
                ->all());
            foreach ($some as $one) {
                $tried++;
                try {
                    $path = $bytes->path((string) $one->sha256);
                    PdfLook::into($path, gate: false)->pages();
                    strlen(PageImage::of($path, (int) $one->first_page, 60)) > 100 || throw new \RuntimeException('nothing was drawn');
                } catch (\Throwable $fault) {
                    $failed++;
                    $this->error("{$one->sha256}: {$fault->getMessage()}");
                }
            }
        }
        $this->line($failed === 0 ? "  {$tried} papers opened" : "  {$failed} of {$tried} papers could not be opened");

        return $failed === 0 && ($tried > 0 || Sight::brokerages() === []) ? self::SUCCESS : self::FAILURE;
    }
}
