<?php

declare(strict_types=1);

namespace Unanimus\Files;

/** A step that the state of things does not allow; its message says why, in words for the person who tried. */
final class StepRefused extends \DomainException
{
}
