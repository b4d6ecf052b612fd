<?php

declare(strict_types=1);

namespace Unanimus\Notices;

use Unanimus\Steps\StepRefused;

/** How one person wants to be told: by kind, when the digest comes, when it is quiet, which files are muted. */
final readonly class NoticeSettings
{
    /**
     * @param array<string, NoticeChoice> $choices by kind
     * @param int $hour of the digest, in the person's own zone
     * @param list<int> $days of the digest, 1 is Monday
     * @param int|null $quietFrom hour from which nothing is mailed; null: there is no quiet time
     * @param int|null $quietUntil hour until which nothing is mailed
     * @param list<string> $muted keys of files
     */
    private function __construct(
        public array $choices,
        public int $hour,
        public array $days,
        public ?int $quietFrom,
        public ?int $quietUntil,
        public array $muted,
    ) {
    }

    /**
     * As stored; what is not there is as usual.
     *
     * @param array<array-key, mixed> $stored
     */
    public static function of(array $stored): self
    {
        $choices = [];
        foreach (NoticeKind::cases() as $kind) {
            $given = is_array($stored['choices'] ?? null) ? ($stored['choices'][$kind->value] ?? null) : null;
            $choices[$kind->value] = (is_string($given) ? NoticeChoice::tryFrom($given) : null) ?? $kind->usual();
        }
        $hour = static fn (mixed $value): ?int => is_int($value) && $value >= 0 && $value <= 23 ? $value : null;
        $days = array_values(array_filter(
            [1, 2, 3, 4, 5, 6, 7],
            static fn (int $day) => in_array($day, is_array($stored['days'] ?? null) ? $stored['days'] : [1, 2, 3, 4, 5], true),
        ));
        $from = $hour($stored['quiet from'] ?? null);
        $until = $hour($stored['quiet until'] ?? null);
        $isQuiet = $from !== null && $until !== null && $from !== $until;

        return new self(
            $choices,
            $hour($stored['hour'] ?? null) ?? 8,
            $days,
            $isQuiet ? $from : null,
            $isQuiet ? $until : null,
            array_values(array_filter(is_array($stored['muted'] ?? null) ? $stored['muted'] : [], is_string(...))),
        );
    }

    /**
     * As typed.
     *
     * @param array<array-key, mixed> $choices by kind
     * @param list<string> $days
     *
     * @throws StepRefused when the digest is wanted on no day, or quiet time has one end
     */
    public function with(array $choices, string $hour, array $days, string $quietFrom, string $quietUntil): self
    {
        $stored = ['choices' => array_map(static fn (mixed $one) => (string) $one, $choices), 'hour' => (int) $hour,
            'days' => array_map(intval(...), $days), 'muted' => $this->muted];
        ($quietFrom === '') === ($quietUntil === '') || throw NoticeRefusal::OneEnd->because();
        $quietFrom === '' || $stored = [...$stored, 'quiet from' => (int) $quietFrom, 'quiet until' => (int) $quietUntil];
        $settings = self::of($stored);
        $settings->days !== [] || ! in_array(NoticeChoice::Digest, $settings->choices, true) || throw NoticeRefusal::NoDay->because();

        return $settings;
    }

    /** With a file muted, or heard again. */
    public function muting(string $fileKey, bool $muted): self
    {
        $rest = array_values(array_diff($this->muted, [$fileKey]));

        return new self($this->choices, $this->hour, $this->days, $this->quietFrom, $this->quietUntil, $muted ? [...$rest, $fileKey]
            : $rest);
    }

    /** How one is told of something in a file: a muted one tells nothing but what is stuck. */
    public function choice(NoticeKind $kind, ?string $fileKey): NoticeChoice
    {
        $choice = $this->choices[$kind->value];

        return $fileKey !== null && in_array($fileKey, $this->muted, true) && $choice !== NoticeChoice::Off && $kind !== NoticeKind::Stuck
            ? NoticeChoice::InApp
            : $choice;
    }

    /** When an email may go out: now, or once it is not quiet any more. @param  \DateTimeImmutable  $now in the person's zone */
    public function mailsAt(\DateTimeImmutable $now): \DateTimeImmutable
    {
        if ($this->quietFrom === null || $this->quietUntil === null) {
            return $now;
        }
        $hour = (int) $now->format('G');
        $isQuiet = $this->quietFrom < $this->quietUntil
            ? $hour >= $this->quietFrom && $hour < $this->quietUntil
            : $hour >= $this->quietFrom || $hour < $this->quietUntil;
        $ends = $now->setTime($this->quietUntil, 0);

        return $isQuiet ? ($ends <= $now ? $ends->modify('+1 day') : $ends) : $now;
    }

    /**
     * Whether a digest is due that was not sent: its hour has come today.
     *
     * @param \DateTimeImmutable $now in the person's zone
     * @param \DateTimeImmutable|null $last when the last one went out
     */
    public function digestIsDue(\DateTimeImmutable $now, ?\DateTimeImmutable $last): bool
    {
        $due = $now->setTime($this->hour, 0);

        return in_array((int) $now->format('N'), $this->days, true) && $now >= $due && ($last === null || $last < $due);
    }

    /** @return array<string, mixed> to be stored */
    public function toArray(): array
    {
        return array_filter([
            'choices' => array_map(static fn (NoticeChoice $choice) => $choice->value, $this->choices),
            'hour' => $this->hour,
            'days' => $this->days,
            'quiet from' => $this->quietFrom,
            'quiet until' => $this->quietUntil,
            'muted' => $this->muted,
        ], static fn (mixed $part) => $part !== null);
    }
}
