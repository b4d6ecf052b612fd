<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Round;
use App\Papers\PdfAnswer;
use App\Signing\Actions\AddPenScan;
use App\Signing\PenPrint;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Unanimus\Intake\BringRefused;

/** A round signed with a pen: printed for it, and its scan taken in. */
final class PenController
{
    public function print(Round $round, PenPrint $print): Response
    {
        Gate::authorize('work-on', $round->file);
        abort_if($round->papers->contains('sha256', null), 404);

        return PdfAnswer::of($print->of($round), "{$round->title}, to sign on paper");
    }

    public function add(Request $request, Round $round, AddPenScan $add): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(
            ['scan' => 'required|file|max:102400', 'some' => 'required|array', 'some.*' => 'string|max:40'],
            ['scan.required' => 'Choose the scan first.', 'some.required' => 'Say who signed on paper.'],
        );
        $scan = $request->file('scan');
        abort_unless($scan instanceof UploadedFile, 422);
        try {
            $add($round, $scan->getPathname(), array_values($given['some']));
        } catch (BringRefused $refused) {
            return to_route('rounds.show', $round)->with('refused', "{$scan->getClientOriginalName()}: {$refused->getMessage()}");
        }

        return to_route('rounds.show', $round)->with('told', 'The scan is in. It stands for those who signed on paper.');
    }
}
