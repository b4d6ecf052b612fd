<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\FileRefusal;

/** The file that somebody means who typed its name, the beginning of it, or its listing number. */
final class CalledFile
{
    /** So many letters of a name are enough, where only one file begins with them. */
    private const FEWEST = 3;

    /**
     * @param int|null $but a file that is not meant
     *
     * @throws \Unanimus\Steps\StepRefused when there is none, there are several, or they do not work on it
     */
    public static function find(string $typed, ?int $but = null): DealFile
    {
        $typed = trim($typed);
        $files = static fn () => DealFile::query()->when($but !== null, static fn ($query) => $query->whereKeyNot($but))->orderByDesc('id');
        $exact = $typed === '' ? null : $files()
            ->where(static fn ($any) => $any->where('key', $typed)->orWhere('name', $typed)->orWhere('listing_number', $typed))
            ->first();
        if ($exact !== null) {
            return Gate::allows('work-on', $exact) ? $exact : throw FileRefusal::NotAFileOfYours->because();
        }
        $begins = mb_strlen($typed) < self::FEWEST ? [] : $files()
            ->where('name', 'ilike', addcslashes($typed, '%_\\').'%')
            ->limit(20)
            ->get()
            ->filter(static fn (DealFile $file) => Gate::allows('work-on', $file))
            ->values();

        return count($begins) === 1 ? $begins[0] : throw FileRefusal::NotAFileOfYours->because();
    }
}
