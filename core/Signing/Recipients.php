<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Steps\StepRefused;

/** Who gets a copy in the end: names and addresses as people type them, one to a line or separated by commas. */
final class Recipients
{
    private const MOST = 20;

    /**
     * "Nadia Petrov <nadia@anchorfield.example>, owen@brackwater.example" as name and address; an address given twice is one.
     *
     * @return list<array{name: string, email: string}>
     *
     * @throws StepRefused when something in it is no address, or they are too many
     */
    public static function read(string $typed): array
    {
        $found = [];
        foreach (preg_split('/[\n,;]+/', $typed) ?: [] as $one) {
            $one = trim($one);
            if ($one === '') {
                continue;
            }
            [$name, $email] = preg_match('/^(.*?)\s*<([^<>]+)>$/', $one, $m) === 1 ? [trim($m[1], " \"'"), trim($m[2])] : ['', $one];
            if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
                throw SigningRefusal::NoEmailAddress->because(typed: mb_strimwidth($one, 0, 80, '…'));
            }
            $found[mb_strtolower($email)] ??= ['name' => mb_strimwidth($name === '' ? $email : $name, 0, 120), 'email' => $email];
        }
        if (count($found) > self::MOST) {
            throw SigningRefusal::TooManyCopies->because(most: self::MOST);
        }

        return array_values($found);
    }

    /**
     * As typed, one to a line.
     *
     * @param list<array{name: string, email: string}> $copies
     */
    public static function lines(array $copies): string
    {
        return implode(
            "\n",
            array_map(
                static fn (array $one) => $one['name'] === $one['email'] ? $one['email'] : "{$one['name']} <{$one['email']}>",
                $copies,
            ),
        );
    }
}
