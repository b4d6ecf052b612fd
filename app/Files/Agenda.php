<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use App\Models\KnownFact;
use App\Models\Task;
use App\Requirements\KitShelf;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Dates\Clashes;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\DealLine;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Override;
use Unanimus\Dates\Schedule;
use Unanimus\Dates\TimeOfDay;
use Unanimus\Terms\Facts;
use Unanimus\Terms\SameAs;
use Unanimus\Terms\Term;

/** A file's days: its anchors, the deadlines that follow, and which of them are done. */
final readonly class Agenda
{
    /**
     * @param array<string, array{label: string, day: LocalDate}> $anchors
     * @param list<Deadline> $deadlines
     * @param list<string> $done
     */
    private function __construct(public array $anchors, public array $deadlines, public array $done, public LocalDate $today)
    {
    }

    public static function of(DealFile $file): self
    {
        return self::from($file, self::rows($file));
    }

    /**
     * Those of many files at once. Only the facts that days hang on are read, and past the models: four hundred files know some
     * sixteen thousand.
     *
     * @param Collection<int, DealFile> $files with their offices and kits
     * @return array<string, self> by the file's key
     */
    public static function ofAll(Collection $files): array
    {
        $facts = KnownFact::query()
            ->whereIntegerInRaw('deal_file_id', $files->modelKeys())
            ->where(
                static fn ($any) => $any
                    ->whereIn('name', [...array_map(static fn (Term $term) => $term->value, Term::anchors()), 'acceptance_time'])
                    ->orWhere('name', 'like', 'done.%')
                    ->orWhere('name', 'like', 'day.%')
                    ->orWhere('name', 'like', '%\_days'),
            )
            ->toBase()
            ->get(['deal_file_id', 'name', 'value', 'source'])
            ->groupBy('deal_file_id');

        return $files->mapWithKeys(static fn (DealFile $file) => [$file->key => self::from($file, $facts[$file->id] ?? [])])->all();
    }

    /** @return iterable<\stdClass> */
    private static function rows(DealFile $file): iterable
    {
        return $file->knownFacts->map(static fn (KnownFact $known) => (object) $known->getAttributes());
    }

    /** @param  iterable<\stdClass>  $facts  name, value and source of each */
    private static function from(DealFile $file, iterable $facts): self
    {
        [$values, $done, $overrides] = self::known($facts);
        $values = SameAs::follow($values);
        $anchors = [];
        foreach (Term::anchors() as $term) {
            $skip = $term === Term::OfferDate || ($term === Term::OfferExpiry && isset($values['acceptance']));
            if (isset($values[$term->value]) && ! $skip) {
                $anchors[$term->value] = ['label' => $term->label(), 'day' => LocalDate::of($values[$term->value])];
            }
        }

        return new self($anchors, self::deadlines($file, $anchors, $values, $overrides), $done, $file->office->today());
    }

    /**
     * The same file's days as they would be with some anchors on other days.
     *
     * @param array<string, LocalDate|null> $moved by the anchor's name; null: without it
     */
    public function moved(DealFile $file, array $moved): self
    {
        [$values, , $overrides] = self::known(self::rows($file));
        if (($values['possession'] ?? '') === SameAs::CLOSING && array_key_exists('closing', $moved)) {
            $moved += ['possession' => $moved['closing']];
        }
        $anchors = $this->anchors;
        foreach ($moved as $name => $day) {
            if ($day === null) {
                unset($anchors[$name]);
            } else {
                $anchors[$name] = ['label' => Term::from($name)->label(), 'day' => $day];
            }
        }

        return new self($anchors, self::deadlines($file, $anchors, SameAs::follow($values), $overrides), $this->done, $this->today);
    }

    /** The day a task is due: its own, or so many days from its anchor. */
    public function due(Task $task, DealFile $file): ?LocalDate
    {
        if ($task->anchor === null) {
            return $task->due;
        }
        $anchor =
            $task->anchor === 'opened'
                ? LocalDate::at($file->created_at, $file->office->timeZone())
                : $this->anchors[$task->anchor]['day'] ?? $this->deadline($task->anchor)?->due;

        return $anchor === null
            ? null
            : ($task->business
                ? $file->office->calendar()->plusBusinessDays($anchor, $task->days)
                : $anchor->plusDays($task->days));
    }

    public function deadline(string $name): ?Deadline
    {
        foreach ($this->deadlines as $deadline) {
            if ($deadline->name === $name) {
                return $deadline;
            }
        }

        return null;
    }

    /**
     * What is known of a file, what of its dates is done, and which were set by hand.
     *
     * @param iterable<\stdClass> $facts
     * @return array{array<string, string>, list<string>, array<string, Override>}
     */
    private static function known(iterable $facts): array
    {
        [$values, $done, $overrides] = [[], [], []];
        foreach ($facts as $known) {
            $name = $known->name;
            $values[$name] = $known->value;
            str_starts_with($name, 'done.') && ($done[] = substr($name, 5));
            str_starts_with($name, 'day.') && ($overrides[substr($name, 4)] = new Override(LocalDate::of($known->value), $known->source));
        }

        return [$values, $done, $overrides];
    }

    /**
     * @param array<string, array{label: string, day: LocalDate}> $anchors
     * @param array<string, string> $values
     * @param array<string, Override> $overrides
     * @return list<Deadline>
     */
    private static function deadlines(DealFile $file, array $anchors, array $values, array $overrides): array
    {
        $facts = Facts::from($values);
        $rules = [];
        foreach (KitShelf::ofFile($file) as $kit) {
            foreach ($kit->deadlinesFor($facts) as $rule) {
                $rules[$rule->name] ??= $rule;
            }
        }

        return $rules === []
            ? []
            : Schedule::compute(
                array_map(static fn (array $anchor) => $anchor['day'], $anchors),
                array_map(static fn (array $anchor) => ['Accepted' => 'acceptance'][$anchor['label']] ?? $anchor['label'], $anchors),
                array_values($rules),
                $file->office->calendar(),
                $overrides,
                // "Accepted after 5 pm counts from the next day", where the hour is known.
                isset($values['acceptance_time']) ? ['acceptance' => TimeOfDay::of($values['acceptance_time'])] : [],
                $file->office->today()->year(),
                $file->office->timeZone(),
            );
    }

    public function line(): ?DealLine
    {
        return DealLine::lay($this->anchors, $this->deadlines, $this->done, $this->today);
    }

    /**
     * What of the days cannot be meant so: a closing on a Sunday, a loan approved only after it.
     *
     * @return list<string>
     */
    public function clashes(DealFile $file): array
    {
        $closing = $this->anchors['closing']['day'] ?? null;
        if ($closing === null || ! $file->status->isOpen()) {
            return [];
        }
        // What is still there without a closing does not hang on it.
        $apart = array_map(
            static fn (Deadline $one) => $one->name,
            $this->moved($file, ['closing' => null, 'possession' => null])->deadlines,
        );
        $open = array_filter(
            $this->deadlines,
            fn (Deadline $one) => in_array($one->name, $apart, true) && ! in_array($one->name, $this->done, true),
        );

        return Clashes::aroundClosing($closing, array_values($open), $file->office->calendar(), $this->today->year());
    }

    /** Days to closing; negative when it has passed. */
    public function daysToClosing(): ?int
    {
        return isset($this->anchors['closing']) ? $this->today->daysUntil($this->anchors['closing']['day']) : null;
    }

    /** @return list<Deadline> not done, due within so many days or late */
    public function open(int $within): array
    {
        return array_values(
            array_filter(
                $this->deadlines,
                fn (Deadline $deadline) => ! in_array($deadline->name, $this->done, true) &&
                    $this->today->daysUntil($deadline->due) <= $within,
            ),
        );
    }
}
