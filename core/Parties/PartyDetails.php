<?php

declare(strict_types=1);

namespace Unanimus\Parties;

/** What someone says of a party of the deal. Null leaves what stands; an empty text takes it away. */
final readonly class PartyDetails
{
    private const TEXTS = ['name', 'signing_name', 'initials', 'email', 'phone', 'address', 'firm', 'kind', 'signed_by', 'capacity'];

    /**
     * @param string|null $name an empty one takes the person off the seat
     * @param string|null $signingName as it is signed; empty for the name itself
     * @param string|null $kind one of person, entity, trust, estate
     * @param string|null $signedBy who signs for an entity, a trust or an estate
     * @param bool|null $printsContact whether forms print how the person is reached
     */
    public function __construct(
        public ?string $name = null,
        public ?string $signingName = null,
        public ?string $initials = null,
        public ?string $email = null,
        public ?string $phone = null,
        public ?string $address = null,
        public ?string $firm = null,
        public ?string $kind = null,
        public ?string $signedBy = null,
        public ?string $capacity = null,
        public ?bool $printsContact = null,
    ) {
    }

    /**
     * Reads the fields of a form by their column names; a field that was sent empty takes away what stands.
     *
     * @param array<string, mixed> $fields
     */
    public static function ofFields(array $fields): self
    {
        $texts = [];
        foreach (self::TEXTS as $key) {
            $texts[] = array_key_exists($key, $fields) ? trim((string) $fields[$key]) : null;
        }

        return new self(...[...$texts, array_key_exists('prints_contact', $fields) ? (bool) $fields['prints_contact'] : null]);
    }

    /**
     * The same without what was only shown and not changed, so that it does not take the place of what someone else wrote meanwhile.
     *
     * @param array<string, string> $seen what stood in the fields, by column
     */
    public function changedFrom(array $seen): self
    {
        $changed = ['prints_contact' => $this->printsContact];
        foreach (self::TEXTS as $column) {
            $text = $this->text($column);
            $changed[$column] = $text !== null && $text === trim($seen[$column] ?? "\0") ? null : $text;
        }

        return self::ofFields(array_filter($changed, static fn ($value) => $value !== null));
    }

    /** The text of a column, null where nothing was said of it. */
    public function text(string $column): ?string
    {
        $text = match ($column) {
            'name' => $this->name,
            'signing_name' => $this->signingName,
            'initials' => $this->initials,
            'email' => $this->email,
            'phone' => $this->phone,
            'address' => $this->address,
            'firm' => $this->firm,
            'kind' => $this->kind,
            'signed_by' => $this->signedBy,
            'capacity' => $this->capacity,
            default => null,
        };

        return $text === null ? null : trim($text);
    }
}
