<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;

/** Somebody gave a person's address and not their password, or not their code. */
final readonly class SignInFailed
{
    /** @param  string  $what  "wrong password" or "wrong code" */
    public function __construct(public User $user, public string $what)
    {
    }
}
