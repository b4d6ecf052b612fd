<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

/** The listing exchange does not answer, or answers with something unreadable. */
final class ExchangeUnavailable extends \RuntimeException
{
}
