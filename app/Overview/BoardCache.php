<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\DealFile;
use App\Models\Paper;
use App\Papers\PaperCheck;
use Illuminate\Support\Facades\Cache;
use Unanimus\Forms\CrossCheck;
use Unanimus\Forms\Finding;
use Unanimus\Forms\SaidTerm;
use Unanimus\Pages\Rect;
use Unanimus\Terms\Fact;
use Unanimus\Terms\Facts;

/**
 * What the rules say of each paper of a file: how many blanks it lacks, what is to be looked at, who signs on it. Kept
 * until anything it rests on is another: a fact, an entry, a paper, the day, or the application itself.
 */
final readonly class BoardCache
{
    private const KEPT_FOR = 7 * 86400;

    /**
     * @param list<Finding> $findings
     * @param list<string> $seats that have a mark on it
     */
    private function __construct(
        public int $missing,
        public array $findings,
        public ?int $pages,
        public array $seats,
        public bool $isSigned,
    ) {
    }

    /** @return array<string, self> by the paper's key */
    public static function of(DealFile $file, Facts $facts): array
    {
        $said = PaperCheck::said($file);
        $rests = self::restsOn($file, $facts, $said);
        // One place a file. It rests on the very papers that are seen: what one side has reckoned is nothing to the other.
        $place = "reckoned:{$file->id}";
        $kept = Cache::get($place);
        if (is_array($kept) && ($kept['rests'] ?? null) === $rests) {
            return array_map(self::fromArray(...), $kept['papers']);
        }
        $papers = self::reckon($file, $facts, $said);
        Cache::put($place, ['rests' => $rests, 'papers' => array_map(static fn (self $one) => $one->toArray(), $papers)], self::KEPT_FOR);

        return $papers;
    }

    /**
     * @param array<int, list<SaidTerm>> $said
     * @return array<string, self>
     */
    private static function reckon(DealFile $file, Facts $facts, array $said): array
    {
        // None of them asks for the file it is in.
        $file->papers->each(static fn (Paper $paper) => $paper->setRelation('file', $file));
        $drafts = PaperCheck::drafts($file, $facts);
        $findings = CrossCheck::of($drafts, $file->office->today());
        $reckoned = [];
        foreach ($file->papers as $paper) {
            /** @var Paper $paper */
            $form = $paper->form();
            $reckoned[$paper->key] = new self(
                isset($drafts[$paper->key]) ? count($drafts[$paper->key]['filling']->missing()) : 0,
                $findings[$paper->key] ?? PaperCheck::findings($paper, $facts, $said),
                $form === null ? null : count($form->pages),
                $form?->seats() ?? [],
                $form !== null && $form->marks !== [],
            );
        }

        return $reckoned;
    }

    /** @param  array<int, list<SaidTerm>>  $said  a scan says more once it was read */
    private static function restsOn(DealFile $file, Facts $facts, array $said): string
    {
        return hash(
            'xxh128',
            serialize([
                config('unanimus.build'),
                $file->office->today()->iso(),
                array_map(static fn (Fact $fact) => $fact->value, $facts->all()),
                array_filter($said),
                $file->papers
                    ->map(
                        static fn (Paper $paper) => [
                            $paper->key,
                            $paper->title,
                            $paper->form_number,
                            $paper->form_revision,
                            $paper->state->value,
                            $paper->latest?->id,
                            $paper->isDraft() ? $paper->entries() : [],
                        ],
                    )
                    ->all(),
            ]),
        );
    }

    /** @return array<mixed> */
    private function toArray(): array
    {
        return [
            $this->missing,
            array_map(static fn (Finding $one) => [$one->blank, $one->text, $one->page, $one->place?->toArray()], $this->findings),
            $this->pages,
            $this->seats,
            $this->isSigned,
        ];
    }

    /** @param  array<mixed>  $kept */
    private static function fromArray(array $kept): self
    {
        $findings = array_map(
            static fn (array $one) => new Finding($one[0], $one[1], $one[2], $one[3] === null ? null : Rect::fromArray($one[3])),
            $kept[1],
        );

        return new self($kept[0], $findings, $kept[2], $kept[3], $kept[4]);
    }
}
