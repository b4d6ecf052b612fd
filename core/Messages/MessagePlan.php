<?php

declare(strict_types=1);

namespace Unanimus\Messages;

use Unanimus\Parties\DealKind;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Facts;

/**
 * What goes out when a message is sent: to whom, as how many letters, with which words.
 */
final readonly class MessagePlan
{
    /** Bytes of papers that one letter carries; encoded for the way they are a third more. */
    public const MOST_BYTES = 15_000_000;

    /** Days ahead for which a message may be set. */
    public const MOST_DAYS = 90;

    /** @param  list<PlannedLetter>  $letters */
    private function __construct(public array $letters)
    {
    }

    /**
     * @param list<Recipient> $to
     * @param bool $apart one letter to each, instead of one to all
     * @param array<string, string> $sender fields about who writes, and about the day
     * @param bool $hasLink whether papers go as a link, which is one person's own
     *
     * @throws StepRefused when it cannot go out; its words say what to do
     */
    public static function of(array $to, bool $apart, string $subject, string $body, Facts $facts, array $sender, bool $hasLink): self
    {
        $to = self::once($to);
        $to === [] && throw MessageRefusal::NobodyChosen->because();
        foreach ($to as $one) {
            $one->hasAddress() || throw MessageRefusal::NoAddress->because(name: $one->name);
        }
        trim($subject) === '' && throw MessageRefusal::NoSubject->because();
        trim($body) === '' && throw MessageRefusal::NoWords->because();
        $hasLink && ! $apart && count($to) > 1 && throw MessageRefusal::OneEach->because();
        $groups = $apart ? array_map(static fn (Recipient $one) => [$one], $to) : [$to];

        return new self(array_map(static function (array $group) use ($subject, $body, $facts, $sender): PlannedLetter {
            $own = [...$sender, ...self::about($group)];
            // A subject is one line whatever its fields hold.
            $line = (string) preg_replace('/\s+/u', ' ', MergeFields::fill($subject, $facts, $own)->words());

            return new PlannedLetter($group, trim($line), trim(MergeFields::fill($body, $facts, $own)->words()));
        }, $groups));
    }

    /**
     * Fields about those a letter goes to.
     *
     * @param list<Recipient> $to
     * @return array<string, string>
     */
    public static function about(array $to): array
    {
        return [
            'to.name' => self::listed(array_map(static fn (Recipient $one) => $one->name, $to)),
            'to.first' => self::listed(array_map(static fn (Recipient $one) => $one->firstName(), $to)),
        ];
    }

    /**
     * Whose affair a message is in a file of both sides: the side's that its writer serves, else the side's all of whose people it
     * goes to; null: everyone's.
     *
     * @param list<Recipient> $to
     */
    public static function side(DealKind $kind, ?Side $own, array $to): ?Side
    {
        if ($own !== null) {
            return $own;
        }
        $seats = array_map(static fn (Recipient $one) => $one->seat === null ? null : Side::tryFrom(explode('.', $one->seat)[0]), $to);

        return $to === [] || in_array(null, $seats, true) ? null : Side::common(array_map($kind->side(...), $seats));
    }

    /**
     * Refuses a time that has passed or is too far.
     *
     * @throws StepRefused
     */
    public static function mustBeAhead(\DateTimeInterface $at, \DateTimeImmutable $now): void
    {
        $isGood = $at > $now && $at < $now->modify('+'.self::MOST_DAYS.' days');
        $isGood || throw MessageRefusal::TimePassed->because();
    }

    /**
     * Each person at each address once.
     *
     * @param list<Recipient> $to
     * @return list<Recipient>
     */
    private static function once(array $to): array
    {
        $kept = [];
        foreach ($to as $one) {
            $kept[mb_strtolower("{$one->name} {$one->address}")] ??= $one;
        }

        return array_values($kept);
    }

    /** @param  list<string>  $names */
    private static function listed(array $names): string
    {
        $last = (string) array_pop($names);

        return $names === [] ? $last : implode(', ', $names)." and {$last}";
    }
}
