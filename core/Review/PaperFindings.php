<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Dates\LocalDate;
use Unanimus\Finding\Query;
use Unanimus\Forms\Finding;
use Unanimus\Forms\Form;
use Unanimus\Forms\MarkPlace;
use Unanimus\Forms\UnwrittenPlaces;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SeenPlace;

/**
 * What a machine can say of a paper before a reviewer reads it: who has not signed, what is empty, which revision it is on, who
 * signed under another name, and when.
 */
final class PaperFindings
{
    /** How sure it must be whose a line is, to say that they have not signed. */
    private const SURE = 0.6;

    private const LAID = 'laid over the page as it was printed';

    /**
     * Places on a scan without ink, of people the file has; and required blanks.
     *
     * @param array<string, string> $people names, by seat
     * @return list<ReviewFinding>
     */
    public static function unwritten(UnwrittenPlaces $found, Form $form, array $people): array
    {
        $told = [];
        foreach ($found->marks as ['mark' => $mark, 'page' => $page]) {
            $name = $people[(string) $mark->seat] ?? '';
            if ($name !== '') {
                $told[] = new ReviewFinding(self::missing($mark, $name), 'no ink at its place', $page, $mark->place);
            }
        }
        foreach ($found->blanks as ['blank' => $name, 'page' => $page]) {
            $blank = $form->blank($name);
            if ($blank !== null) {
                $told[] = new ReviewFinding("{$blank->label}: nothing is filled in.", 'no ink at its place', $page, $blank->place);
            }
        }
        foreach ($found->changed as ['page' => $page, 'place' => $place]) {
            $told[] = $place === null
                ? new ReviewFinding("Page {$page} has much written on it where the form has no blanks. Read it by eye.", self::LAID, $page)
                : new ReviewFinding('Something was written or struck out by hand here.', self::LAID, $page, $place);
        }
        foreach ($found->unlike as $page) {
            $told[] = new ReviewFinding(
                "Page {$page} could not be laid over the form. Check its signatures and blanks by eye.",
                'compared with the form',
                $page,
            );
        }

        return $told;
    }

    /**
     * Places of a paper that no form is known for, on which nobody has written.
     *
     * @param list<SeenPlace> $seen
     * @param array<string, string> $people names, by seat
     * @return list<ReviewFinding>
     */
    public static function unwrittenLines(array $seen, array $people): array
    {
        $told = [];
        foreach ($seen as $one) {
            $name = $one->seat === null ? '' : $people[(string) $one->seat] ?? '';
            if ($one->seat !== null && $name !== '' && ! $one->isWritten && $one->sure >= self::SURE) {
                $mark = new MarkPlace($one->kind, $one->seat, $one->page, $one->place);
                $told[] = new ReviewFinding(self::missing($mark, $name), 'no ink above its line', $one->page, $one->place);
            }
        }

        return $told;
    }

    /**
     * Addenda that a contract says belong to it and the file has not, and the other way round.
     *
     * @param array<string, string> $values what stands on the contract, by blank
     * @param list<string> $there numbers of the forms in the file
     * @param bool $isWhole whether everything on it is known, also what is not checked; false for a scan
     * @return list<ReviewFinding>
     */
    public static function addenda(Form $contract, array $values, array $there, bool $isWhole): array
    {
        $told = [];
        foreach ($contract->blanks as $blank) {
            if (preg_match('/^attached\.([a-z]+-\d+)\?yes$/', (string) $blank->binding, $m) !== 1) {
                continue;
            }
            $isNamed = ($values[$blank->name] ?? '') !== '';
            $isThere = in_array(strtoupper($m[1]), $there, true);
            if ($isNamed && ! $isThere) {
                $text = "The contract names the “{$blank->label}”, and it is not in the file.";
                $told[] = new ReviewFinding($text, 'compared with the file', $blank->page, $blank->place);
            } elseif ($isWhole && ! $isNamed && $isThere) {
                $text = "The “{$blank->label}” is in the file, and the contract does not name it.";
                $told[] = new ReviewFinding($text, 'compared with the file', $blank->page, $blank->place);
            }
        }

        return $told;
    }

