<?php

declare(strict_types=1);

namespace App\Intake\Http;

use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\User;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Intake\CleanLetter;
use Unanimus\Intake\MailReader;

/** The email that was filed in a file, to be read there. */
final class FiledMailController
{
    public function show(Request $request, DealFile $file, InboundItem $item, Bytes $bytes): View
    {
        Gate::authorize('see', $file);
        abort_unless($item->filed_into === $file->id && ($item->filed_side === null || $file->isOwnAffair($item->filed_side)), 404);

        $item->noteLook(User::signedIn($request));

        $mail = MailReader::read($bytes->read($item->sha256));

        return view('intake.filed-letter', [
            'file' => $file->load('office'),
            'item' => $item,
            'page' => CleanLetter::of($mail->html, $mail->attachments),
        ]);
    }
}
