<?php

declare(strict_types=1);

namespace App\Bench;

use App\Files\Actions\OpenFile;
use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\User;
use App\Papers\Actions\BringIn;
use App\Retention\Actions\KeepRetention;
use App\Storage\Store;
use Illuminate\Support\Facades\DB;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\Representation;
use Unanimus\Retention\RetentionRules;
use Unanimus\Signing\Seat;

/** Old files that are due to be purged while faults are tried, and whether nothing of them is left afterwards but a certificate each. */
final class ProvePurge
{
    public function __construct(private readonly Press $press, private readonly Store $store)
    {
    }

    /** @return list<array{key: string, sha256: string}> */
    public function lay(User $by, int $count): array
    {
        $laid = [];
        for ($n = 0; $n < $count; $n++) {
            $file = app(OpenFile::class)($by, Representation::Seller);
            $n > 0 || app(KeepRetention::class)->setRules($file->office, RetentionRules::typed(['any-any' => '3'], '180'), $by);
            app(SetParty::class)($file, Seat::of('seller.1'), new PartyDetails(name: "Ottoline Fairbairn {$n}"));
            $scratch = new Scratch();
            // Of each other bytes, so that none is kept for another's sake.
            $page = (new Drawing(612, 792))->text(60, 90, 18, "Survey {$n}, ".bin2hex(random_bytes(4)));
            $pdf = $scratch->put('survey.pdf', $this->press->print([$page]));
            $version = app(BringIn::class)($file, $pdf, "Old survey {$n}.pdf")->version;
            $this->end($file->refresh());
            $laid[] = ['key' => $file->key, 'sha256' => $version->sha256];
        }

        return $laid;
    }

    private function end(DealFile $file): void
    {
        $today = $file->office->today();
        $ended = $today->plusMonths(-48)->iso();
        $file->update(['status' => 'closed', 'closed_on' => $ended, 'ended_on' => $ended, 'archived_at' => now()]);
        DB::table('purge_notices')->insert([
            'deal_file_id' => $file->id,
            'brokerage_id' => $file->brokerage_id,
            'announced_on' => $today->plusDays(-65)->iso(),
            'purged_on' => $today->plusDays(-5)->iso(),
            'by_rule' => '3 years',
        ]);
    }

    /**
     * @param list<array{key: string, sha256: string}> $laid
     * @return array{int, int, int, int} tried, gone without a certificate, with two, not gone to the last byte
     */
    public function count(array $laid): array
    {
        $lost = $doubled = $stuck = 0;
        foreach ($laid as $one) {
            $isThere = DealFile::query()->where('key', $one['key'])->exists();
            $certificates = DB::table('purge_certificates')->where('file_key', $one['key'])->get(['finished_at']);
            $lost += ! $isThere && $certificates->isEmpty() ? 1 : 0;
            $doubled += $certificates->count() > 1 ? 1 : 0;
            $stuck += $isThere || $certificates->whereNull('finished_at')->isNotEmpty() || $this->store->has($one['sha256']) ? 1 : 0;
        }

        return [count($laid), $lost, $doubled, $stuck];
    }
}
