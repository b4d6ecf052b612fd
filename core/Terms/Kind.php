<?php

declare(strict_types=1);

namespace Unanimus\Terms;

use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\TimeOfDay;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Money\TypedNumber;
use Unanimus\Pages\PlainText;

/**
 * What may stand in a blank or a term: how it is read as people type it, kept, and shown.
 */
enum Kind: string
{
    case Text = 'text';
    case Lines = 'lines';
    case Money = 'money';
    case Percent = 'percent';
    case Date = 'date';
    case Time = 'time';
    case Number = 'number';
    case Choice = 'choice';
    case Tick = 'tick';

    /** The longest text that is kept in one entry. */
    public const LONGEST = 4000;

    /**
     * The value as it is kept. An empty text stays empty: it clears the blank.
     *
     * @param LocalDate $today the day from which "5/14" gets its year
     *
     * @throws EntryUnreadable when it cannot be read as this kind
     */
    public function parse(string $typed, LocalDate $today): string
    {
        $text = trim((string) preg_replace('/[\x{0B}-\x{1F}\x{200E}\x{200F}\x{202A}-\x{202E}]/u', '', PlainText::of($typed)));
        if ($text === '') {
            return '';
        }
        if (mb_strlen($text) > self::LONGEST) {
            throw EntryUnreadable::tooLong(self::LONGEST);
        }
        try {
            return match ($this) {
                self::Text, self::Choice => (string) preg_replace('/\s*\n\s*/', ' ', $text),
                self::Lines => $text,
                self::Money => Money::parse($text)->decimal(),
                self::Percent => Percent::of($text)->decimal(),
                self::Date => LocalDate::parse($text, $today)->iso(),
                self::Time => self::time($text),
                self::Number => self::number($text),
                self::Tick => in_array(strtolower($text), ['0', 'no', 'off', 'false'], true) ? '' : 'x',
            };
        } catch (AmountUnreadable|DateUnreadable $unreadable) {
            throw new EntryUnreadable($unreadable->getMessage(), previous: $unreadable);
        }
    }

    /** The kept value as it prints on a page. */
    public function show(string $kept): string
    {
        if ($kept === '') {
            return '';
        }

        return match ($this) {
            self::Money => str_replace('$', '', (string) Money::of($kept)),
            self::Date => LocalDate::of($kept)->long(),
            self::Time => TimeOfDay::of($kept)->clock(),
            default => $kept,
        };
    }

    /** The kept value as one reads it in a sentence: "$412,500", "2.75%". */
    public function inSentence(string $kept): string
    {
        return match (true) {
            $kept === '' => '',
            $this === self::Money => (string) Money::of($kept),
            $this === self::Percent => Percent::of($kept).'',
            $this === self::Tick => $kept === 'x' ? 'checked' : 'not checked',
            default => $this->show($kept),
        };
    }

    private static function time(string $text): string
    {
        $plain = strtolower((string) preg_replace('/[\s.]/', '', $text));
        $plain = ['noon' => '12pm', 'midnight' => '12am'][$plain] ?? $plain;
        if (preg_match('/^(\d{1,2})(?::?(\d{2}))?(am|pm|a|p)?$/', $plain, $m) !== 1) {
            throw EntryUnreadable::time($text);
        }
        $hour = (int) $m[1];
        $minute = (int) ($m[2] ?? 0);
        $half = $m[3] ?? '';
        if ($minute > 59 || $hour > 23 || ($half !== '' && ($hour < 1 || $hour > 12))) {
            throw EntryUnreadable::time($text);
        }
        if ($half !== '') {
            $hour = ($hour % 12) + ($half[0] === 'p' ? 12 : 0);
        }

        return sprintf('%02d:%02d', $hour, $minute);
    }

    private static function number(string $text): string
    {
        $plain = TypedNumber::plain($text);
        if ($plain === null || preg_match('/^-?\d{1,12}(\.\d{1,4})?$/', $plain) !== 1) {
            throw EntryUnreadable::number($text, TypedNumber::meant($text));
        }

        return $plain;
    }
}
