<?php

// Names what failed, and prints "tests: N passed, N failed, N skipped" over JUnit logs, alone on a line;
// fails when a log is missing or no test ran.

declare(strict_types=1);

[$all, $failed, $skipped] = [0, 0, 0];
foreach (array_slice($argv, 1) as $log) {
    $xml = is_file($log) ? simplexml_load_file($log) : false;
    if ($xml === false) {
        fwrite(STDERR, "no test log was written: {$log}\n");
        exit(1);
    }
    $all += count($xml->xpath('//testcase') ?: []);
    $broken = $xml->xpath('//testcase[failure or error]') ?: [];
    $failed += count($broken);
    foreach ($broken as $case) {
        // Told again at the end: of a long run only the end may be kept.
        $said = trim((string) ($case->failure ?? '') ?: (string) ($case->error ?? ''));
        printf("failed: %s, %s\n  %s\n", $case['class'], $case['name'], str_replace("\n", "\n  ", mb_substr($said, 0, 1500)));
    }
    $skipped += count($xml->xpath('//testcase[skipped]') ?: []);
}
printf("tests: %d passed, %d failed, %d skipped\n", $all - $failed - $skipped, $failed, $skipped);
exit($failed > 0 || $all === 0 ? 1 : 0);
