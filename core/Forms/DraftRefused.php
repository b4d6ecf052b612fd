<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/** A change to a form in the making that cannot be kept, or a form that is not fit to be used yet; said in words. */
final class DraftRefused extends \DomainException
{
}
