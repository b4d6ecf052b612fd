<?php

declare(strict_types=1);

namespace App\Requirements;

use App\Models\StoredKit;
use Unanimus\Requirements\Kit;

/** A kit that somebody may take. */
final readonly class ShelvedKit
{
    /**
     * @param int $version 0 of one that comes with the brokerage
     * @param string $of whose it is, in words
     * @param StoredKit|null $stored null of one that comes with the brokerage
     */
    public function __construct(public Kit $kit, public int $version, public string $of, public ?StoredKit $stored = null)
    {
    }
}
