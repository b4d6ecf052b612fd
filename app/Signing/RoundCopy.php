<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Signer;
use App\Models\SigningMark;
use App\Signing\Actions\PlaceMarks;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;

/** The people, papers and places of a round, put into another one. */
final class RoundCopy
{
    /**
     * @param Round $from with its signers, papers, marks and the parties of its file
     * @param Collection<int, RoundPaper>|null $papers of them only these
     */
    public static function into(Round $from, Round $round, ?Collection $papers = null): void
    {
        foreach ($from->signers as $signer) {
            $new = self::askAgain($from, $round, $signer);
            $new?->update($signer->only(['note', 'part', 'language', 'code', 'asks']));
        }
        $seats = $round->signers()->pluck('seat')->all();
        $keys = $from->marks->mapWithKeys(static fn (SigningMark $mark) => [$mark->key => strtoupper((string) Str::ulid())])->all();
        foreach ($papers ?? $from->papers as $before) {
            $sent = $round->papers()->create([
                ...$before->only([
                    'brokerage_id',
                    'deal_file_id',
                    'paper_id',
                    'position',
                    'place',
                    'title',
                    'pages',
                    'unclear',
                    'seen',
                    'stencil',
                ]),
            ]);
            self::marks($from, $before, $round, $sent, $seats, $keys);
        }
    }

    /** Asks whoever signed in one round in another of the same file; null when they are no longer in it. */
    public static function askAgain(Round $from, Round $round, Signer $signer): ?Signer
    {
        if ($signer->party_id === null) {
            return PlaceMarks::askOne($round, $signer->only(['party_id', 'seat', 'name', 'initials', 'email', 'language', 'turn']));
        }
        $party = $from->file->parties->firstWhere('id', $signer->party_id);

        return $party === null ? null : PlaceMarks::ask($round, $party, $signer->turn);
    }

    /**
     * @param array<int, mixed> $seats of those who are asked there
     * @param array<array-key, string> $keys of the new marks by those of the old
     */
    private static function marks(Round $from, RoundPaper $before, Round $round, RoundPaper $sent, array $seats, array $keys): void
    {
        foreach ($from->marks->where('round_paper_id', $before->id) as $mark) {
            $when = isset($mark->terms['when']) ? ['when' => $keys[$mark->terms['when']] ?? ''] : [];
            in_array($mark->seat, $seats, true) && $round->marks()->forceCreate([
                ...$mark->only([
                    'brokerage_id',
                    'deal_file_id',
                    'seat',
                    'kind',
                    'page',
                    'x',
                    'y',
                    'width',
                    'height',
                    'position',
                    'sure',
                ]),
                'key' => $keys[$mark->key],
                'round_id' => $round->id,
                'round_paper_id' => $sent->id,
                'terms' => [...$mark->terms, ...$when],
            ]);
        }
    }
}
