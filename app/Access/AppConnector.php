<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Database\Connectors\PostgresConnector;
use PDO;
use PDOException;

/** Connects with the password of the configuration, or, when the database asks for another by now, with the one that was written. */
final class AppConnector extends PostgresConnector
{
    /** @param  array<string, mixed>  $config */
    public function connect(array $config): PDO
    {
        try {
            return parent::connect($config);
        } catch (PDOException $refused) {
            $now = trim((string) @file_get_contents((string) ($config['password_file'] ?? '')));
            $isAnother = $now !== '' && $now !== $config['password'] && str_contains($refused->getMessage(), 'authentication failed');

            return $isAnother ? parent::connect(['password' => $now] + $config) : throw $refused;
        }
    }
}
