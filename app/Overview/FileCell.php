<?php

declare(strict_types=1);

namespace App\Overview;

use App\Files\Agenda;
use App\Models\DealFile;
use App\Models\Member;
use App\Models\Party;
use App\Models\Requirement;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Requirements\Stage;

/** What stands in a column of the files list; bare for a spreadsheet. */
final class FileCell
{
    public static function of(DealFile $file, string $column, bool $bare = false): string
    {
        $known = static fn (string $name): ?string => $file->knownFacts->firstWhere('name', $name)?->value;
        $day = static fn (?string $iso): string => $iso === null
            ? ''
            : ($bare
                ? $iso
                : LocalDate::of($iso)->short($file->office->today()->year()));
        $members = static fn (string $role): string => $file->members
            ->where('role', $role)
            ->map(static fn (Member $member) => $member->user->name)
            ->implode(', ');

        return match ($column) {
            'status' => $file->status->label(),
            'listing' => $file->listing_number ?? '',
            'office' => $file->office->name,
            'agent' => $members('agent'),
            'coordinator' => $members('coordinator'),
            'client' => self::clients($file),
            'next' => self::next($file, $bare),
            'owes' => self::owes($file),
            'side' => $file->represents->value,
            'closing' => $day($known('closing')),
            'price' => $known('price') === null ? '' : ($bare ? (string) $known('price') : (string) Money::of((string) $known('price'))),
            'complete' => $file->required === 0 ? ($bare ? '' : '–') : intdiv($file->settled * 100, $file->required).($bare ? '' : '%'),
            'late' => self::late($file, $bare),
            'labels' => implode(', ', $file->labels),
            'opened' => $day($file->created_at->setTimezone($file->office->zone)->format('Y-m-d')),
            default => $day($file->ended_on?->iso()),
        };
    }

    private static function clients(DealFile $file): string
    {
        $side = $file->represents->side();

        return $file->parties
            ->filter(static fn (Party $party) => $side === null ? $party->role->isClient() : $party->role->side() === $side)
            ->sortBy(static fn (Party $party) => $party->seat()->order())
            ->pluck('name')
            ->implode(', ');
    }

    private static function next(DealFile $file, bool $bare): string
    {
        $agenda = $file->status->isOpen() ? Agenda::of($file) : null;
        $open = $agenda?->open(3660) ?? [];
        usort($open, static fn (Deadline $a, Deadline $b) => $a->due->iso() <=> $b->due->iso());
        if ($agenda === null || $open === []) {
            return '';
        }

        return $bare
            ? "{$open[0]->label} {$open[0]->due->iso()}"
            : "{$open[0]->label} ".
                    ($open[0]->due->isBefore($agenda->today)
                        ? TodayRow::late($agenda->today->daysUntil($open[0]->due))
                        : $open[0]->due->short($agenda->today->year()));
    }

    /** How many lines of the checklist are late, and the stages they are of. */
    private static function late(DealFile $file, bool $bare): string
    {
        $today = $file->office->today();
        $late = $file->status->isOpen() ? $file->requirements->filter(static fn (Requirement $one) => $one->isLate($today)) : collect();
        if ($late->isEmpty()) {
            return $bare ? '0' : '';
        }
        $stages = $late->countBy('stage')->map(static fn (int $count, string $stage) => "{$count} ".lcfirst(Stage::from($stage)->label()));

        return $bare ? (string) $late->count() : $stages->implode(', ');
    }

    /** Who has to sign on what is out. */
    private static function owes(DealFile $file): string
    {
        return $file->rounds
            ->where('status', \Unanimus\Signing\RoundStatus::Out)
            ->flatMap->signers->filter(static fn ($signer) => $signer->status->isAsked())
            ->pluck('name')
            ->unique()
            ->implode(', ');
    }
}
