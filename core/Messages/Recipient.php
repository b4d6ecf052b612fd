<?php

declare(strict_types=1);

namespace Unanimus\Messages;

use Unanimus\Parties\CallName;

/** Someone a message goes to. */
final readonly class Recipient
{
    /** @param  string|null  $seat  theirs in the file: "buyer.1"; null: someone else */
    public function __construct(public string $name, public string $address, public ?string $seat = null)
    {
    }

    /**
     * Recipients as typed: "Ana Lund <ana@example.com>", "ana@example.com"; several by comma, semicolon or line.
     *
     * @return list<self>
     */
    public static function typed(string $text): array
    {
        $found = [];
        foreach (preg_split('/[,;\n]+/', $text) ?: [] as $one) {
            $one = trim($one);
            if (preg_match('/^(.*?)\s*<([^<>\s]+)>$/u', $one, $m) === 1) {
                $found[] = new self(trim($m[1], " \"'") ?: $m[2], $m[2]);
            } elseif ($one !== '') {
                $found[] = new self($one, $one);
            }
        }

        return $found;
    }

    /** What they are called when one speaks to them. */
    public function firstName(): string
    {
        return CallName::of($this->name);
    }

    public function hasAddress(): bool
    {
        return filter_var($this->address, FILTER_VALIDATE_EMAIL, FILTER_FLAG_EMAIL_UNICODE) !== false;
    }

    /** @return array{name: string, address: string, seat: string|null} as kept */
    public function toArray(): array
    {
        return ['name' => $this->name, 'address' => $this->address, 'seat' => $this->seat];
    }

    /** @param  array<string, mixed>  $kept */
    public static function fromArray(array $kept): self
    {
        return new self((string) $kept['name'], (string) $kept['address'], isset($kept['seat']) ? (string) $kept['seat'] : null);
    }
}
