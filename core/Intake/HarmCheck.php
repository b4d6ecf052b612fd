<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/** Looks whether a file from outside holds harmful code, before anything opens it. */
interface HarmCheck
{
    /**
     * What was found in it; null: nothing.
     *
     * @throws HarmUnknown when it cannot be looked at now
     */
    public function look(string $path): ?string;
}
