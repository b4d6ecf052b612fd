<?php

declare(strict_types=1);

namespace Unanimus\Dates;

use Sabre\VObject\Component\VCalendar;

/**
 * Deadlines and closings as an iCalendar file. An entry keeps its UID when its day moves, so that a calendar that has
 * taken the feed moves it instead of doubling it.
 *
 * @link https://www.rfc-editor.org/rfc/rfc5545 iCalendar
 */
final class CalendarFeed
{
    private readonly VCalendar $calendar;

    public function __construct(string $name)
    {
        $this->calendar = new VCalendar(['PRODID' => '-//Unanimus//Deal dates//EN', 'METHOD' => 'PUBLISH', 'X-WR-CALNAME' => $name]);
        $this->calendar->add('REFRESH-INTERVAL', 'PT1H', ['VALUE' => 'DURATION']);
    }

    /**
     * Adds an entry: for the whole day, or half an hour up to its cut-off.
     *
     * @param string $uid the same for the same thing, wherever it moves
     * @param \DateTimeZone $zone in which the cut-off is meant: that of the file's own office
     * @param int $sequence grows with each change
     * @param \DateTimeInterface $changed when it was changed last
     */
    public function add(
        string $uid,
        LocalDate $day,
        ?string $cutOff,
        \DateTimeZone $zone,
        string $summary,
        string $description,
        string $url,
        int $sequence,
        \DateTimeInterface $changed,
        bool $done = false,
    ): self {
        $utc = new \DateTimeZone('UTC');
        $stamp = \DateTimeImmutable::createFromInterface($changed)->setTimezone($utc);
        $event = $this->calendar->createComponent('VEVENT', [
            'UID' => $uid,
            'DTSTAMP' => $stamp,
            'LAST-MODIFIED' => $stamp,
            'SEQUENCE' => $sequence,
            'SUMMARY' => ($done ? '✓ ' : '').$summary,
            'DESCRIPTION' => $description,
            'URL' => $url,
            'TRANSP' => 'TRANSPARENT',
        ]);
        $this->calendar->add($event);
        if ($cutOff === null) {
            $event->add('DTSTART', str_replace('-', '', $day->iso()), ['VALUE' => 'DATE']);
            $event->add('DTEND', str_replace('-', '', $day->plusDays(1)->iso()), ['VALUE' => 'DATE']);

            return $this;
        }
        $ends = (new Deadline('', '', $day, $cutOff, ''))->ends($zone)->setTimezone($utc);
        $event->add('DTSTART', $ends->modify('-30 minutes'));
        $event->add('DTEND', $ends);

        return $this;
    }

    /** The file as calendars read it. */
    public function render(): string
    {
        return $this->calendar->serialize();
    }
}
