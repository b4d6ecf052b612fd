<?php

declare(strict_types=1);

namespace App\Assembly\Http;

use App\Assembly\FileBook;
use App\Models\DealFile;
use App\Papers\PdfAnswer;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Unanimus\Files\Bag;

/** Everything of a file, for the regulator or the archive. */
final class FileBookController
{
    public function pdf(DealFile $file, FileBook $book): Response
    {
        Gate::authorize('see', $file);

        return PdfAnswer::download($book->pdf(self::whole($file)), "File book {$file->name}");
    }

    public function folder(DealFile $file, FileBook $book): BinaryFileResponse
    {
        Gate::authorize('see', $file);
        $path = (string) tempnam(sys_get_temp_dir(), 'unanimus-book');
        $book->folder(self::whole($file), $path);

        return response()
            ->download($path, Bag::name($file->name).'.zip', ['Content-Type' => 'application/zip'])
            ->deleteFileAfterSend();
    }

    private static function whole(DealFile $file): DealFile
    {
        return $file->load([
            'office',
            'knownFacts',
            'parties.contact',
            'papers.latest',
            'papers.values',
            'requirements.remarks',
        ]);
    }
}
