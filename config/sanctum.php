<?php

declare(strict_types=1);

// Tokens of programs alone: no sign-in by cookie, no routes of its own.
return [
    'stateful' => [],
    'guard' => [],
    'expiration' => null,
    'token_prefix' => '',
    'routes' => false,
    'last_used_at' => false,
];
