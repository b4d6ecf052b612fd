<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * Deadlines and closings as an iCalendar file. An entry keeps its UID when its day moves, so that a calendar that has
 * taken the feed moves it instead of doubling it.
 *
 * @link https://www.rfc-editor.org/rfc/rfc5545 iCalendar
 */
final class CalendarFeed
{
    /** @var list<string> */
    private array $lines;

    /** @param  \DateTimeZone  $zone in which cut-off times are meant */
    public function __construct(string $name, private readonly \DateTimeZone $zone)
    {
        $this->lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Unanimus//Deal dates//EN', 'CALSCALE:GREGORIAN', 'METHOD:PUBLISH', 'X-WR-CALNAME:'.self::text($name), 'REFRESH-INTERVAL;VALUE=DURATION:PT1H'];
    }

    /**
     * Adds an entry: for the whole day, or half an hour up to its cut-off.
     *
     * @param string $uid the same for the same thing, wherever it moves
     * @param int $sequence grows with each change
     * @param \DateTimeInterface $changed when it was changed last
     */
    public function add(string $uid, LocalDate $day, ?string $cutOff, string $summary, string $description, string $url, int $sequence, \DateTimeInterface $changed, bool $done = false): self
    {
        $stamp = self::utc($changed);
        $when = ["DTSTART;VALUE=DATE:{$this->compact($day)}", "DTEND;VALUE=DATE:{$this->compact($day->plusDays(1))}"];
        if ($cutOff !== null) {
            $ends = new \DateTimeImmutable("{$day->iso()} {$cutOff}", $this->zone);
            $when = ['DTSTART:'.self::utc($ends->modify('-30 minutes')), 'DTEND:'.self::utc($ends)];
        }
        array_push($this->lines, 'BEGIN:VEVENT', 'UID:'.self::text($uid), "DTSTAMP:{$stamp}", "LAST-MODIFIED:{$stamp}", "SEQUENCE:{$sequence}", ...$when);
        array_push($this->lines, 'SUMMARY:'.self::text(($done ? '✓ ' : '').$summary), 'DESCRIPTION:'.self::text($description), 'URL:'.$url, 'TRANSP:TRANSPARENT', 'END:VEVENT');

        return $this;
    }

    /** The file: lines folded at 75 octets, ended by CRLF (RFC 5545 section 3.1). */
    public function render(): string
    {
        return implode('', array_map(static fn (string $line) => self::fold($line)."\r\n", [...$this->lines, 'END:VCALENDAR']));
    }

    private function compact(LocalDate $day): string
    {
        return str_replace('-', '', $day->iso());
    }

    private static function utc(\DateTimeInterface $instant): string
    {
        return \DateTimeImmutable::createFromInterface($instant)->setTimezone(new \DateTimeZone('UTC'))->format('Ymd\THis\Z');
    }

    /** Section 3.3.11: backslash, semicolon, comma and line break are escaped. */
    private static function text(string $text): string
    {
        return str_replace(['\\', ';', ',', "\r\n", "\n", "\r"], ['\\\\', '\\;', '\\,', '\\n', '\\n', '\\n'], $text);
    }

    /** A content line in pieces of at most 75 octets, no letter torn apart (RFC 5545 section 3.1, RFC 6350 section 3.2). */
    public static function fold(string $line): string
    {
        $folded = '';
        $width = 0;
        foreach (mb_str_split($line) as $char) {
            if ($width + strlen($char) > 75) {
                $folded .= "\r\n ";
                $width = 1;
            }
            $folded .= $char;
            $width += strlen($char);
        }

        return $folded;
    }
}
