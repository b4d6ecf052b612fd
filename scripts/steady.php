<?php

// Asks a copy for pages, so many each second, until a file is there, and tells what was not answered well.
// php scripts/steady.php URL ADDRESS CHAIN EMAIL PASSWORD EACH-SECOND UNTIL-FILE PATH...

declare(strict_types=1);

[, $url, $address, $chain, $email, $password, $each, $until] = $argv;
$paths = array_slice($argv, 8);
$jar = (string) tempnam(sys_get_temp_dir(), 'steady');

$asked = static function (string $path, array $more = []) use ($url, $address, $chain, $jar): CurlHandle {
    $curl = curl_init($url.$path);
    $host = (string) parse_url($url, PHP_URL_HOST);
    curl_setopt_array($curl, [
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_TIMEOUT => 60,
        CURLOPT_CAINFO => $chain,
        CURLOPT_RESOLVE => [$host.':'.parse_url($url, PHP_URL_PORT).':'.$address],
        CURLOPT_COOKIEFILE => $jar,
    ] + $more);

    return $curl;
};

preg_match('/name="_token"[^>]*value="([^"]+)"/', (string) curl_exec($asked('/sign-in', [CURLOPT_COOKIEJAR => $jar])), $token);
$in = $asked('/sign-in', [
    CURLOPT_COOKIEJAR => $jar,
    CURLOPT_POSTFIELDS => http_build_query(['_token' => $token[1] ?? '', 'email' => $email, 'password' => $password]),
]);
curl_exec($in);
if (curl_getinfo($in, CURLINFO_RESPONSE_CODE) !== 302) {
    fwrite(STDERR, 'could not sign in: '.curl_getinfo($in, CURLINFO_RESPONSE_CODE)."\n");
    exit(2);
}
unset($in);

$many = curl_multi_init();
[$began, $next, $count, $active, $failed, $longest] = [microtime(true), microtime(true), 0, 0, [], 0.0];
do {
    $ends = is_file($until);
    // A machine that is behind is not asked for ever more: as many people wait, no more of them.
    while (! $ends && microtime(true) >= $next && $active < 30) {
        curl_multi_add_handle($many, $asked($paths[$count++ % count($paths)]));
        $next = max($next + 1 / (float) $each, microtime(true) - 0.2);
        $active++;
    }
    curl_multi_exec($many, $active);
    while ($done = curl_multi_info_read($many)) {
        $one = $done['handle'];
        $code = curl_getinfo($one, CURLINFO_RESPONSE_CODE);
        $longest = max($longest, curl_getinfo($one, CURLINFO_TOTAL_TIME));
        $code === 200 || $failed[] = curl_getinfo($one, CURLINFO_EFFECTIVE_URL).": {$code} ".curl_error($one);
        curl_multi_remove_handle($many, $one);
    }
    curl_multi_select($many, 0.01);
} while (! $ends || $active > 0);
unlink($jar);
printf(
    "%d asked, %.1f a second, %d not answered well, the longest took %.1f s\n",
    $count,
    $count / (microtime(true) - $began),
    count($failed),
    $longest,
);
echo implode("\n", array_slice($failed, 0, 10)), $failed === [] ? '' : "\n";
exit($failed === [] && $count > 0 ? 0 : 1);
