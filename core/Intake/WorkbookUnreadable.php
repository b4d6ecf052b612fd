<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/** A workbook that cannot be opened here; its message is for whoever brought it. */
final class WorkbookUnreadable extends \RuntimeException
{
}
