<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\User;

/** To whom a letter goes. */
final readonly class Addressee
{
    /** @param  User|null  $user the colleague it is; null: someone outside */
    public function __construct(public string $name, public string $address, public ?User $user = null)
    {
    }

    public static function user(User $user): self
    {
        return new self($user->name, $user->address(), $user);
    }
}
