<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Dates\LocalDate;
use Unanimus\Steps\StepRefused;

/**
 * What a person should know before a file is closed; told, and left to them.
 */
final class ClosingCheck
{
    /** Deadlines named before the rest is counted. */
    private const NAMED = 3;

    /**
     * A file is closed once its commission is paid out.
     *
     * @param bool $isPaid whether the disbursement of every side we serve is authorized
     *
     * @throws StepRefused when it is not
     */
    public static function paid(bool $isPaid): void
    {
        $isPaid || throw FileRefusal::NotPaidOut->because();
    }

    /**
     * Where the office asks for it, every line of the checklist is settled first.
     *
     * @param int $unsettled lines that are not
     *
     * @throws StepRefused when one is not
     */
    public static function whole(int $unsettled): void
    {
        $unsettled === 0 || throw FileRefusal::NotSettled->because(count: $unsettled);
    }

    /**
     * What is still open is told once, before the file is closed all the same.
     *
     * @param list<string> $open as from `of`
     *
     * @throws StepRefused when something is
     */
    public static function nothingOpen(array $open): void
    {
        $open === [] || throw FileRefusal::StillOpen->because(open: implode(' ', $open));
    }

    /**
     * What is still open.
     *
     * @param LocalDate|null $closing the day of closing, where it is known
     * @param list<string> $openDeadlines labels of those that are not met
     * @param int $unsettled papers that a reviewer has not settled
     * @return list<string> sentences; none when nothing is open
     */
    public static function of(?LocalDate $closing, LocalDate $today, array $openDeadlines, int $unsettled): array
    {
        $told = [];
        if ($closing?->isAfter($today) === true) {
            $told[] = "Closing is on {$closing->long()}, which has not come yet.";
        }
        if ($openDeadlines !== []) {
            $named = array_slice($openDeadlines, 0, self::NAMED);
            $more = count($openDeadlines) - count($named);
            $told[] =
                (count($openDeadlines) === 1 ? 'One deadline is open: ' : count($openDeadlines).' deadlines are open: ').
                implode(', ', $named).
                ($more > 0 ? ", and {$more} more." : '.');
        }
        if ($unsettled > 0) {
            $told[] = $unsettled === 1 ? 'One paper is not settled.' : "{$unsettled} papers are not settled.";
        }

        return $told;
    }
}
