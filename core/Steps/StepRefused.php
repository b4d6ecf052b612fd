<?php

declare(strict_types=1);

namespace Unanimus\Steps;

/** A step that the state of things does not allow; its message says why, in words for the person who tried. */
final class StepRefused extends \DomainException
{
    /** @param  array<string, string>  $with  what its words were filled with, by name */
    private function __construct(
        public readonly Reason $reason,
        string $words,
        public readonly array $with = [],
        ?\Throwable $previous = null,
    ) {
        parent::__construct($words, previous: $previous);
    }

    /**
     * Refused for a reason.
     *
     * @param array<string|int, string|int|\Stringable> $with what its words are filled with, by name
     *
     * @throws \LogicException when a name in its words is not given, or one is given that does not stand there
     */
    public static function for(Reason $reason, array $with = []): self
    {
        $words = $reason->words();
        preg_match_all('/\{(\w+)\}/', $words, $names);
        if (array_diff($names[1], array_keys($with)) !== [] || array_diff(array_keys($with), $names[1]) !== []) {
            throw new \LogicException("The words of {$reason->value} need: ".implode(', ', $names[1]));
        }
        $filled = [];
        $given = [];
        foreach ($with as $name => $value) {
            $given[(string) $name] = (string) $value;
            $filled['{'.$name.'}'] = (string) $value;
        }

        return new self($reason, strtr($words, $filled), $given);
    }

    /**
     * Refused since something typed cannot be read: what was understood, and what is kept.
     *
     * @param string $kept what happens to what was typed, a sentence
     * @param string $where what it was typed for
     */
    public static function unreadable(\Throwable $unreadable, string $kept = '', string $where = ''): self
    {
        return new self(
            EntryRefusal::Unreadable,
            ($where === '' ? '' : "{$where}: ").trim("{$unreadable->getMessage()} {$kept}"),
            previous: $unreadable,
        );
    }
}
