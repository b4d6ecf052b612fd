<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Database\QueryException;
use PDO;
use PDOStatement;
use WeakMap;

/**
 * The application's connection. Under row-level security, planning a small question costs more than answering it, so each
 * statement is prepared once under a name of its own and stays prepared as long as the connection, which outlives requests.
 */
final class KeptConnection extends AppConnection
{
    /** Statements kept on one connection; what comes after them is planned anew each time. */
    private const MOST = 400;

    private const LONGEST = 6000;

    /** Where the plan hangs on what is asked, in the words of finding, one plan for all is a bad one. */
    private const OWN_PLAN = '/ like |%>|<%|;/i';

    /** Texts and names, which stay as they are; lists of ids; places. */
    private const PIECES = '/\'(?:[^\']|\'\')*\'|((?:"[^"]+"\.)?"[^"]*id")( not)? in \((\d+(?:, \d+)*|\?(?:, \?)*)\)|"[^"]*"|\?\?|\?/';

    /** @var WeakMap<PDO, array<string, true>>|null names of the statements that stand prepared on a connection */
    private ?WeakMap $standing = null;

    private bool $outdated = false;

    public function rollBack($toLevel = null): void
    {
        parent::rollBack($toLevel);
        if ($this->outdated && $this->transactionLevel() === 0) {
            $this->getPdo()->exec('DEALLOCATE ALL');
            [$this->standing, $this->outdated] = [null, false];
        }
    }

    /**
     * @param string $query
     * @param array<array-key, mixed> $bindings
     */
    protected function runQueryCallback($query, $bindings, Closure $callback): mixed
    {
        try {
            return parent::runQueryCallback($query, $bindings, function (string $query, array $bindings) use ($callback): mixed {
                return $callback(...$this->kept($query, $bindings) ?? [$query, $bindings]);
            });
        } catch (QueryException $refused) {
            // The tables were changed under a connection that goes on: the next request prepares anew.
            $this->outdated = $this->outdated || ($refused->getCode() === '0A000' && str_contains($refused->getMessage(), 'cached plan'));
            throw $refused;
        }
    }

    /**
     * The call of a statement that stands prepared, or null for one that is not kept.
     *
     * @param array<array-key, mixed> $bindings
     * @return array{string, list<mixed>}|null
     */
    private function kept(string $query, array $bindings): ?array
    {
        if (
            // While an upgrade changes the tables a plan must not outlive the request that made it.
            is_file((string) ($this->config['tables_change'] ?? '')) ||
            strlen($query) > self::LONGEST ||
            preg_match('/^\s*(select|insert|update|delete|with)\b/i', $query) !== 1 ||
            preg_match(self::OWN_PLAN, $query) === 1 ||
            str_contains($query, '), (') ||
            ! array_is_list($bindings)
        ) {
            return null;
        }
        [$text, $values] = self::numbered($query, $bindings);
        $name = 'kept_'.hash('xxh128', $text);
        $pdo = $this->getPdo();
        $this->standing ??= new WeakMap();
        $this->standing[$pdo] ??= self::found($pdo);
        if (! isset($this->standing[$pdo][$name])) {
            if (count($this->standing[$pdo]) >= self::MOST) {
                return null;
            }
            $pdo->exec("PREPARE {$name} AS {$text}");
            $this->standing[$pdo][$name] = true;
        }

        return ["EXECUTE {$name}".($values === [] ? '' : '('.implode(', ', array_fill(0, count($values), '?')).')'), $values];
    }

    /**
     * Places by number; a list of ids becomes one place, so that lists of all lengths are one statement.
     *
     * @param list<mixed> $bindings
     * @return array{string, list<mixed>}
     */
    private static function numbered(string $query, array $bindings): array
    {
        $values = [];
        $place = static function (mixed $value) use (&$values): string {
            $values[] = $value;

            return '$'.count($values);
        };
        $text = (string) preg_replace_callback(
            self::PIECES,
            static function (array $piece) use ($place, &$bindings): string {
                if ($piece[0] === '?') {
                    return $place(array_shift($bindings));
                }
                if (! isset($piece[3])) {
                    return $piece[0] === '??' ? '?' : $piece[0];
                }
                [, $column, $not, $list] = $piece;
                $ids = $list[0] === '?' ? array_splice($bindings, 0, substr_count($list, '?')) : explode(', ', $list);
                if ($list[0] === '?' && array_filter($ids, is_int(...)) !== $ids) {
                    return "{$column}{$not} in (".implode(', ', array_map($place, $ids)).')';
                }
                // One id is planned as one; of a list the planner thinks that it is long.
                if (count($ids) === 1) {
                    return $column.($not === '' ? ' = ' : ' <> ').$place($ids[0]);
                }

                return $column.($not === '' ? ' = any' : ' <> all').' ('.$place('{'.implode(',', $ids).'}').'::bigint[])';
            },
            $query,
        );

        return [$text, $values];
    }

    /** @return array<string, true> what earlier requests left prepared */
    private static function found(PDO $pdo): array
    {
        if ($pdo->getAttribute(PDO::ATTR_PERSISTENT) !== true) {
            return [];
        }
        $names = $pdo->query("SELECT name FROM pg_prepared_statements WHERE name LIKE 'kept@_%' ESCAPE '@'");

        return $names instanceof PDOStatement ? array_fill_keys($names->fetchAll(PDO::FETCH_COLUMN), true) : [];
    }
}
