<?php

declare(strict_types=1);

namespace App\Retention;

use App\Models\DealFile;
use App\Models\RetentionHold;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Retention\RetentionClock;

/** How long one file is kept, with what holds it. */
final readonly class FileClock
{
    private function __construct(
        public RetentionClock $clock,
        public ?LocalDate $ended,
        public ?int $years,
        public ?string $rule,
        public ?RetentionHold $hold,
        public ?LocalDate $announced,
        public LocalDate $today,
    ) {
    }

    public static function of(DealFile $file): self
    {
        $hold = RetentionHold::query()->with('placer')->where('deal_file_id', $file->id)->whereNull('lifted_at')->first();
        $announced = DB::table('purge_notices')->where('deal_file_id', $file->id)->value('announced_on');

        return self::reckon($file, $hold, $announced === null ? null : LocalDate::of((string) $announced));
    }

    /** What was read for many files at once. */
    public static function reckon(DealFile $file, ?RetentionHold $hold, ?LocalDate $announced): self
    {
        $ended = $file->status->isOpen() ? null : ($file->closed_on ?? $file->ended_on);
        $rules = $file->office->retentionRules();
        $years = $rules->yearsFor($file->kind, $file->status);
        $today = $file->office->today();

        return new self(
            RetentionClock::of($ended, $years, $hold !== null, $announced, $today),
            $ended,
            $years,
            $rules->placeFor($file->kind, $file->status),
            $hold,
            $announced,
            $today,
        );
    }

    /** By which rule, in words: "sale, closed: 7 years". */
    public function byRule(): string
    {
        return $this->years === null ? '' : "{$this->rule}: ".($this->years === 1 ? '1 year' : "{$this->years} years");
    }

    /** How much of its time is over, in percent. */
    public function elapsed(): int
    {
        return $this->ended === null ? 0 : (int) floor(100 * $this->clock->elapsed($this->ended, $this->today));
    }
}
