<?php

declare(strict_types=1);

namespace Unanimus\Roster;

use Unanimus\Steps\StepRefused;

/** What is to be done and which documents are expected when somebody comes or goes: as it comes, or as an office says. */
final readonly class RosterKit
{
    public const MOST_STEPS = 40;

    public const MOST_DOCUMENTS = 20;

    /** Days before, or after, the first or last day. */
    public const MOST_DAYS = 365;

    /** Roles that steps are given to. */
    public const BY = ['broker', 'coordinator', 'bookkeeper', 'administrator', 'agent'];

    /**
     * @param list<array{title: string, by: string, before: int}> $steps
     * @param list<string> $documents
     */
    private function __construct(public RosterKind $kind, public array $steps, public array $documents)
    {
    }

    /** As it comes. */
    public static function usual(RosterKind $kind): self
    {
        return new self($kind, $kind->steps(), $kind->documents());
    }

    /**
     * As an office keeps it.
     *
     * @param array<array-key, mixed> $steps as stored
     * @param array<array-key, mixed> $documents as stored
     */
    public static function kept(RosterKind $kind, array $steps, array $documents): self
    {
        try {
            return self::typed(
                $kind,
                array_values(array_filter($steps, is_array(...))),
                array_values(array_filter($documents, is_string(...))),
            );
        } catch (StepRefused) {
            return self::usual($kind);
        }
    }

    /**
     * As typed; rows without a title are left out.
     *
     * @param list<array<array-key, mixed>> $steps title, by, before
     * @param list<string> $documents
     *
     * @throws StepRefused when nothing is left to do, a role is none, or days are no number
     */
    public static function typed(RosterKind $kind, array $steps, array $documents): self
    {
        $read = [];
        foreach (array_slice($steps, 0, self::MOST_STEPS) as $step) {
            $title = self::line($step['title'] ?? '');
            if ($title === '') {
                continue;
            }
            $by = (string) (is_string($step['by'] ?? null) ? $step['by'] : '');
            in_array($by, self::BY, true) || throw RosterRefusal::NoRole->because(title: $title);
            $before = trim((string) (is_scalar($step['before'] ?? null) ? $step['before'] : ''));
            preg_match('/^-?\d{1,3}$/', $before) === 1 && abs((int) $before) <= self::MOST_DAYS
                || throw RosterRefusal::NoDays->because(title: $title);
            $read[] = ['title' => $title, 'by' => $by, 'before' => (int) $before];
        }
        $read === [] && throw RosterRefusal::NoSteps->because();
        $papers = array_values(array_unique(array_filter(array_map(self::line(...), $documents), static fn (string $one) => $one !== '')));

        return new self($kind, $read, array_slice($papers, 0, self::MOST_DOCUMENTS));
    }

    /** Whether it is as it comes. */
    public function isUsual(): bool
    {
        return $this->steps === $this->kind->steps() && $this->documents === $this->kind->documents();
    }

    private static function line(mixed $typed): string
    {
        return is_string($typed) ? mb_substr(trim((string) preg_replace('/\s+/u', ' ', $typed)), 0, 160) : '';
    }
}
