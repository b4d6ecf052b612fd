<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Models\BrokerageLimits;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Upload;
use App\Models\User;
use App\Papers\Jobs\ConvertUpload;
use App\Storage\Bytes;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Brought;
use Unanimus\Intake\BroughtKind;
use Unanimus\Pages\PlainText;
use Unanimus\Steps\StepRefused;

/** Takes one uploaded file, once: sent again under its key, or the same bytes a second time, it stays one. */
final class TakeUpload
{
    public function __construct(private readonly BringIn $bringIn, private readonly Bytes $bytes)
    {
    }

    /** @param  string  $key  given by the browser, the same for every try */
    public function __invoke(DealFile $file, string $path, string $name, string $key, User $by, ?Paper $placeholder = null): Upload
    {
        $name = mb_strimwidth(PlainText::of($name), 0, 200, '…') ?: 'file';
        $sha256 = (string) hash_file('sha256', $path);
        // One after the other in a file: what the one has put there the other finds.
        DB::select('SELECT pg_advisory_xact_lock(2, ?)', [$file->id % 2147483647]);
        $known = Upload::query()->where('deal_file_id', $file->id)->where('key', $key)->first();
        if ($known !== null) {
            return $known;
        }
        $full = BrokerageLimits::full($file->brokerage_id);
        $upload = Upload::create([
            'key' => $key,
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'user_id' => $by->id,
            'placeholder_id' => $placeholder?->id,
            'name' => $name,
            'sha256' => $sha256,
        ]);
        $twin = $this->twin($upload);
        if ($full !== null) {
            $upload->update([
                'state' => 'refused',
                'told' => "{$name} was not added: your brokerage’s documents have reached the {$full} GB it may keep here. What is ".
                    'there stays. Ask your administrator.',
            ]);
        } elseif ($twin !== null) {
            $upload->update([
                'state' => 'refused',
                'told' => "{$name}: this file is already here as “{$twin->title}”. It was not added again.",
            ]);
        } elseif (@filesize($path) > 0 && BroughtKind::of($path)?->isSlow() === true) {
            $this->bytes->keep($file->brokerage_id, (string) file_get_contents($path), 'application/octet-stream');
            $upload->update(['told' => "{$name} is being converted to PDF. It will show up here. You can keep working."]);
            ConvertUpload::begin($file->brokerage_id, $upload->id);
        } else {
            $this->finish($upload, $this->convert($path));
            $upload->state === 'done' && $upload->update(['seen' => true]);
        }

        return $upload;
    }

    /** What it becomes, or why it cannot be taken. Asks the database for nothing. */
    public function convert(string $path): Brought|BringRefused
    {
        try {
            return $this->bringIn->convert($path);
        } catch (BringRefused $why) {
            return $why;
        }
    }

    /** Makes a paper of it, or says why not. */
    public function finish(Upload $upload, Brought|BringRefused $brought): void
    {
        try {
            if ($brought instanceof BringRefused) {
                throw $brought;
            }
            $in = $this->bringIn->file($upload->file, $brought, $upload->name, $upload->placeholder, $upload->stage);
            $upload->update([
                'state' => 'done',
                'paper_id' => $in->paper->id,
                'version_id' => $in->version->id,
                'meant_id' => $in->meant?->id,
                'before_state' => $in->wasExpected || $upload->placeholder !== null ? PaperState::Expected : null,
                'parts' => $in->parts,
                'is_question' => $in->isQuestion(),
                'told' => trim("“{$in->paper->title}” is in the file. ".implode(' ', $in->notes)),
            ]);
        } catch (BringRefused|StepRefused $why) {
            $upload->update([
                'state' => 'refused',
                'told' => "{$upload->name}: {$why->getMessage()} Nothing in the file was changed by it.",
            ]);
        }
    }

    /**
     * What arrived and is shown once need not be told again: the paper itself stands on the board. While others are under way it
     * stays beside them; what was refused stays until its uploader lets it go.
     *
     * @param Collection<int, Upload> $uploads
     */
    public function noteShown(Collection $uploads): void
    {
        $done = $uploads->where('state', 'done');
        if ($done->isNotEmpty() && $uploads->where('state', 'working')->isEmpty()) {
            Upload::query()
                ->whereIn('id', $done->pluck('id'))
                ->update(['seen' => true]);
        }
    }

    /** Its uploader has read why it was refused. */
    public function letGo(DealFile $file, string $key, User $by): void
    {
        Upload::query()
            ->where(['deal_file_id' => $file->id, 'user_id' => $by->id, 'key' => $key, 'state' => 'refused'])
            ->update(['seen' => true]);
    }

    /** The paper that the same bytes have become already, and still are. */
    private function twin(Upload $upload): ?Paper
    {
        foreach (
            Upload::query()
                ->where('deal_file_id', $upload->deal_file_id)
                ->where('sha256', $upload->sha256)
                ->where('state', 'done')
                ->whereKeyNot($upload->id)
                ->pluck('paper_id') as $id
        ) {
            $paper = Paper::query()->find($id);
            // Where a newer version lies over it, the older may be wanted again.
            if (
                $paper instanceof Paper &&
                $paper->state !== PaperState::Void &&
                $paper->versions()->where('made_by', MadeBy::Uploaded)->count() === 1
            ) {
                return $paper;
            }
        }

        return null;
    }
}
