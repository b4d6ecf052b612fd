<?php

declare(strict_types=1);

namespace Unanimus\Notices;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why settings of notices are not kept. */
enum NoticeRefusal: string implements Reason
{
    use Refuses;

    case OneEnd = 'notice.one-end';
    case NoDay = 'notice.no-day';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::OneEnd => 'Say from when until when it is quiet, or leave both empty. Nothing was changed.',
            self::NoDay => 'Select a weekday for the digest, or choose another way for what is in it. Nothing was changed.',
        };
    }
}
