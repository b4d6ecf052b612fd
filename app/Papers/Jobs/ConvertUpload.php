<?php

declare(strict_types=1);

namespace App\Papers\Jobs;

use App\Access\Sight;
use App\Papers\Actions\TakeUpload;
use App\Papers\Bytes;
use App\Papers\Models\Upload;
use App\Work\Work;
use Illuminate\Support\Facades\Auth;

/** Converts an upload that takes long, such as a Word document, while its uploader goes on. */
final class ConvertUpload extends Work
{
    public const KIND = 'conversion';

    public int $timeout = 480;

    protected function work(): void
    {
        Sight::within($this->brokerageId, function (): void {
            $upload = Upload::query()->with(['file.office', 'placeholder', 'uploader'])->lockForUpdate()->find($this->thing);
            if ($upload === null || $upload->state !== 'working') {
                return;
            }
            $upload->uploader !== null && Auth::setUser($upload->uploader);
            try {
                app(TakeUpload::class)->finish($upload, app(Bytes::class)->path($upload->sha256));
            } finally {
                Auth::forgetUser();
            }
        });
    }
}
