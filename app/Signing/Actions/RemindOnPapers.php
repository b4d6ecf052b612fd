<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Forms\Actions\KeepFillRequest;
use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Paper;
use App\Models\Round;
use App\Papers\SelectedPapers;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Forms\FillStatus;
use Unanimus\Signing\RoundStatus;

/** Reminds everyone who owes something on some papers, each once. */
final class RemindOnPapers
{
    public function __construct(private readonly RemindSigner $remind, private readonly KeepFillRequest $fillRequests)
    {
    }

    /**
     * @param list<string> $keys of the papers
     * @return array{list<string>, list<string>, list<string>} who is reminded; who was, minutes ago; titles on which nobody is asked
     */
    public function __invoke(DealFile $file, array $keys): array
    {
        $papers = SelectedPapers::from($file, $keys);
        $ids = array_map(static fn (Paper $paper) => $paper->id, $papers);
        $rounds = $this->rounds($file, $ids);
        $requests = $this->requests($file, $ids);
        [$names, $before] = [[], []];
        foreach ($rounds as $round) {
            foreach ($round->signers->whereIn('seat', $round->state()->asked()) as $signer) {
                ($this->remind)($round, $signer) ? ($names[] = $signer->name) : ($before[] = $signer->name);
            }
        }
        foreach ($requests as $request) {
            $this->fillRequests->remind($request);
            $names[] = $request->name;
        }
        $asked = [
            ...$rounds->flatMap(static fn (Round $round) => $round->papers->pluck('paper_id')),
            ...$requests->flatMap(static fn (FillRequest $request) => $request->papers->pluck('id')),
        ];
        $quiet = array_filter($papers, static fn (Paper $paper) => ! in_array($paper->id, $asked, true));

        return [
            array_values(array_unique($names)),
            array_values(array_diff(array_unique($before), $names)),
            array_values(array_map(static fn (Paper $paper) => $paper->title, $quiet)),
        ];
    }

    /**
     * @param list<int> $papers
     * @return Collection<int, Round>
     */
    private function rounds(DealFile $file, array $papers): Collection
    {
        return Round::query()
            ->with(['papers', 'signers', 'marks', 'events', 'file.office'])
            ->where('deal_file_id', $file->id)
            ->where('status', RoundStatus::Out)
            ->whereHas('papers', static fn ($sent) => $sent->whereIn('paper_id', $papers))
            ->get();
    }

    /**
     * @param list<int> $papers
     * @return Collection<int, FillRequest>
     */
    private function requests(DealFile $file, array $papers): Collection
    {
        return FillRequest::query()
            ->with(['papers', 'file.office', 'asker'])
            ->where('deal_file_id', $file->id)
            ->where('status', FillStatus::Out)
            ->whereHas('papers', static fn ($paper) => $paper->whereIn('papers.id', $papers))
            ->get();
    }
}
