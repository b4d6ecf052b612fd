<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Unanimus\Dates\BusinessCalendar;
use Unanimus\Dates\LocalDate;
use Unanimus\Requirements\Stage;
use Unanimus\Retention\RetentionRules;
use Unanimus\Review\ReviewPlan;

/**
 * An office of the brokerage, with its time zone and its own holidays.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property string $name
 * @property string $zone
 * @property array<string, string> $disbursement how its authorizations are worded, as OfficeWording reads it
 * @property list<array<string, string|bool>> $fees that it usually takes
 * @property array<string, string> $holidays
 * @property array<string, mixed> $review
 * @property array<string, mixed> $retention how long its files are kept, as RetentionRules reads it
 * @property string $date_look what a date beside a signature looks like, as stored
 * @property list<int> $reminder_days days before the last day on which those who have not signed are reminded
 * @property string $coordinator_rule which coordinator new files get: nothing, "load", or the key of one
 * @property list<string> $preferred_forms numbers of the forms it prefers to others like them
 */
final class Office extends Record
{
    use HasKey;

    public const UPDATED_AT = null;

    /** @var array<string, string> */
    protected $casts = ['holidays' => 'array', 'preferred_forms' => 'array', 'reminder_days' => 'array', 'review' => 'array',
        'disbursement' => 'array', 'retention' => 'array', 'fees' => 'array'];

    protected $attributes = ['preferred_forms' => '[]', 'reminder_days' => '[2, 1, 0]', 'date_look' => 'slashes', 'review' => '{}',
        'disbursement' => '{}', 'retention' => '{}', 'fees' => '[]', 'coordinator_rule' => ''];

    /** @var array<string, BusinessCalendar> by the holidays it was made from */
    private array $calendars = [];

    /** How papers are reviewed here. */
    public function reviewPlan(): ReviewPlan
    {
        return ReviewPlan::of($this->review, Stage::keys());
    }

    /** How long its files are kept. */
    public function retentionRules(): RetentionRules
    {
        return RetentionRules::of($this->retention);
    }

    public function timeZone(): \DateTimeZone
    {
        return new \DateTimeZone($this->zone);
    }

    public function today(): LocalDate
    {
        return LocalDate::at(now(), $this->timeZone());
    }

    /** One for all that is reckoned by it: it remembers the holidays of each year it was asked for. */
    public function calendar(): BusinessCalendar
    {
        $days = (string) $this->getAttributes()['holidays'];
        $this->calendars = [$days => $this->calendars[$days] ?? new BusinessCalendar($this->holidays)];

        return $this->calendars[$days];
    }
}
