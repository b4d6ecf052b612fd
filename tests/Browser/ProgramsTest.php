<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;

/** @return array<string, array{string, int}> state and process id of each program of the test copy */
function programs(): array
{
    $state = testState();
    exec("supervisorctl -c {$state}/run/supervisor.conf status 2>&1", $lines);
    $found = [];
    foreach ($lines as $line) {
        // What serves pages is called by its version besides.
        $isOne = preg_match('/^(php-fpm|\S+?)(?:-[0-9a-f]{8})?\s+(\S+)(?:\s+pid (\d+))?/', $line, $m) === 1;
        $isOne && ($found[$m[1]] = [$m[2], (int) ($m[3] ?? 0)]);
    }

    return $found;
}

function answersAt(string $path): bool
{
    $curl = curl_init(BrowserCase::url().$path);
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 20]);
    curl_exec($curl);

    return curl_getinfo($curl, CURLINFO_RESPONSE_CODE) === 200;
}

it('comes back after any of its programs was killed, masters too, with nothing left behind by the one before', function (string $program) {
    /** @var BrowserCase $this */
    [, $before] = programs()[$program];
    posix_kill($before, SIGKILL);
    $this->eventually(
        fn () => (programs()[$program] ?? ['', 0])[0] === 'RUNNING' && programs()[$program][1] !== $before ?: null,
        "{$program} did not come back",
        60,
    );
    $this->eventually(fn () => answersAt('/up?start=1') && answersAt('/sign-in') ?: null, "nothing answers after {$program} was ".
        'killed', 60);
    $this->eventually(
        function () use ($before): ?bool {
            exec("pgrep -r S,R,D -g {$before}", $left);

            return $left === [] ?: null;
        },
        "something of the {$program} that was killed is still there",
        30,
    );
    expect(programs()[$program][0])->toBe('RUNNING');
})->with(['php-fpm', 'nginx', 'sealing', 'letters', 'conversion', 'reading', 'worker', 'scheduler', 'post-room']);

it('takes up a worker again that has ended by itself', function () {
    /** @var BrowserCase $this */
    [, $before] = programs()['letters'];
    posix_kill($before, SIGTERM);
    $this->eventually(
        fn () => programs()['letters'][0] === 'RUNNING' && programs()['letters'][1] !== $before ?: null,
        'the worker ended for good',
        60,
    );
    expect(programs()['letters'][0])->toBe('RUNNING');
});
