<?php

declare(strict_types=1);

namespace App\Overview;

use App\Mail\Refused;
use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Signer;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Signing\SignerStatus;

/** People whose link did not arrive: they wait on whoever can set the address right. */
final class NotReached
{
    /**
     * Whom an email with a link did not reach: it waits for another address.
     *
     * @param Collection<int, DealFile> $files those somebody works on, by id
     * @return list<TodayRow>
     */
    public static function rows(Collection $files): array
    {
        $signers = Signer::query()
            ->with('round')
            ->where('status', SignerStatus::Invited)
            ->whereIn('deal_file_id', $files->modelKeys())
            ->whereHas('round', static fn ($round) => $round->where('status', 'out')->where('rehearsal', false))
            ->get();
        $requests = FillRequest::query()->where('status', 'out')->whereNull('opened_at')->whereIn('deal_file_id', $files->modelKeys())->get();
        $back = Refused::of([
            ...$signers->map(static fn (Signer $one) => "signer {$one->key}")->all(),
            ...$requests->map(static fn (FillRequest $one) => "fill {$one->key}")->all(),
        ]);
        $rows = [];
        foreach ($signers as $signer) {
            isset($back["signer {$signer->key}"]) && ($rows[] = new TodayRow(
                "Email did not reach {$signer->name}",
                $signer->round->title,
                $files[$signer->deal_file_id]->name,
                "/rounds/{$signer->round->key}",
                hot: true,
            ));
        }
        foreach ($requests as $request) {
            $file = $files[$request->deal_file_id];
            isset($back["fill {$request->key}"]) && ($rows[] = new TodayRow(
                "Email did not reach {$request->name}",
                'to fill in',
                $file->name,
                "/files/{$file->key}/fill-requests",
                hot: true,
            ));
        }

        return $rows;
    }
}
