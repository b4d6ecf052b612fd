<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\Intake\Jobs\ReadStack;
use App\Models\InboundItem;
use App\Models\Paper;
use App\Models\PaperVersion;
use App\Models\Stack;
use App\Models\Upload;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Steps\StepRefused;

/** Lays pages out on the sorting table: of an upload, of a paper that is filed already, or of what came by mail. */
final class LayOut
{
    /** @throws StepRefused when it is not in the file as it was uploaded */
    public function upload(Upload $upload, User $by): Stack
    {
        $paper = $upload->paper ?? throw IntakeRefusal::NotInFile->because(name: $upload->name);
        $version = PaperVersion::query()->find($upload->version_id) ?? throw IntakeRefusal::NotInFile->because(name: $upload->name);

        return $this->ofVersion($paper, $version, $upload->name, $by, $upload);
    }

    /** @throws StepRefused when it has no pages from outside */
    public function paper(Paper $paper, User $by): Stack
    {
        $version = $paper->latest;
        if ($version === null || ! in_array($paper->state, [PaperState::Ready, PaperState::Signed], true)) {
            throw IntakeRefusal::NotInFile->because(name: $paper->title);
        }

        return $this->ofVersion($paper, $version, $paper->title, $by, null);
    }

    /**
     * What came by mail, of one letter or several, on one table.
     *
     * @param Collection<int, InboundItem> $items
     *
     * @throws StepRefused when one was filed or put away meanwhile, or none has papers
     */
    public function mail(Collection $items, User $by): Stack
    {
        // One after the other, so that pressed twice it is one table.
        DB::table('inbound_items')->whereIn('id', $items->modelKeys())->orderBy('id')->lockForUpdate()->get();
        $ids = $items->pluck('id')->sort()->values()->all();
        $open = Stack::query()->whereNull('settled_at')->whereRaw('items = ?::jsonb', [json_encode($ids)])->orderBy('id')->first();
        if ($open !== null) {
            return $open;
        }
        foreach ($items as $item) {
            $item->refresh()->settled_at === null || throw IntakeRefusal::SettledMeanwhile->because();
        }
        $items->contains(static fn (InboundItem $item) => $item->papers() !== []) || throw IntakeRefusal::NoPaperInIt->because();
        $first = $items->firstOrFail();
        $stack = Stack::create([
            'brokerage_id' => $first->brokerage_id,
            'user_id' => $by->id,
            'name' => self::name($first),
            'items' => $ids,
        ]);
        ReadStack::begin($stack->brokerage_id, $stack->id);

        return $stack;
    }

    /** What came with a letter, so that it is read before anyone looks. */
    public function ahead(InboundItem $item): void
    {
        if ($item->is_auto || $item->papers() === []) {
            return;
        }
        $stack = Stack::create([
            'brokerage_id' => $item->brokerage_id,
            'user_id' => null,
            'name' => self::name($item),
            'items' => [$item->id],
        ]);
        ReadStack::begin($stack->brokerage_id, $stack->id);
    }

    private static function name(InboundItem $item): string
    {
        return mb_strimwidth($item->subject !== '' ? $item->subject : $item->sender, 0, 200, '…');
    }

    private function ofVersion(Paper $paper, PaperVersion $version, string $name, User $by, ?Upload $upload): Stack
    {
        DB::select('SELECT pg_advisory_xact_lock(2, ?)', [$paper->deal_file_id % 2147483647]);
        $open = Stack::query()
            ->whereNull('settled_at')
            ->where(static fn ($any) => $upload === null
                ? $any->where('paper_id', $paper->id)
                : $any->where('upload_id', $upload->id)->orWhere('paper_id', $paper->id))
            ->first();
        if ($open !== null) {
            return $open;
        }
        $stack = Stack::create([
            'brokerage_id' => $paper->brokerage_id,
            'deal_file_id' => $paper->deal_file_id,
            'side' => $paper->side,
            'staff_only' => $paper->staff_only,
            'user_id' => $by->id,
            'name' => $name,
            'upload_id' => $upload?->id,
            'paper_id' => $paper->id,
            'sources' => [
                ['name' => $name, 'sha256' => $version->sha256, 'pages' => $version->pages, 'first' => $version->first_page],
            ],
            'ready_at' => now(),
        ]);
        ReadStack::begin($stack->brokerage_id, $stack->id);

        return $stack;
    }
}
