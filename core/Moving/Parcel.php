<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Steps\StepRefused;

/** What a brokerage brings along when it moves in: a spreadsheet of files and folders of documents, wherever they lie. */
interface Parcel
{
    /** The most things that are taken in one go. */
    public const MOST = 100_000;

    /** What it is called. */
    public function name(): string;

    /**
     * What lies in it.
     *
     * @return list<ParcelEntry> files alone, in the order of their paths
     *
     * @throws StepRefused when it cannot be opened, or holds too much
     */
    public function entries(): array;

    /**
     * The bytes of one thing in it.
     *
     * @param int $most bytes; what is longer is cut there, whatever it says of itself
     *
     * @throws StepRefused when it is not there any more
     */
    public function read(ParcelEntry $entry, int $most): string;
}