    /**
     * People of the file for whom the form has a place, and who have not signed it.
     *
     * @param array<string, string> $people names, by seat
     * @param list<string> $signed seats that have
     * @return list<ReviewFinding>
     */
    public static function unsigned(Form $form, array $people, array $signed): array
    {
        $told = [];
        foreach ($form->marks as $mark) {
            $seat = (string) $mark->seat;
            $isOpen = $mark->kind === MarkKind::Signature && isset($people[$seat]) && ! in_array($seat, $signed, true);
            if ($isOpen) {
                $told[$seat] ??= new ReviewFinding(self::missing($mark, $people[$seat]), 'from the rounds', $mark->page, $mark->place);
            }
        }

        return array_values($told);
    }

    /** A paper on a revision that is not in force any more. */
    public static function revision(string $used, Form $inForce): ?ReviewFinding
    {
        return $used === '' || $used === $inForce->revision ? null : new ReviewFinding(
            "It is on revision {$used} of {$inForce->number}; revision {$inForce->revision} is in force.",
            'read at the foot of its pages',
        );
    }

    /**
     * Who signed under a name that is not the one the file has for them, and who is no party of the file at all.
     *
     * @param array<string, string> $signed names signed under, by seat
     * @param array<string, string> $people names in the file, by seat
     * @return list<ReviewFinding>
     */
    public static function names(array $signed, array $people): array
    {
        $told = [];
        foreach ($signed as $seat => $name) {
            $known = $people[$seat] ?? '';
            $label = ucfirst(Seat::of($seat)->label());
            if ($known === '') {
                $told[] = new ReviewFinding("{$name} signed as {$label}, and the file has no one there.", 'compared with the file');
            } elseif (Query::plain($known) !== Query::plain($name)) {
                $told[] = new ReviewFinding("{$label} signed as {$name}; the file says {$known}.", 'compared with the file');
            }
        }

        return $told;
    }

    /**
     * Who signed for a company, a trust, an estate or another person, while the file does not say who may, or as what.
     *
     * @param array<string, array{name: string, kind: string, by: string, as: string}> $parties by seat: what they are, who signs, as what
     * @param list<string> $signed seats
     * @return list<ReviewFinding>
     */
    public static function authority(array $parties, array $signed): array
    {
        $told = [];
        foreach (array_intersect_key($parties, array_flip($signed)) as ['name' => $name, 'kind' => $kind, 'by' => $by, 'as' => $as]) {
            $called = match ($kind) {
                'entity' => 'a company',
                'trust' => 'a trust',
                'estate' => 'an estate',
                default => '',
            };
            if ($by === '' && $called !== '') {
                $told[] = new ReviewFinding("{$name} is {$called}. The file does not say who signs for it.", 'compared with the file');
            } elseif ($by !== '' && $as === '') {
                $told[] = new ReviewFinding("{$by} signed for {$name}. The file does not say in what capacity.", 'compared with the file');
            }
        }

        return $told;
    }

    /** A first signature of the other side, or a last one, after the offer had run out. */
    public static function late(?LocalDate $expires, ?LocalDate $signed): ?ReviewFinding
    {
        return $expires === null || $signed === null || ! $expires->isBefore($signed) ? null : new ReviewFinding(
            "It was signed on {$signed->long()}, after the offer ran out on {$expires->long()}.",
            'compared with the terms',
        );
    }

    /**
     * What was found when it came in, as the reviewer is told of it.
     *
     * @param list<Finding> $found
     * @return list<ReviewFinding>
     */
    public static function compared(array $found): array
    {
        return array_map(
            static fn (Finding $one) => new ReviewFinding(
                $one->text,
                $one->blank === '' ? 'counted' : 'compared with the terms',
                $one->page,
                $one->place,
            ),
            $found,
        );
    }

    private static function missing(MarkPlace $mark, string $name): string
    {
        $what = match ($mark->kind) {
            MarkKind::Initials => 'Initials',
            MarkKind::Date => 'The date beside the signature',
            default => 'The signature',
        };

        return "{$what} of {$name} ({$mark->seat->label()}) ".($mark->kind === MarkKind::Initials ? 'are' : 'is').' missing.';
    }
}
