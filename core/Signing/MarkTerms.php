<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * What is asked at a place beyond its kind: whether it must be made, what is typed there, what it depends on, or what the
 * sender has entered there already.
 */
final readonly class MarkTerms
{
    private const LONGEST_HINT = 80;

    /**
     * @param bool $isRequired whether the signer cannot finish without it
     * @param string $hint what is asked for at a text or a check mark, "Name of the lender"
     * @param string $group name of the places of one signer of which only one may stand
     * @param string $when key of the mark that has to stand for this one to be asked for
     * @param string|null $filled what the sender entered there; null: it is left to the signer
     * @param bool $isPrivate whether only named people may read what the signer types
     */
    public function __construct(
        public bool $isRequired = true,
        public string $hint = '',
        public EntryFormat $format = EntryFormat::Line,
        public string $group = '',
        public string $when = '',
        public ?string $filled = null,
        public bool $isPrivate = false,
    ) {
    }

    /** What holds for a kind when nobody says otherwise: a check mark or a strike is the signer's choice, everything else is needed. */
    public static function usual(MarkKind $kind): self
    {
        return new self(! $kind->isUsuallyOptional());
    }

    /** @param  array<string, mixed>  $data  as written by {@see toArray}, or as given by a page */
    public static function fromArray(MarkKind $kind, array $data): self
    {
        $text = static fn (string $key): string => is_string($data[$key] ?? null) ? trim($data[$key]) : '';
        $isPrivate = $kind === MarkKind::Text && (bool) ($data['private'] ?? false);
        // What the sender enters is theirs to read: it is never private.
        $mayBeFilled = $kind->isEntered() && $kind !== MarkKind::Strike && ! $isPrivate;
        $filled = $mayBeFilled && is_string($data['filled'] ?? null) ? trim($data['filled']) : '';

        return new self(
            isset($data['required']) ? (bool) $data['required'] : self::usual($kind)->isRequired,
            mb_substr($text('hint'), 0, self::LONGEST_HINT),
            EntryFormat::tryFrom($text('format')) ?? EntryFormat::Line,
            mb_substr($text('group'), 0, 20),
            $text('when'),
            $filled === '' ? null : $filled,
            $isPrivate,
        );
    }

    /** @return array<string, string|bool> only what is not usual */
    public function toArray(MarkKind $kind): array
    {
        return array_filter(
            [
                'required' => $this->isRequired === self::usual($kind)->isRequired ? null : $this->isRequired,
                'hint' => $this->hint ?: null,
                'format' => $this->format === EntryFormat::Line ? null : $this->format->value,
                'group' => $this->group === '' ? null : $this->group,
                'when' => $this->when === '' ? null : $this->when,
                'filled' => $this->filled,
                'private' => $this->isPrivate ? true : null,
            ],
            static fn (string|bool|null $value) => $value !== null,
        );
    }
}
