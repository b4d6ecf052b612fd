<?php

declare(strict_types=1);

return [
    'driver' => 'bcrypt',
    'bcrypt' => ['rounds' => env('BCRYPT_ROUNDS', 12), 'verify' => true, 'limit' => 72],
    'rehash_on_login' => false,
];
