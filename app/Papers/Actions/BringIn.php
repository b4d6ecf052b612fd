<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Files\Models\DealFile;
use App\History\History;
use App\Papers\Bytes;
use App\Papers\Models\Paper;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\StepRefused;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Requirements\Stage;

/** Takes a PDF from outside into a file: as a paper of its own, or as the paper a placeholder waits for. */
final class BringIn
{
    public function __construct(private readonly Bytes $bytes)
    {
    }

    /**
     * @throws PdfRefused when it is no usable PDF
     * @throws StepRefused when the placeholder does not wait any more
     */
    public function __invoke(DealFile $file, string $path, string $title, ?Paper $placeholder = null, string $stage = 'contract'): Paper
    {
        if (filesize($path) > 50 * 1024 * 1024) {
            throw new StepRefused('This file is larger than 50 MB. Bring it in as several parts.');
        }
        $look = PdfLook::into($path);
        if ($placeholder !== null && ! in_array($placeholder->state, ['awaited', 'ready'], true)) {
            throw new StepRefused("“{$placeholder->title}” has come in already.");
        }
        $paper = $placeholder ?? $file->papers()->create([
            'brokerage_id' => $file->brokerage_id, 'title' => mb_strimwidth($title, 0, 120, '…'), 'stage' => $stage, 'state' => 'ready', 'position' => (int) array_search($stage, Stage::keys(), true) * 1000 + 1900, 'reason' => 'brought in',
        ]);
        $sha256 = $this->bytes->keep($file->brokerage_id, (string) file_get_contents($path));
        $paper->addVersion($sha256, count($look->pages()), 'brought', '', (int) Auth::id() ?: null);
        $paper->update(['state' => 'ready']);
        History::add($file->brokerage_id, $file->id, 'Paper brought in', ['paper' => $paper->title, 'pages' => count($look->pages()), 'sha256' => $sha256]);

        return $paper;
    }
}
