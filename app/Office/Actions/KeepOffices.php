<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\History\History;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use Unanimus\Dates\Holidays;
use Unanimus\Review\ReviewPlan;
use Unanimus\Signing\DateLook;
use Unanimus\Signing\ReminderPlan;
use Unanimus\Steps\StepRefused;

/** Offices: their name, time zone and holidays. */
final class KeepOffices
{
    /**
     * @param string $holidays a day and its name on each line
     *
     * @throws StepRefused when a line cannot be read
     */
    public function change(Office $office, string $name, string $zone, string $holidays): void
    {
        $before = ['name' => $office->name, 'zone' => $office->zone, 'holidays' => (array) $office->holidays];
        $after = ['name' => $name, 'zone' => $zone, 'holidays' => Holidays::read($holidays)];
        $office->update($after);
        foreach (['name', 'zone'] as $key) {
            $before[$key] === $after[$key] ||
                History::ofBrokerage(
                    $office->brokerage_id,
                    "Office {$key} changed",
                    ['office' => $name, 'before' => $before[$key], 'after' => $after[$key]],
                    $office->id,
                );
        }
        $added = array_diff_key($after['holidays'], $before['holidays']);
        $removed = array_diff_key($before['holidays'], $after['holidays']);
        $added === [] ||
            History::ofBrokerage(
                $office->brokerage_id,
                'Holidays added',
                ['office' => $name, 'days' => implode(', ', array_keys($added))],
                $office->id,
            );
        $removed === [] ||
            History::ofBrokerage(
                $office->brokerage_id,
                'Holidays removed',
                ['office' => $name, 'days' => implode(', ', array_keys($removed))],
                $office->id,
            );
    }

    /** Which papers are read by nobody, by one, or by two, and how many are looked at again. */
    public function reviews(Office $office, ReviewPlan $plan): void
    {
        if ($plan->toArray() === $office->reviewPlan()->toArray()) {
            return;
        }
        $office->update(['review' => $plan->toArray()]);
        $said = array_filter([
            $plan->none === [] ? '' : 'not read: '.implode(', ', $plan->none),
            $plan->second === [] ? '' : 'by two: '.implode(', ', $plan->second),
            $plan->agents === [] ? '' : 'by two for: '.User::query()->whereIn('key', $plan->agents)->pluck('name')->implode(', '),
            $plan->closesWhole ? 'closed only when everything is settled' : '',
            $plan->spot === 0 ? '' : "one in {$plan->spot} looked at again",
        ]);
        $told = ['office' => $office->name, 'plan' => $said === [] ? 'each paper by one' : implode('; ', $said)];
        History::ofBrokerage($office->brokerage_id, 'Review plan set', $told, $office->id);
    }

    /** When those who have not signed are reminded by themselves. */
    public function remind(Office $office, ReminderPlan $plan): void
    {
        if ($plan->daysBefore === $office->reminder_days) {
            return;
        }
        $office->update(['reminder_days' => $plan->daysBefore]);
        History::ofBrokerage(
            $office->brokerage_id,
            'Reminders set',
            ['office' => $office->name, 'days' => $plan->readable()],
            $office->id,
        );
    }

    /** What the dates beside signatures look like, in rounds that go out from now on. */
    public function lookOfDates(Office $office, DateLook $look): void
    {
        if ($look->stored() === $office->date_look) {
            return;
        }
        $office->update(['date_look' => $look->stored()]);
        History::ofBrokerage(
            $office->brokerage_id,
            'Look of dates set',
            ['office' => $office->name, 'look' => $look->text(now(), $office->timeZone())],
            $office->id,
        );
    }

    /** Prefers a form to others like it, or no longer. */
    public function prefer(Office $office, string $number, bool $isPreferred): void
    {
        $before = $office->preferred_forms;
        $after = array_values(array_unique($isPreferred ? [...$before, $number] : array_diff($before, [$number])));
        if ($after === $before) {
            return;
        }
        $office->update(['preferred_forms' => $after]);
        History::ofBrokerage(
            $office->brokerage_id,
            $isPreferred ? 'Form preferred' : 'Form no longer preferred',
            ['office' => $office->name, 'form' => $number],
            $office->id,
        );
    }

    /** Opens an office; whoever opens it administers it. */
    public function open(User $by, string $name, string $zone): Office
    {
        $office = Office::create(['brokerage_id' => $by->brokerage_id, 'name' => $name, 'zone' => $zone, 'holidays' => []]);
        $by->officeRoles()->create(['brokerage_id' => $by->brokerage_id, 'office_id' => $office->id, 'role' => Role::Administrator->value]);
        History::ofBrokerage($by->brokerage_id, 'Office opened', ['office' => $name, 'zone' => $zone], $office->id);

        return $office;
    }
}
