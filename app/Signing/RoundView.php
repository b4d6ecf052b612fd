<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\PaperPiece;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\SigningMark;
use App\Papers\PaperView;
use App\Terms\FactBook;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Pages\Drawing;
use Unanimus\Signing\RoundStatus;
use Unanimus\Terms\Facts;

/** A round's pages made ready for the screen, with the marks on them. */
final readonly class RoundView
{
    /** Pages that are drawn at once. */
    private const AT_ONCE = 4;

    /** Pages of a draft that are looked over before it is shown. */
    private const LOOKED_OVER = 30;

    /**
     * @param list<array{paper: RoundPaper, page: int, width: float, height: float, image: string, inner: string, later: bool,
     *     marks: list<array{mark: SigningMark, made: bool, drawn: string}>}> $pages
     */
    private function __construct(public array $pages)
    {
    }

    /** Whether it is so long that its page opens before it is looked over for what is wrong. */
    public function isLong(): bool
    {
        return count($this->pages) > self::LOOKED_OVER;
    }

    /** Loads what its page shows; what the file has already is not read a second time. */
    public static function load(Round $round): Round
    {
        $round->loadMissing('file');
        $round->file->loadMissing(['office', 'members'])->load(['knownFacts', 'parties', 'papers']);
        $isDraft = $round->status === RoundStatus::Drafting;
        $round->load(['papers', 'signers', 'marks', 'sender', ...$isDraft ? [] : ['events', 'sealedSet']]);
        $isDraft && $round->setRelation('events', $round->newCollection())->setRelation('sealedSet', null);
        $there = $round->file->papers->keyBy('id');
        foreach ($round->papers as $one) {
            isset($there[$one->paper_id]) && $one->setRelation('paper', $there[$one->paper_id]);
        }
        $round->papers->loadMissing('paper');
        (new Collection($round->papers->map(static fn (RoundPaper $one) => $one->paper)->all()))->loadMissing(['values', 'latest']);
        $parties = $round->file->parties->keyBy('id');
        foreach ($round->signers as $signer) {
            $signer->setRelation('party', $parties[$signer->party_id] ?? null);
        }

        return $round;
    }

    /**
     * What stands on the pages of a draft that its page comes without.
     *
     * @return array<string, string> drawn, by paper and page
     */
    public static function rest(Round $round): array
    {
        $rest = [];
        foreach (self::of($round, whole: true)->pages as $page) {
            $page['inner'] === '' || ($rest["{$page['paper']->position}/{$page['page']}"] = $page['inner']);
        }

        return $rest;
    }

    /**
     * As its sender sees it, drafts with what is filled in.
     *
     * @param bool $whole whether also what stands on pages that nobody sees before they scroll
     */
    public static function of(Round $round, ?Facts $facts = null, bool $whole = false): self
    {
        $pages = [];
        $drafting = $round->status === RoundStatus::Drafting;
        $scan = self::scan($round);
        // On the desk of a draft the places are drawn by the page itself.
        $marks = $drafting ? [] : self::marks($round);
        $facts ??= FactBook::of($round->file);
        $layers = $drafting ? PaperPiece::layers($round->papers->map(static fn (RoundPaper $sent) => $sent->paper)) : [];
        PaperView::sizesAhead(array_values(array_filter(array_map(self::kept(...), $round->papers->all()))));
        foreach ($round->papers as $sent) {
            $isDrawn = $drafting && ($whole || count($pages) < self::AT_ONCE);
            $paper = $sent->paper->setRelation('file', $round->file);
            $view = $isDrawn ? PaperView::of($paper, false, $facts, false) : PaperView::printed($paper);
            $drawings = $isDrawn ? $view->drawings($layers[$sent->paper_id] ?? []) : [];
            $sizes = $drafting || $sent->sha256 === null ? $view->sizes : PaperView::sizes($sent->sha256);
            foreach ($sizes as $index => [$width, $height]) {
                $page = $index + 1;
                $pages[] = [
                    'paper' => $sent,
                    'page' => $page,
                    'width' => $width,
                    'height' => $height,
                    'inner' => ($drawings[$page] ?? null)?->inner() ?? '',
                    'later' => $drafting && ! $isDrawn,
                    'image' => $drafting
                        ? "/papers/{$sent->paper->key}/pages/{$page}.webp?v={$view->stamp}"
                        : "/rounds/{$round->key}/papers/{$sent->position}/pages/{$page}.webp{$scan}",
                    'marks' => $marks["{$sent->id}/{$page}"] ?? [],
                ];
            }
        }

        return new self($pages);
    }

    /** The bytes whose pages are shown, where they are kept ones and no form's. */
    private static function kept(RoundPaper $sent): ?string
    {
        return $sent->paper->isDraft() ? null : $sent->paper->latest?->sha256;
    }

    /** Behind the address of a page once it is that of a scan: another picture has another address. */
    private static function scan(Round $round): string
    {
        $scan = $round->status === RoundStatus::Drafting ? null : PenScan::of($round);

        return $scan === null ? '' : '?v='.substr($scan->sha256, 0, 8);
    }

    /** As a signer sees it: the papers as they were sent. */
    public static function forSigner(Round $round, string $token): self
    {
        $pages = [];
        $scan = self::scan($round);
        $marks = self::marks($round);
        foreach ($round->papers as $sent) {
            foreach (PaperView::sizes((string) $sent->sha256) as $index => [$width, $height]) {
                $page = $index + 1;
                $pages[] = [
                    'paper' => $sent,
                    'page' => $page,
                    'width' => $width,
                    'height' => $height,
                    'inner' => '',
                    'later' => false,
                    'image' => "/sign/{$token}/papers/{$sent->position}/pages/{$page}.webp{$scan}",
                    'marks' => $marks["{$sent->id}/{$page}"] ?? [],
                ];
            }
        }

        return new self($pages);
    }

    /** @return array<string, list<array{mark: SigningMark, made: bool, drawn: string}>> by paper and page, in the order of reading */
    private static function marks(Round $round): array
    {
        $words = new MarkWords($round);
        $marks = [];
        foreach ($round->marks->sortBy(static fn (SigningMark $mark) => [round((float) $mark->y / 6), (float) $mark->x]) as $mark) {
            $drawing = new Drawing(612, 792);
            $words->draw($drawing, $mark);
            $marks["{$mark->round_paper_id}/{$mark->page}"][] = [
                'mark' => $mark,
                'made' => $words->stands($mark),
                'drawn' => $drawing->inner(),
            ];
        }

        return $marks;
    }
}
