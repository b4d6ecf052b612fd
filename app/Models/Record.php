<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\OfBrokerage;
use Illuminate\Database\Eloquent\Model;

/** A row as an object; every model of the application is one. */
abstract class Record extends Model
{
    /** @var array<class-string, string> the table of each kind of row */
    private static array $tables = [];

    protected static function booted(): void
    {
        // Every table of ours but the brokerages themselves says whose its rows are.
        static::class === Brokerage::class || static::addGlobalScope(new OfBrokerage());
    }

    /** Made out of the class's name in the plural once, not for each row. */
    public function getTable(): string
    {
        return $this->table ??= self::$tables[static::class] ??= parent::getTable();
    }

    /**
     * Eloquent looks through every method of a model for hooks, anew in each request: with twenty kinds of rows on a page
     * that is a good part of its cost. Ours stand in traits, under the names it calls them by.
     */
    protected static function bootTraits(): void
    {
        self::$traitInitializers[static::class] = [];
        foreach (class_uses_recursive(static::class) as $trait) {
            $name = class_basename($trait);
            if (method_exists(static::class, "boot{$name}")) {
                forward_static_call([static::class, "boot{$name}"]);
            }
            if (method_exists(static::class, "initialize{$name}")) {
                self::$traitInitializers[static::class][] = "initialize{$name}";
            }
        }
    }
}
