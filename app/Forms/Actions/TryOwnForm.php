<?php

declare(strict_types=1);

namespace App\Forms\Actions;

use App\Forms\OwnShelf;
use App\Models\DealFile;
use App\Models\OwnForm;
use App\Terms\FactBook;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\Blank;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Pages\Press;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;

/** Fills a form in the making on trial: nothing of it is kept. */
final class TryOwnForm
{
    public function __construct(private readonly Press $press)
    {
    }

    /**
     * The form as it would stand with a file's facts, or with a sample in every blank.
     *
     * @throws \Unanimus\Forms\DraftRefused when something is still to be put right
     */
    public function fill(OwnForm $own, ?DealFile $file): Filling
    {
        $form = OwnShelf::form($own);

        return $file === null ? Filling::of($form, self::samples($form), Facts::from([])) : Filling::of($form, [], FactBook::of($file));
    }

    /**
     * The form as PDF with what was typed.
     *
     * @param array<string, string> $typed by blank
     * @return array{string, list<string>} the bytes, and what could not be read, in words
     *
     * @throws \Unanimus\Forms\DraftRefused when something is still to be put right
     */
    public function print(OwnForm $own, array $typed): array
    {
        $form = OwnShelf::form($own);
        $today = LocalDate::at(now(), new \DateTimeZone('UTC'));
        $entries = [];
        $left = [];
        foreach ($form->blanks as $blank) {
            try {
                $value = $blank->parse($typed[$blank->name] ?? '', $today);
                ($value === '' && $blank->formula !== null) || ($entries[$blank->name] = $value);
            } catch (EntryUnreadable $unreadable) {
                $left[] = "{$blank->label}: {$unreadable->getMessage()}";
            }
        }

        return [FilledPages::pdf($form, Filling::of($form, $entries, Facts::from([])), $this->press), $left];
    }

    /** @return array<string, string> one for each blank that is not computed; of ticks that exclude each other the first */
    private static function samples(Form $form): array
    {
        $samples = [];
        $groups = [];
        foreach ($form->blanks as $blank) {
            if ($blank->formula !== null || ($blank->group !== null && isset($groups[$blank->group]))) {
                continue;
            }
            $blank->group === null || ($groups[$blank->group] = true);
            $samples[$blank->name] = self::sample($blank);
        }

        return $samples;
    }

    private static function sample(Blank $blank): string
    {
        return match ($blank->kind) {
            Kind::Money => '1234567.00',
            Kind::Percent => '12.5',
            Kind::Number => '12',
            Kind::Date => now()->addMonth()->format('Y-m-d'),
            Kind::Time => '17:30',
            Kind::Tick => 'x',
            Kind::Choice => $blank->options[0] ?? '',
            default => $blank->label,
        };
    }
}
