<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/** Who vouches for a signer. */
enum Trust
{
    /** A root of the brokerage's own seals. */
    case Ours;

    /** Another root that is trusted here. */
    case Others;

    /** Nobody whom we know. */
    case Nobody;
}
