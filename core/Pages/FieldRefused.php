<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/** A value that a fillable PDF cannot take; the message names the field and what it takes. */
final class FieldRefused extends \RuntimeException
{
}
