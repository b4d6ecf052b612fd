<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Paper;
use App\Models\Party;
use App\Storage\Bytes;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\ToolFailed;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\MarkFinder;
use Unanimus\Signing\PrintedNames;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

/** Where a paper from outside seems to be signed, for the people of its file. */
final class FoundMarks
{
    /** Whether a paper has pages that are but pictures: what stands there is known once they are read. */
    public static function mustBeRead(Paper $paper): bool
    {
        $sha256 = $paper->latest?->sha256;
        try {
            return $sha256 !== null && ! $paper->isDraft() && MarkFinder::hasPictures(app(Bytes::class)->path($sha256));
        } catch (PdfRefused|ToolFailed) {
            return false;
        }
    }

    /**
     * @param array<string, Party> $parties everyone in the file, by seat: also those whom the other side asks
     * @param list<PartyRole> $asked roles that this side asks
     * @param bool $scans whether a scan is read, too
     * @return list<ProposedMark> those of a kind that is put on pages; none where the paper cannot be read for it
     */
    public static function on(Paper $paper, array $parties, array $asked, bool $scans = false): array
    {
        $sha256 = $paper->latest?->sha256;
        if ($sha256 === null || $paper->isDraft()) {
            return [];
        }
        $seats = array_values(
            array_filter(array_map(Seat::of(...), array_keys($parties)), static fn (Seat $seat) => in_array($seat->role, $asked, true)),
        );
        try {
            $found = MarkFinder::in(app(Bytes::class)->path($sha256), $seats, $scans, self::names($parties));
        } catch (PdfRefused|ToolFailed) {
            // Places are then pointed at by hand.
            return [];
        }

        // What is the other side's to sign their own agent asks for: it is no question here.
        $theirs = static fn (ProposedMark $mark): bool => $mark->seat === null &&
            $mark->role !== null &&
            ! in_array($mark->role, $asked, true);

        return array_values(
            array_filter($found, static fn (ProposedMark $mark) => ! $theirs($mark)),
        );
    }

    /** @param  array<string, Party>  $parties */
    private static function names(array $parties): PrintedNames
    {
        return PrintedNames::of(
            array_map(static fn (Party $party) => $party->kind === 'person' ? $party->name : (string) $party->signed_by, $parties),
        );
    }
}
