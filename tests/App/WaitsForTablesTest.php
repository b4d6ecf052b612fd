<?php

declare(strict_types=1);

use Tests\Support\AppCase;

it('lets a request wait while tables change, and go on when they have', function () {
    /** @var AppCase $this */
    $mark = (string) config('unanimus.requests_wait');
    touch($mark);
    $letting = popen('sleep 0.6; rm '.escapeshellarg($mark), 'r');
    $this->as('tomas')->get('/files')->assertOk();
    expect(is_file($mark))->toBeFalse();
    pclose($letting);
});
