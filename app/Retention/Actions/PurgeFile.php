<?php

declare(strict_types=1);

namespace App\Retention\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\PurgeCertificate;
use App\Papers\PageStore;
use App\Retention\FileClock;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Retention\RetentionRefusal;
use Unanimus\Retention\RetentionStage;
use Unanimus\Steps\StepRefused;

/**
 * Takes a file away whose time is over: its rows in one moment, together with the certificate; then the bytes that nobody else
 * uses and the pictures of them, one by one, going on where it was interrupted.
 */
final class PurgeFile
{
    public function __construct(private readonly Bytes $bytes)
    {
    }

    /** @throws StepRefused when its time is not over, or something holds it */
    public function rows(int $fileId): PurgeCertificate
    {
        DB::table('deal_files')->where('id', $fileId)->lockForUpdate()->value('id');
        $file = DealFile::query()->with('office')->findOrFail($fileId);
        // The database asks the same once more.
        FileClock::of($file)->clock->stage === RetentionStage::Due || throw RetentionRefusal::NotDue->because();
        $id = (int) DB::scalar('SELECT purge_file(?, ?, ?)', [
            $fileId,
            (string) Str::ulid(),
            PurgeCertificate::hashOf($file->key, $file->name),
        ]);
        Cache::forget("reckoned:{$fileId}");
        $certificate = PurgeCertificate::query()->findOrFail($id);
        History::ofBrokerage($certificate->brokerage_id, 'File purged', [
            'certificate' => $certificate->key,
            'by' => $certificate->by_rule,
            'ended' => $certificate->ended_on->iso(),
        ], $certificate->office_id);

        return $certificate;
    }

    /** The next of its bytes. @return bool whether more can be done now */
    public function nextBytes(PurgeCertificate $certificate): bool
    {
        $certificate = PurgeCertificate::query()->lockForUpdate()->findOrFail($certificate->id);
        $left = $certificate->bytes_left;
        foreach ($left as $place => $sha256) {
            $became = (string) DB::scalar('SELECT let_bytes_go(?)', [$sha256]);
            if ($became === 'not yet') {
                continue;
            }
            if ($became === 'gone') {
                $this->bytes->drop($sha256);
                PageStore::drop($sha256);
            }
            unset($left[$place]);
            $certificate->update([
                'bytes_left' => array_values($left),
                'bytes_removed' => $certificate->bytes_removed + ($became === 'gone' ? 1 : 0),
                'bytes_shared' => $certificate->bytes_shared + ($became === 'gone' ? 0 : 1),
                'finished_at' => $left === [] ? now() : null,
            ]);

            return $left !== [];
        }
        $left === [] && $certificate->finished_at === null && $certificate->update(['finished_at' => now()]);

        return false;
    }
}
