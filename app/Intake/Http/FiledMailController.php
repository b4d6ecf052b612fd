<?php

declare(strict_types=1);

namespace App\Intake\Http;

use App\Models\DealFile;
use App\Models\InboundItem;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Gate;
use Unanimus\Intake\CleanLetter;
use Unanimus\Intake\MailReader;

/** The email that was filed in a file, to be read there. */
final class FiledMailController
{
    private const SHOWN = 100;

    public function index(DealFile $file): View
    {
        Gate::authorize('see', $file);

        return view('intake.filed', [
            'file' => $file->load('office'),
            'items' => InboundItem::query()->where('filed_into', $file->id)->orderByDesc('received_at')->limit(self::SHOWN)->get(),
        ]);
    }

    public function show(DealFile $file, InboundItem $item, Bytes $bytes): View
    {
        Gate::authorize('see', $file);
        abort_unless($item->filed_into === $file->id && ($item->filed_side === null || $file->isOwnAffair($item->filed_side)), 404);

        return view('intake.filed-letter', [
            'file' => $file->load('office'),
            'item' => $item,
            'page' => CleanLetter::of(MailReader::read($bytes->read($item->sha256))->html),
        ]);
    }
}
