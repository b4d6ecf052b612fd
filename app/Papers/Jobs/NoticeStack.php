<?php

declare(strict_types=1);

namespace App\Papers\Jobs;

use App\Models\PaperVersion;
use App\Models\Sight;
use App\Models\Upload;
use App\Storage\Bytes;
use App\Work\Work;
use Unanimus\Forms\Library;
use Unanimus\Intake\ProposedPart;
use Unanimus\Intake\StackPart;
use Unanimus\Intake\StackReader;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\ToolFailed;

/**
 * Reads an upload whose pages are pictures, which takes seconds a page, and asks its uploader when it holds several papers. As
 * long as it stands where it came, it is theirs to place.
 */
final class NoticeStack extends Work
{
    public const KIND = 'stacks-noticed';

    /** Pages up to which it is done unasked: what is longer is sorted on the table. */
    private const MOST = 60;

    public int $timeout = 3600;

    protected function work(): void
    {
        $version = Sight::within($this->brokerageId, fn (): ?PaperVersion => PaperVersion::query()->find($this->upload()?->version_id));
        if ($version === null || $version->pages > self::MOST) {
            return;
        }
        $path = app(Bytes::class)->path($version->sha256);
        try {
            if (! self::hasPictures($path, $version->pages)) {
                return;
            }
            $read = (new StackReader(app(Library::class)))->read($path, fn (int $page) => $page % 20 === 0 && $this->holdOn());
        } catch (PdfRefused|ToolFailed) {
            return;
        }
        $parts = array_map(
            static fn (ProposedPart $part) => new StackPart($part->form, $part->heading, $part->first, $part->last - $part->first + 1),
            $read['parts'],
        );
        count($parts) > 1 && Sight::within($this->brokerageId, function () use ($parts, $version): void {
            $upload = Upload::query()->lockForUpdate()->find($this->thing);
            // Moved, or a newer version over it, meanwhile: it is no question any more.
            if ($upload === null || $upload->version_id !== $version->id || $upload->parts !== []) {
                return;
            }
            $upload->update(['parts' => $parts, 'is_question' => true]);
        });
    }

    private function upload(): ?Upload
    {
        return Upload::query()->where('state', 'done')->find($this->thing);
    }

    private static function hasPictures(string $path, int $pages): bool
    {
        $words = PageWords::of($path);
        foreach (range(1, $pages) as $page) {
            if (count($words[$page] ?? []) < 5) {
                return true;
            }
        }

        return false;
    }
}
