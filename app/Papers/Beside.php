<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\DealFile;
use App\Models\KnownFact;
use App\Models\Paper;
use App\Storage\Bytes;
use App\Terms\FactBook;
use Unanimus\Files\PaperState;
use Unanimus\Forms\Filled;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Matching;
use Unanimus\Pages\ToolFailed;
use Unanimus\Requirements\FactCatalog;

/** What stands beside a paper while it is filled: the listing's facts, or another paper of the file with what it has in common. */
final readonly class Beside
{
    public const LISTING = 'listing';

    /**
     * @param string $source as it is told with what is carried over
     * @param list<array{label: string, value: string}> $facts of the listing, as read
     * @param list<array{blank: \Unanimus\Forms\Blank, value: string, here: string}> $matches blanks that ask for the same
     * @param array<int, list<string>> $pages the other paper's text, by page
     */
    private function __construct(
        public string $title,
        public string $source,
        public array $facts = [],
        public array $matches = [],
        public array $pages = [],
        public ?Paper $paper = null,
    ) {
    }

    /** @return array<string, string> what may stand beside it: key to name */
    public static function choices(Paper $paper): array
    {
        $choices = [];
        if ($paper->file->knownFacts->contains(static fn (KnownFact $fact) => self::isOfListing($fact))) {
            $choices[self::LISTING] = 'The listing';
        }
        foreach ($paper->file->papers as $other) {
            if ($other->is($paper) || in_array($other->state, [PaperState::Void, PaperState::Expected], true)) {
                continue;
            }
            $choices[$other->key] = $other->title;
        }

        return $choices;
    }

    public static function listing(DealFile $file): self
    {
        $facts = $file->knownFacts
            ->filter(static fn (KnownFact $fact) => self::isOfListing($fact))
            ->map(static fn (KnownFact $fact) => [
                'label' => FactCatalog::label($fact->name),
                'value' => FactCatalog::shows($fact->name, $fact->value),
            ])
            ->sortBy('label');

        return new self('The listing', 'the listing', array_values($facts->all()));
    }

    /** @throws ToolFailed when its pages cannot be read */
    public static function paper(Paper $here, Paper $other, PaperPrint $print, Bytes $bytes): self
    {
        $form = $here->form();
        $theirs = $other->form();
        $facts = FactBook::of($here->file);
        $matches = $form === null || $theirs === null
            ? []
            : Matching::of($form, self::values(Filling::of($form, $here->entries(), $facts)), $theirs, self::standing($other));
        $scratch = new \Unanimus\Pages\Scratch();

        return new self(
            $other->title,
            $other->title,
            [],
            $matches,
            PaperText::of($other, $scratch->put('paper.pdf', $print->of($other))),
            $other,
        );
    }

    /** @return array<string, string> what stands on the other paper, as kept */
    private static function standing(Paper $other): array
    {
        $form = $other->form();
        $read = $other->latest?->read()->form;
        if ($read !== null || $form === null) {
            return $read->values ?? [];
        }

        return self::values(Filling::of($form, $other->entries(), FactBook::of($other->file)));
    }

    /** @return array<string, string> */
    private static function values(Filling $filling): array
    {
        return array_map(static fn (Filled $filled) => $filled->value, $filling->blanks);
    }

    private static function isOfListing(KnownFact $fact): bool
    {
        return str_contains($fact->source, 'Exchange');
    }
}
