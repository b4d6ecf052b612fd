<?php

declare(strict_types=1);

namespace App\Papers\Console;

use App\Access\Roots;
use App\Models\Sight;
use App\Storage\Bytes;
use App\Storage\BytesMissing;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;

/** Reads back all bytes that rows name, and every sealed set as an outsider would. */
final class VerifyKept extends Command
{
    protected $signature = 'kept:verify';

    protected $description = 'Reads back all papers that are kept, and checks every sealed set';

    public function handle(Bytes $bytes): int
    {
        $papers = $sets = $broken = 0;
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, function () use ($bytes, &$papers, &$sets, &$broken): void {
                foreach (
                    DB::table('blobs')
                        ->orderBy('sha256')
                        ->get(['sha256', 'size']) as $row
                ) {
                    $papers++;
                    $fault = $this->fault($bytes, $row->sha256, (int) $row->size);
                    if ($fault !== null) {
                        $broken++;
                        $this->error("{$row->sha256}: {$fault}");
                    }
                }
                foreach (
                    DB::table('sealed_sets')
                        ->orderBy('id')
                        ->get(['key', 'sha256']) as $set
                ) {
                    $sets++;
                    $answer = $this->sealed($bytes, $set->sha256);
                    if ($answer !== SealAnswer::Holds) {
                        $broken++;
                        $this->error("The sealed set {$set->key} does not hold: ".($answer->value ?? 'it cannot be read').'.');
                    }
                }
            });
        }
        $this->info("{$papers} files of papers read, {$sets} sealed sets checked, {$broken} broken");

        return $broken === 0 ? self::SUCCESS : self::FAILURE;
    }

    private function fault(Bytes $bytes, string $sha256, int $size): ?string
    {
        try {
            return strlen($bytes->read($sha256)) === $size ? null : 'its size is another than the one written down';
        } catch (BytesMissing) {
            return 'it is gone, or no longer what it was';
        }
    }

    private function sealed(Bytes $bytes, string $sha256): ?SealAnswer
    {
        try {
            return SealCheck::of($bytes->read($sha256), Roots::trusted())->answer;
        } catch (BytesMissing) {
            return null;
        }
    }
}
