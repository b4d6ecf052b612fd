<?php

declare(strict_types=1);

namespace League\Config;

use Nette\Schema\Schema;

interface SchemaBuilderInterface
{
    public function addSchema(string $key, Schema $schema): void;
}
