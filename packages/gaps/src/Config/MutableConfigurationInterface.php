<?php

declare(strict_types=1);

namespace League\Config;

interface MutableConfigurationInterface
{
    public function set(string $key, mixed $value): void;

    /** @param  array<string, mixed>  $config */
    public function merge(array $config): void;
}
