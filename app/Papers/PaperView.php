<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\Paper;
use App\Models\PaperPiece;
use App\Storage\Bytes;
use App\Terms\FactBook;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\Moment;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Continuation;
use Unanimus\Forms\Filled;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Forms\Library;
use Unanimus\Forms\MarkPlace;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\LayerPiece;
use Unanimus\Pages\PdfLook;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Term;

/** A paper made ready for the screen: each page with what stands on it, and the list of blanks. */
final readonly class PaperView
{
    /**
     * @param list<array{float, float}> $sizes
     * @param list<Blank> $missing
     * @param array<string, string> $by who made an entry from outside, or what it was carried over from, in words, by blank
     */
    private function __construct(
        public Paper $paper,
        public ?Form $form,
        public ?Filling $filling,
        public array $sizes,
        public array $missing,
        public string $stamp,
        public string $stored,
        public array $by = [],
    ) {
    }

    /**
     * @param bool $asked whether the screen shows when it was last stored
     * @param Facts|null $facts of the file, where they are at hand
     * @param bool $told whether the screen says where entries come from
     */
    public static function of(Paper $paper, bool $asked = true, ?Facts $facts = null, bool $told = true): self
    {
        $form = $paper->form();
        $filling = $paper->isDraft() && $form !== null ? $paper->filling($facts ?? FactBook::of($paper->file)) : null;
        if ($form !== null && $filling !== null) {
            $last = $asked ? DB::table('paper_entries')->where('paper_id', $paper->id)->whereNotNull('user_id')->max('at') : null;

            $by = ! $told ? [] : DB::table('paper_values')
                ->join('paper_entries', 'paper_entries.id', '=', 'paper_values.entry_id')
                ->where('paper_values.paper_id', $paper->id)
                ->where(static fn ($entries) => $entries->whereNotNull('by_name')->orWhereNotNull('source'))
                ->selectRaw("paper_values.blank, coalesce('from ' || source, 'entered by ' || by_name) AS told")
                ->pluck('told', 'blank')
                ->all();

            return new self(
                $paper,
                $form,
                $filling,
                $form->pages,
                $filling->missing(),
                PageStore::stamp($form),
                self::time($last, $paper),
                $by,
            );
        }

        return self::kept($paper, $form);
    }

    /** The pages alone, without what stands on them: a set of eighty pages is opened faster than its entries are read. */
    public static function printed(Paper $paper): self
    {
        if (! $paper->isDraft()) {
            return self::kept($paper, null);
        }
        $printed = app(Library::class)->printed((string) $paper->form_number, $paper->form_revision);

        return new self($paper, null, null, $printed->pages, [], PageStore::stamp($printed), '');
    }

    private static function kept(Paper $paper, ?Form $form): self
    {
        $version = $paper->latest;
        $sizes = $version === null ? [] : array_slice(self::sizes($version->sha256), $version->first_page - 1, $version->pages);

        return new self($paper, $form, null, $sizes, [], substr($version->sha256 ?? '', 0, 12), '');
    }

    /**
     * Sizes of the pages of kept bytes. They are the same for ever: read once.
     *
     * @return list<array{float, float}>
     */
    public static function sizes(string $sha256): array
    {
        return Cache::memo()->remember(
            "page sizes:{$sha256}",
            now()->addDays(30),
            static fn (): array => PdfLook::into(app(Bytes::class)->path($sha256))->pages(),
        );
    }

    /**
     * Reads the sizes of several at once, where they are known already.
     *
     * @param list<string> $kept SHA-256 of each
     */
    public static function sizesAhead(array $kept): void
    {
        count($kept) < 2 || Cache::memo()->many(array_map(static fn (string $sha256) => "page sizes:{$sha256}", $kept));
    }

    /** @return list<Filled> what stands on a page, from 1, in reading order */
    public function on(int $page): array
    {
        return array_values(array_filter($this->filling->blanks ?? [], static fn (Filled $filled) => $filled->blank->page === $page));
    }

    /**
     * What stands on each page besides what is printed: entries and what was put over it by hand.
     *
     * @param list<LayerPiece>|null $layer what was put over it, where that is at hand
     * @return array<int, Drawing>
     */
    public function drawings(?array $layer = null): array
    {
        $layer ??= PaperPiece::layer($this->paper);

        return $this->form !== null && $this->filling !== null
            ? FilledPages::draw($this->form, $this->filling, $layer)
            : LayerPiece::draw($layer, [], $this->sizes);
    }

    /** What was put over a page by hand, as SVG. */
    public function layerOn(int $page): string
    {
        return (LayerPiece::draw(PaperPiece::layer($this->paper), [], $this->sizes)[$page] ?? null)?->inner() ?? '';
    }

    /** What is said of a blank that is still missing; of a choice, all that can be chosen. */
    public function wants(Blank $blank): string
    {
        if ($blank->group === null) {
            return 'required';
        }
        $choices = [];
        foreach ($this->form->blanks ?? [] as $other) {
            $other->group === $blank->group && $choices[] = $other->label;
        }

        return count($choices) < 2 ? 'required' : 'required, choose one: '.implode(', ', $choices);
    }

    /** @return list<MarkPlace> */
    public function marksOn(int $page): array
    {
        return array_values(array_filter($this->form->marks ?? [], static fn (MarkPlace $mark) => $mark->page === $page));
    }

    public function missingOn(int $page): int
    {
        return count(array_filter($this->missing, static fn (Blank $blank) => $blank->page === $page));
    }

    public function isMissing(string $name): bool
    {
        foreach ($this->missing as $blank) {
            if ($blank->name === $name) {
                return true;
            }
        }

        return false;
    }

    /**
     * What the screen must know after an entry: every blank as it stands, what is missing, and whether a term is departed from.
     *
     * @return array<string, mixed>
     */
    public function changes(string $blank): array
    {
        $all = [];
        $continued = $this->form === null || $this->filling === null ? [] : Continuation::numbers($this->form, $this->filling);
        foreach ($this->filling->blanks ?? [] as $name => $filled) {
            $source = $this->by[$name] ?? $filled->source;
            $all[$name] = [
                'shown' => self::shown($filled),
                'source' => isset($continued[$name]) ? "{$source}; continues on the continuation page ({$continued[$name]})" : $source,
                'departs' => $filled->departs,
            ];
        }
        $filled = $this->filling->blanks[$blank] ?? null;
        $binding = $filled?->blank->binding;
        $term =
            $binding === null || str_contains($binding, '?')
                ? null
                : Term::tryFrom($binding) ?? \Unanimus\Terms\PropertyFact::tryFrom($binding);

        return [
            'stored' => self::time(now()->toIso8601String(), $this->paper),
            'blanks' => $all,
            'missing' => array_map(static fn (Blank $left) => $left->name, $this->missing),
            'ask' => $filled !== null && $filled->departs && $term !== null
                    ? [
                        'blank' => $blank,
                        'term' => $term->label(),
                        'here' => $filled->blank->kind->show($filled->value),
                        'there' => $filled->blank->kind->show((string) $filled->followed),
                        ...$this->reach((string) $binding),
                    ]
                    : null,
        ];
    }

    /**
     * Where else a term stands: drafts that follow when it changes, and papers that are out or signed and would then differ.
     *
     * @return array{follow: list<string>, differ: list<string>}
     */
    private function reach(string $binding): array
    {
        $reach = ['follow' => [], 'differ' => []];
        foreach ($this->paper->file->papers as $paper) {
            /** @var Paper $paper */
            $bound = array_filter($paper->form()->blanks ?? [], static fn (Blank $blank) => $blank->binding === $binding);
            if ($bound === [] || $paper->id === $this->paper->id) {
                continue;
            }
            if ($paper->isDraft()) {
                $reach['follow'][] = $paper->title;
            } elseif ($paper->state->isFixed()) {
                $reach['differ'][] = $paper->title;
            }
        }

        return $reach;
    }

    public static function shown(Filled $filled): string
    {
        return $filled->blank->kind->show($filled->value);
    }

    private static function time(?string $at, Paper $paper): string
    {
        return $at === null ? '' : Moment::time(new \DateTimeImmutable($at), $paper->file->office->zone);
    }
}
