<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Database\PostgresConnection;
use PDO;
use PDOStatement;

/**
 * The application's connection where a pooler stands before the database, and each transaction may meet another of its connections:
 * nothing is kept on it.
 */
class AppConnection extends PostgresConnection
{
    /**
     * Everything goes as text, for the database to read as what the place calls for: a bare 1 is no truth value to it.
     *
     * @param PDOStatement $statement
     * @param array<array-key, mixed> $bindings
     */
    public function bindValues($statement, $bindings): void
    {
        foreach ($bindings as $key => $value) {
            $statement->bindValue(
                is_string($key) ? $key : $key + 1,
                $value,
                match (true) {
                    $value === null => PDO::PARAM_NULL,
                    is_resource($value) => PDO::PARAM_LOB,
                    default => PDO::PARAM_STR,
                },
            );
        }
    }
}
