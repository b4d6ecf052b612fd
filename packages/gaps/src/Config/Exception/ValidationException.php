<?php

declare(strict_types=1);

namespace League\Config\Exception;

class ValidationException extends \UnexpectedValueException implements ConfigurationExceptionInterface
{
}
