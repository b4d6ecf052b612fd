<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\OfBrokerage;
use Illuminate\Database\Eloquent\Model;

/**
 * A row as an object; every model of the application is one.
 *
 * @phpstan-consistent-constructor
 */
abstract class Record extends Model
{
    /** @var array<class-string, string> the table of each kind of row */
    private static array $tables = [];

    /** @var array<class-string, array<string, string>> how each attribute of a kind of row is read: as it is, or as what */
    private static array $reads = [];

    protected static function booted(): void
    {
        // Every table of ours but the brokerages themselves says whose its rows are.
        static::class === Brokerage::class || static::addGlobalScope(new OfBrokerage());
    }

    /** @var array<class-string, static> an untouched row of each kind, of which those that are read are copies */
    private static array $blank = [];

    /** @var array<class-string, bool> whether somebody listens for rows of a kind being read */
    private static array $isAwaited = [];

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

    /**
     * Rows come by the hundred. Eloquent makes each as if it were to be filled by hand and tells of it; a copy of an untouched one
     * is the same.
     *
     * @param array<string, mixed>|object $attributes
     * @param \UnitEnum|string|null $connection
     */
    public function newFromBuilder($attributes = [], $connection = null): static
    {
        $row = clone (self::$blank[static::class] ??= new static());
        $row->exists = true;
        $row->table = $this->getTable();
        $this->casts === $row->casts || $row->mergeCasts($this->casts);
        $row->setRawAttributes((array) $attributes, true);
        $row->setConnection($connection ?? $this->getConnectionName());
        if (self::$isAwaited[static::class] ??= self::$dispatcher?->hasListeners('eloquent.retrieved: '.static::class) ?? false) {
            $row->fireModelEvent('retrieved', false);
        }

        return $row;
    }

    /**
     * Eloquent asks of each attribute, each time it is read, whether it has a mutator, a cast or a date's format. None of that
     * changes while a process runs; it is asked once for each, and what is simple is read past it.
     *
     * @param string $key
     */
    public function getAttribute($key): mixed
    {
        $read = self::$reads[static::class][$key] ?? null;
        if ($read === null || ! array_key_exists($key, $this->attributes)) {
            if (isset($this->relations[$key]) && ! array_key_exists($key, $this->attributes)) {
                return $this->relations[$key];
            }
            is_string($key) && array_key_exists($key, $this->attributes) && (self::$reads[static::class][$key] = $this->read($key));

            return parent::getAttribute($key);
        }
        $raw = $this->attributes[$key];

        return match (true) {
            $read === 'plain' || ($raw === null && $read !== '') => $raw,
            $read === 'bool' => (bool) $raw,
            $read === 'float' => (float) $raw,
            // Most lists are empty; there is nothing to decode.
            $read === 'list' && ($raw === '{}' || $raw === '[]') => [],
            $read === '' || $read === 'list' || is_object($raw) => parent::getAttribute($key),
            default => $read::from($raw),
        };
    }

    /** How an attribute is read: "plain", "bool", "float", "list", the class of an enum, or nothing for what Eloquent makes of it. */
    private function read(string $key): string
    {
        $cast = $this->getCasts()[$key] ?? null;

        return match (true) {
            $this->hasGetMutator($key) || $this->hasAttributeGetMutator($key) || in_array($key, $this->getDates(), true) => '',
            $cast === null => 'plain',
            $cast === 'int' && $key === $this->getKeyName() && is_int($this->attributes[$key]) => 'plain',
            $cast === 'boolean' || $cast === 'bool' => 'bool',
            $cast === 'float' => 'float',
            $cast === 'array' => 'list',
            is_subclass_of($cast, \BackedEnum::class) => $cast,
            default => '',
        };
    }
}
