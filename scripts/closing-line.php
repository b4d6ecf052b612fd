<?php

// Prints "tests: N passed, N failed, N skipped" from a JUnit log, alone on a line; fails when no test ran.

declare(strict_types=1);

$log = $argv[1] ?? '';
$xml = is_file($log) ? simplexml_load_file($log) : false;
if ($xml === false) {
    fwrite(STDERR, "no test log was written\n");
    exit(1);
}
$all = count($xml->xpath('//testcase') ?: []);
$failed = count($xml->xpath('//testcase[failure or error]') ?: []);
$skipped = count($xml->xpath('//testcase[skipped]') ?: []);
printf("tests: %d passed, %d failed, %d skipped\n", $all - $failed - $skipped, $failed, $skipped);
exit($failed > 0 || $all === 0 ? 1 : 0);
