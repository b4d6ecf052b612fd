<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/** What a deadline counts in. */
enum Unit: string
{
    case Calendar = 'calendar';
    case Business = 'business';

    /** Every day but Sundays and holidays, as three-day disclosure rules count (12 CFR 1026.2(a)(6), the specific definition). */
    case BusinessWithSaturdays = 'business with saturdays';
    case Months = 'months';
    case Hours = 'hours';

    /** As read with a number before it. */
    public function words(int $count): string
    {
        $word = [
            'calendar' => 'day',
            'business' => 'business day',
            'business with saturdays' => 'business day',
            'months' => 'month',
            'hours' => 'hour',
        ][$this->value];

        return "{$count} {$word}".($count === 1 ? '' : 's').($this === self::BusinessWithSaturdays ? ' (Saturdays counted)' : '');
    }
}
