<?php

declare(strict_types=1);

namespace App\Requirements\Actions;

use App\Models\DealFile;
use App\Models\Sight;
use App\Requirements\KitShelf;
use App\Terms\FactBook;
use App\Terms\SearchRow;
use Unanimus\Files\FileName;
use Unanimus\Requirements\Kit;
use Unanimus\Terms\Facts;

/**
 * Brings the file's papers, checklist and tasks in line with its kits, the brokerage’s rules and its facts: adds what is
 * called for, takes back what no longer is and nobody has touched. It works on the whole file, whoever's entry set it off.
 */
final class ApplyKit
{
    private bool $waits = false;

    public function __construct(private readonly AttachKits $attachKits, private readonly CallPapers $callPapers)
    {
    }

    /**
     * Many changes of one file, followed by one look at what they call for.
     *
     * @template T
     *
     * @param callable(): T $work
     * @return T
     */
    public function afterwards(DealFile $file, callable $work): mixed
    {
        if ($this->waits) {
            return $work();
        }
        $this->waits = true;
        try {
            $result = $work();
        } finally {
            $this->waits = false;
        }
        $this($file->refresh());

        return $result;
    }

    public function __invoke(DealFile $file): void
    {
        if ($this->waits) {
            $file->unsetRelations();

            return;
        }
        Sight::asTheFile($file->id, function () use ($file): void {
            $file->unsetRelations();
            $facts = FactBook::of($file);
            $name = FileName::from($facts);
            if ($name !== $file->name && $name !== 'New file') {
                $file->update(['name' => $name]);
            }
            if ($file->kind->isDeal()) {
                ($this->attachKits)($file, $facts);
                ($this->callPapers)($file, $facts);
            }
            SearchRow::keep($file);
            $file->unsetRelations();
            $file->countSettled();
        });
    }

    /** Applies a kit by hand: what is there already stays, what is missing is added. */
    public function byHand(DealFile $file, string $key, int $version): void
    {
        Sight::asTheFile($file->id, function () use ($file, $key, $version): void {
            $kit = KitShelf::get($key, $version);
            if (! $file->kits()->where('kit', $key)->exists()) {
                $this->attachKits->one($file, $kit, $version, false);
            }
        });
        $this($file);
    }
}
