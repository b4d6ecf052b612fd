<?php

declare(strict_types=1);

namespace App\Papers\Jobs;

use App\Models\Sight;
use App\Models\Upload;
use App\Papers\Actions\TakeUpload;
use App\Storage\Bytes;
use App\Work\Work;
use Illuminate\Support\Facades\Auth;

/** Converts an upload that takes long, such as a Word document, while its uploader goes on. */
final class ConvertUpload extends Work
{
    public const KIND = 'conversion';

    public int $timeout = 480;

    protected function work(): void
    {
        $waiting = Sight::within($this->brokerageId, fn (): ?Upload => Upload::query()->where('state', 'working')->find($this->thing));
        if ($waiting === null) {
            return;
        }
        // What takes a minute happens before anything in the database is held.
        $brought = app(TakeUpload::class)->convert(app(Bytes::class)->path($waiting->sha256));
        Sight::within($this->brokerageId, function () use ($brought): void {
            $upload = Upload::query()
                ->with(['file.office', 'placeholder', 'uploader'])
                ->where('state', 'working')
                ->lockForUpdate()
                ->find($this->thing);
            if ($upload === null) {
                return;
            }
            $upload->uploader !== null && Auth::setUser($upload->uploader);
            try {
                app(TakeUpload::class)->finish($upload, $brought);
            } finally {
                Auth::forgetUser();
            }
        });
    }
}
