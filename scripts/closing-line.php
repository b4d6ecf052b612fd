<?php

// Prints "tests: N passed, N failed, N skipped" over JUnit logs, alone on a line; fails when one is missing or no test ran.

declare(strict_types=1);

[$all, $failed, $skipped] = [0, 0, 0];
foreach (array_slice($argv, 1) as $log) {
    $xml = is_file($log) ? simplexml_load_file($log) : false;
    if ($xml === false) {
        fwrite(STDERR, "no test log was written: {$log}\n");
        exit(1);
    }
    $all += count($xml->xpath('//testcase') ?: []);
    $failed += count($xml->xpath('//testcase[failure or error]') ?: []);
    $skipped += count($xml->xpath('//testcase[skipped]') ?: []);
}
printf("tests: %d passed, %d failed, %d skipped\n", $all - $failed - $skipped, $failed, $skipped);
exit($failed > 0 || $all === 0 ? 1 : 0);
