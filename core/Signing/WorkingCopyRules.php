<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/**
 * A working copy: papers that the other side's agent, who has no account here, reads, has signed by their own clients from
 * here, and sends back. Nothing else of the file is in it.
 */
final class WorkingCopyRules
{
    /** Days for which it can stay open. */
    public const FARTHEST = 180;

    /**
     * Lets one be given, and says whose clients will be asked with it.
     *
     * @param list<array{string, PaperState}> $papers title and state of each
     *
     * @throws StepRefused when both sides are ours, nobody is named, there are no pages to give, or the last day is none
     */
    public static function mustGo(
        Representation $represents,
        DealKind $kind,
        string $agent,
        array $papers,
        LocalDate $lastDay,
        LocalDate $today,
    ): Side {
        $ours = $represents->side();
        match (true) {
            $ours === null || $kind->sides() === [] => throw SigningRefusal::NoOtherSide->because(),
            trim($agent) === '' => throw SigningRefusal::NoAgentNamed->because(),
            $papers === [] => throw SigningRefusal::NoPapers->because(),
            $lastDay->isBefore($today) => throw SigningRefusal::CopyEndsInThePast->because(day: $lastDay->short($today->year())),
            $today->plusDays(self::FARTHEST)->isBefore($lastDay) => throw SigningRefusal::CopyOpenTooLong->because(),
            default => null,
        };
        foreach ($papers as [$title, $state]) {
            $state->mustBeInHand($title);
            $state === PaperState::Expected && throw PaperRefusal::NothingToCopy->because(title: $title);
        }

        return $ours->across();
    }
}
