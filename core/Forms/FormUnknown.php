<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/** A form number that the library does not have. */
final class FormUnknown extends \OutOfBoundsException
{
}
