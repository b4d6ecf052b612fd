<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Dates\LocalDate;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\ToolFailed;
use Unanimus\Pages\Word;

/** What a look at the pages of a paper found: what stands in its blanks, and what its pages lack. */
final readonly class PaperReading
{
    private const MOST_PAGES = 80;

    /**
     * @param ReadBack|null $form what stands in its blanks; null when it is no form of the library
     * @param list<string> $lacks what its pages lack, in words
     * @param list<SaidTerm> $said what it says of a deal, where it is no form of the library
     */
    public function __construct(public ?ReadBack $form = null, public array $lacks = [], public array $said = [])
    {
    }

    /** Reads a paper; one that cannot be read, or is very long, says nothing. */
    public static function of(string $pdf, Library $library, LocalDate $today): self
    {
        try {
            if ((int) (new NativeTool())->run(['qpdf', '--warning-exit-0', '--show-npages', $pdf]) > self::MOST_PAGES) {
                return new self();
            }
            $words = PageWords::of($pdf);
        } catch (ToolFailed) {
            return new self();
        }
        $texts = array_map(static fn (array $page) => implode(' ', array_map(static fn (Word $word) => $word->text, $page)), $words);

        $form = ReadBack::ofWords($words, $texts, $library, $today);

        return new self($form, PageCheck::of(array_values($texts)), $form === null ? SaidTerms::in($words, $today) : []);
    }

    /**
     * What stands on the pages, as it is kept.
     *
     * @return array<string, mixed>|null null when nothing was read
     */
    public function kept(): ?array
    {
        return $this->form?->toArray() ?? ($this->said === []
            ? null
            : ['said' => array_map(static fn (SaidTerm $one) => $one->toArray(), $this->said)]);
    }

    /**
     * @param array<string, mixed>|null $kept as from {@see kept}
     * @param list<string> $lacks
     */
    public static function ofKept(?array $kept, array $lacks): self
    {
        $said = array_values((array) ($kept['said'] ?? []));

        return new self(ReadBack::fromArray($kept), $lacks, array_map(SaidTerm::fromArray(...), $said));
    }
}
