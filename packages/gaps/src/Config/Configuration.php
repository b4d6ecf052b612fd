<?php

declare(strict_types=1);

namespace League\Config;

use Dflydev\DotAccessData\Data;
use League\Config\Exception\UnknownOptionException;
use League\Config\Exception\ValidationException;
use Nette\Schema\Expect;
use Nette\Schema\Processor;
use Nette\Schema\Schema;
use Nette\Schema\ValidationException as SchemaFault;

final class Configuration implements ConfigurationBuilderInterface, ConfigurationInterface
{
    private Data $given;

    private ?Data $checked = null;

    private ReadOnlyConfiguration $reader;

    /** @param  array<string, Schema>  $schemas */
    public function __construct(private array $schemas = [])
    {
        $this->given = new Data;
        $this->reader = new ReadOnlyConfiguration($this);
    }

    public function addSchema(string $key, Schema $schema): void
    {
        $this->checked = null;
        $this->schemas[$key] = $schema;
    }

    public function merge(array $config): void
    {
        $this->checked = null;
        $this->given->import($config, Data::REPLACE);
    }

    public function set(string $key, mixed $value): void
    {
        $this->checked = null;
        $this->given->set(self::path($key), $value);
    }

    public function get(string $key): mixed
    {
        $data = $this->checked();
        if (! $data->has(self::path($key))) {
            throw new UnknownOptionException("There is no option '{$key}'");
        }

        return $data->get(self::path($key));
    }

    public function exists(string $key): bool
    {
        return $this->checked()->has(self::path($key));
    }

    public function reader(): ConfigurationInterface
    {
        return $this->reader;
    }

    private function checked(): Data
    {
        if ($this->checked !== null) {
            return $this->checked;
        }
        try {
            $values = (new Processor)->process(Expect::structure($this->schemas)->castTo('array'), $this->given->export());
        } catch (SchemaFault $fault) {
            throw new ValidationException($fault->getMessage(), previous: $fault);
        }

        return $this->checked = new Data(self::plain($values));
    }

    private static function plain(mixed $value): mixed
    {
        if ($value instanceof \stdClass) {
            $value = (array) $value;
        }

        return is_array($value) ? array_map(self::plain(...), $value) : $value;
    }

    private static function path(string $key): string
    {
        return str_replace('/', '.', $key);
    }
}
