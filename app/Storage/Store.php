<?php

declare(strict_types=1);

namespace App\Storage;

/** Where bytes are kept under a name, once and for good. */
interface Store
{
    /** Keeps the bytes durably under the name; keeping the same again changes nothing. */
    public function write(string $name, string $bytes): void;

    /** The bytes under the name. @throws BytesMissing when there are none */
    public function read(string $name): string;

    public function has(string $name): bool;

    /** Lets go of the bytes under the name, also of what was fetched of them; of none is none. */
    public function drop(string $name): void;

    /** A path on this machine where the bytes can be read; remote stores fetch them first. @throws BytesMissing */
    public function path(string $name): string;
}
