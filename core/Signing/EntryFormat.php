<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Phone;

/** What a signer types at a text mark. */
enum EntryFormat: string
{
    /** A text longer than this is no entry but a letter. */
    private const LONGEST = 500;

    case Line = 'line';
    case Lines = 'lines';
    case Number = 'number';
    case Money = 'money';
    case Day = 'day';
    case Email = 'email';
    case Phone = 'phone';

    /** As chosen by whoever places the mark. */
    public function label(): string
    {
        return match ($this) {
            self::Line => 'One line',
            self::Lines => 'Several lines',
            self::Number => 'A number',
            self::Money => 'An amount',
            self::Day => 'A date',
            self::Email => 'An email address',
            self::Phone => 'A phone number',
        };
    }

    /**
     * An entry as it will stand on the page.
     *
     * @param LocalDate $today at the office, for dates without a year
     *
     * @throws StepRefused when it is empty, too long, or not what is asked for
     */
    public function read(string $typed, LocalDate $today): string
    {
        $text = trim((string) preg_replace(['/\r\n?/', '/[^\P{C}\n]/u'], ["\n", ''], $typed));
        if ($text === '') {
            throw SigningRefusal::NothingEntered->because();
        }
        if (mb_strlen($text) > self::LONGEST) {
            throw SigningRefusal::TooLong->because(most: self::LONGEST);
        }
        $line = trim((string) preg_replace('/\s+/u', ' ', $text));
        try {
            return match ($this) {
                self::Line => $line,
                self::Lines => $text,
                self::Number => preg_match('/^-?\d{1,3}(?:,?\d{3})*(?:\.\d+)?$/', $line) === 1
                    ? $line
                    : throw SigningRefusal::NoNumber->because(typed: $line),
                self::Money => (string) Money::parse($line),
                self::Day => LocalDate::parse($line, $today)->slashed(),
                self::Email => filter_var($line, FILTER_VALIDATE_EMAIL) !== false
                    ? $line
                    : throw SigningRefusal::NoEmailAddress->because(typed: $line),
                self::Phone => preg_match('/\d{3}.*\d{4}/', $line) === 1
                    ? Phone::show($line)
                    : throw SigningRefusal::NoPhoneNumber->because(typed: $line),
            };
        } catch (AmountUnreadable|DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable, '');
        }
    }
}
