<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

/**
 * A rule of the brokerage: whenever the deal's facts are so, that paper is asked for, whatever kit the file started with.
 */
final readonly class Rule
{
    private function __construct(public string $name, public KitItem $asks)
    {
    }

    /**
     * From its stored form: a name, the conditions, and the paper it asks for.
     *
     * @param array<string, mixed> $data
     *
     * @throws ConditionUnreadable when something in it cannot be read, or it asks always
     */
    public static function fromArray(array $data): self
    {
        $name = trim(is_string($data['name'] ?? null) ? $data['name'] : '');
        if ($name === '' || mb_strlen($name) > 80) {
            throw new ConditionUnreadable('A rule needs a name of up to 80 letters.');
        }
        $when = is_array($data['when'] ?? null) ? $data['when'] : [];
        if (Group::fromArray($when)->isEmpty()) {
            throw new ConditionUnreadable('A rule needs at least one condition; what every file needs belongs into a kit.');
        }

        return new self(
            $name,
            KitItem::fromArray([...is_array($data['asks'] ?? null) ? $data['asks'] : [], 'when' => $when], Stage::keys()),
        );
    }

    /** @return array<string, mixed> its stored form */
    public function toArray(): array
    {
        $asks = $this->asks->toArray();
        unset($asks['when']);

        return ['name' => $this->name, 'when' => $this->asks->when->toArray(), 'asks' => $asks];
    }

    /**
     * Rules from a file of them.
     *
     * @return list<self>
     *
     * @throws \JsonException when the file is no JSON
     */
    public static function fromFile(string $path): array
    {
        return array_values(
            array_map(self::fromArray(...), json_decode((string) file_get_contents($path), true, 512, JSON_THROW_ON_ERROR)),
        );
    }
}
