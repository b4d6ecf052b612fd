<?php

declare(strict_types=1);

use PHPUnit\Framework\AssertionFailedError;
use Tests\Support\AppCase;
use Tests\Support\BrowserCase;
use Unanimus\Steps\Reason;
use Unanimus\Steps\StepRefused;

pest()->extend(AppCase::class)->in('App');
/** Refused, and for this reason: what the person is told may change its words. */
expect()->extend('toBeRefused', function (Reason $reason) {
    try {
        ($this->value)();
    } catch (StepRefused $refused) {
        expect($refused->reason)->toBe($reason);

        return $this;
    }
    throw new AssertionFailedError("Nothing was refused; {$reason->value} was expected.");
});

pest()->extend(BrowserCase::class)->in('Browser');
