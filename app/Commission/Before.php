<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\Commission;
use App\Models\DealFile;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Parties\Side;

/**
 * Which sheets count before one: in the order of closing, then authorization; of one deal the listing side's before the other.
 */
final readonly class Before
{
    /** @param  list<int>  $besides  commissions that are left out */
    private function __construct(private array $besides, private int $file, private string $day, private string $hour)
    {
    }

    /** All there are. */
    public static function all(): self
    {
        return new self([], 0, 'infinity', 'infinity');
    }

    /** Those before the sheet of a side, whether it is authorized or not yet. */
    public static function sheet(DealFile $file, ?Side $side, ?Commission $commission, LocalDate $closing): self
    {
        $own = Commission::query()->where('deal_file_id', $file->id)->pluck('side', 'id');
        $after = $side?->isListing() === false ? [$commission->id ?? 0] : [...array_keys($own->all()), $commission->id ?? 0];

        return new self($after, $file->id, $closing->iso(), self::hour($commission?->authorized_at));
    }

    /** @return array{string, int, string, string} as the database's functions take them */
    public function bindings(): array
    {
        return [$this->besides(), $this->file, $this->day, $this->hour];
    }

    /** The commissions left out, as an array of the database. */
    public function besides(): string
    {
        return '{'.implode(',', $this->besides).'}';
    }

    private static function hour(?Carbon $at): string
    {
        return $at === null ? 'infinity' : $at->format('Y-m-d H:i:s.uP');
    }
}
