<?php

declare(strict_types=1);

namespace Unanimus\Messages;

use Unanimus\Dates\LocalDate;
use Unanimus\Terms\Term;

/** What makes a letter go out by itself. */
enum LetterEvent: string
{
    case Status = 'status';
    case Coming = 'date';
    case Accepted = 'accepted';
    case RoundComplete = 'round';

    /** As chosen from a list. */
    public function label(): string
    {
        return match ($this) {
            self::Status => 'the status changes to',
            self::Coming => 'a number of days before',
            self::Accepted => 'the broker accepts a document',
            self::RoundComplete => 'everyone has signed',
        };
    }

    /**
     * In a sentence: "the status changes to under contract", "3 days before closing".
     *
     * @param string $detail the status or the date, as people read it; of a document a part of its name
     * @param int $days ahead of a date
     */
    public function when(string $detail, int $days): string
    {
        return match ($this) {
            self::Status => "the status changes to {$detail}",
            self::Coming => $days === 0 ? "the day of {$detail}" : "{$days} day".($days === 1 ? '' : 's')." before {$detail}",
            self::Accepted => $detail === '' ? 'the broker accepts a document' : "the broker accepts “{$detail}”",
            self::RoundComplete => 'everyone has signed',
        };
    }

    /** What is said to a reader of a date that is near: "Closing is on December 10, 2026". @param  string  $date  the term it is */
    public static function near(string $date, LocalDate $day): string
    {
        return (Term::tryFrom($date)?->label() ?? $date)." is on {$day->long()}";
    }

    /**
     * Whether an entry of a file's history is it, and what it says to those it is told to; null: it is not.
     *
     * @param string $what of the entry: "Under contract"
     * @param array<string, mixed> $data of the entry
     * @param string $detail of the rule: the name of a status as in the history, a part of a document's name
     */
    public function happened(string $what, array $data, string $detail): ?string
    {
        return match ($this) {
            self::Status => $what === $detail ? 'The status changed to '.mb_strtolower($detail) : null,
            self::Accepted => $what === 'Accepted' && self::names((string) ($data['requirement'] ?? ''), $detail)
                ? '“'.($data['requirement'] ?? '').'” was accepted'
                : null,
            self::RoundComplete => $what === 'Sealed set filed' ? 'Everyone has signed “'.($data['round'] ?? '').'”' : null,
            self::Coming => null,
        };
    }

    private static function names(string $title, string $part): bool
    {
        return $part === '' || mb_stripos($title, $part) !== false;
    }
}
