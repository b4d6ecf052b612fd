<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/**
 * A time-stamping authority.
 *
 * @link https://www.rfc-editor.org/rfc/rfc3161
 */
interface TimeStamps
{
    /**
     * A token that says the digest existed at that time.
     *
     * @param string $digest SHA-256, raw
     * @return string the token's DER, a CMS SignedData over TSTInfo
     *
     * @throws StampUnavailable when none can be had
     */
    public function stamp(string $digest): string;
}
