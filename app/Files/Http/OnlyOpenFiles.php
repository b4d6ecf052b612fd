<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Models\DealFile;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Unanimus\Steps\StepRefused;

/** The one rule for every change to a deal: none once it has ended. Routes that go on after the end are named without it. */
final class OnlyOpenFiles
{
    /** @throws StepRefused when the file has ended */
    public function handle(Request $request, \Closure $next): Response
    {
        if (! $request->isMethodSafe()) {
            foreach ($request->route()?->parameters() ?? [] as $named) {
                $file =
                    $named instanceof DealFile
                        ? $named
                        : ($named instanceof Model && $named->getAttribute('deal_file_id') !== null
                            ? $named->getAttribute('file') ?? DealFile::query()->find($named->getAttribute('deal_file_id'))
                            : null);
                $file instanceof DealFile && $file->status->mustBeOpen();
            }
        }

        return $next($request);
    }
}
