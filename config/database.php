<?php

declare(strict_types=1);

// Two ways in: "pgsql" is the application's role, held to row-level security; "owner" makes and changes the tables.
$connection = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '5432'),
    'database' => env('DB_DATABASE', 'unanimus'),
    'charset' => 'utf8',
    'prefix' => '',
    'search_path' => 'public',
    'sslmode' => env('DB_SSLMODE', 'prefer'),
];

$application = [
    ...$connection,
    'username' => env('DB_USERNAME'),
    'password' => env('DB_PASSWORD'),
    // Where the next one stands before the database asks for it (./unanimus rotate database).
    'password_file' => dirname(storage_path()).'/secrets/app',
    // Off where a pooler hands the same connection to several: statements stay prepared on it.
    'keep_statements' => env('DB_KEEP_STATEMENTS', true),
    'tables_change' => dirname(storage_path()).'/run/tables-change',
    'options' => [PDO::ATTR_EMULATE_PREPARES => true],
];

return [
    'default' => 'pgsql',
    'connections' => [
        'pgsql' => $application,
        // A copy that follows, for reports and finding; none where it has no name.
        'replica' => [
            ...$application,
            'host' => env('DB_REPLICA_HOST', env('DB_HOST', '127.0.0.1')),
            'port' => env('DB_REPLICA_PORT', env('DB_PORT', '5432')),
            'database' => env('DB_REPLICA', ''),
            // Asked directly, and not waited for: what is not there at once is read where it is written.
            'keep_statements' => true,
            'options' => [PDO::ATTR_TIMEOUT => 1] + $application['options'],
        ],
        'owner' => [...$connection, 'username' => env('DB_OWNER_USERNAME'), 'password' => env('DB_OWNER_PASSWORD')],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
