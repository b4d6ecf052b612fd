<?php

declare(strict_types=1);

namespace League\Config\Exception;

class UnknownOptionException extends \UnexpectedValueException implements ConfigurationExceptionInterface
{
}
