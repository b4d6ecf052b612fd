<?php

// Names what failed, and prints "tests: N passed, N failed, N skipped" over JUnit logs, alone on a line;
// fails when a log is missing or no test ran. With --files it prints the files of tests that failed instead.
// A log given as --again=FILE is of tests that were run once more by themselves: what held there did not fail, and is named.

declare(strict_types=1);

[$logs, $again, $files] = [[], null, false];
foreach (array_slice($argv, 1) as $word) {
    match (true) {
        $word === '--files' => $files = true,
        str_starts_with($word, '--again=') => $again = substr($word, 8),
        default => $logs[] = $word,
    };
}
$read = static fn (string $log): SimpleXMLElement|false => is_file($log) ? simplexml_load_file($log) : false;
$called = static fn (SimpleXMLElement $case): string => "{$case['class']}, {$case['name']}";
$held = [];
$second = $again === null ? false : $read($again);
foreach ($second === false ? [] : ($second->xpath('//testcase[not(failure or error)]') ?: []) as $case) {
    $held[$called($case)] = true;
}
[$all, $failed, $skipped, $broken] = [0, 0, 0, []];
foreach ($logs as $log) {
    $xml = $read($log);
    if ($xml === false) {
        fwrite(STDERR, "no test log was written: {$log}\n");
        exit(1);
    }
    $all += count($xml->xpath('//testcase') ?: []);
    $skipped += count($xml->xpath('//testcase[skipped]') ?: []);
    array_push($broken, ...$xml->xpath('//testcase[failure or error]') ?: []);
}
if ($files) {
    $of = array_map(static fn (SimpleXMLElement $case) => explode('::', (string) $case['file'])[0], $broken);
    echo implode("\n", array_unique(array_filter($of))), "\n";
    exit(0);
}
foreach ($broken as $case) {
    $isHeld = isset($held[$called($case)]);
    $failed += $isHeld ? 0 : 1;
    // Told again at the end: of a long run only the end may be kept.
    $said = trim((string) ($case->failure ?? '') ?: (string) ($case->error ?? ''));
    $what = $isHeld ? 'fell once, and held by itself' : 'failed';
    printf("%s: %s\n  %s\n", $what, $called($case), str_replace("\n", "\n  ", mb_substr($said, 0, 1500)));
}
printf("tests: %d passed, %d failed, %d skipped\n", $all - $failed - $skipped, $failed, $skipped);
exit($failed > 0 || $all === 0 ? 1 : 0);
