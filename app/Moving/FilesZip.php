<?php

declare(strict_types=1);

namespace App\Moving;

use App\Models\DealFile;
use App\Models\Sight;
use App\Models\User;
use App\Papers\PaperPrint;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Unanimus\Files\Bag;
use Unanimus\Files\ZipStream;

/** Folders of files, as one ZIP that is made while it is downloaded. */
final readonly class FilesZip
{
    public function __construct(private FileFolder $folders, private PaperPrint $print)
    {
    }

    /**
     * @param list<int> $files
     * @param User $by who sees what is in it
     */
    public function __invoke(array $files, string $name, User $by): StreamedResponse
    {
        return response()->streamDownload(function () use ($files, $by): void {
            $zip = new ZipStream(static function (string $bytes): void {
                echo $bytes;
                flush();
            }, now());
            $bag = new Bag();
            foreach ($files as $id) {
                // The request's transaction is over: each file is read in one of its own, as the person sees it.
                DB::transaction(function () use ($id, $by, $zip, $bag): void {
                    Sight::ofPerson($by);
                    $file = DealFile::query()->with(FileFolder::NEEDS)->find($id);
                    foreach ($file === null ? [] : $this->folders->entries($file, $this->print) as $path => $bytes) {
                        $zip->add("data/{$path}", $bytes);
                        $bag->note($path, hash('sha256', $bytes), strlen($bytes));
                    }
                });
            }
            foreach ($bag->tags(['External-Description' => count($files) === 1 ? 'One file' : count($files).' files']) as $tag => $bytes) {
                $zip->add($tag, $bytes);
            }
            $zip->finish();
        }, $name, ['Content-Type' => 'application/zip']);
    }
}
