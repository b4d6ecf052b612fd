<?php

// A small time-stamping authority (RFC 3161 over HTTP): takes a request, answers with a token from the local key.

declare(strict_types=1);

$authority = getenv('UNANIMUS_STATE').'/secrets/authority';
// For proving what happens without it.
if (is_file(getenv('UNANIMUS_STATE').'/run/stamps-away')) {
    http_response_code(503);
    exit('Away.');
}
$query = (string) file_get_contents('php://input');
if ($_SERVER['REQUEST_METHOD'] !== 'POST' || ($_SERVER['CONTENT_TYPE'] ?? '') !== 'application/timestamp-query' || strlen($query) > 4096) {
    http_response_code(400);
    exit('A time-stamp request (RFC 3161) is expected.');
}
$in = tempnam(sys_get_temp_dir(), 'tsq');
$out = $in.'.tsr';
file_put_contents($in, $query);
// openssl keeps its serial numbers in a file: one request after the other.
$lock = fopen("{$authority}/stamp.lock", 'c');
flock($lock, LOCK_EX);
exec('openssl ts -reply -config '.escapeshellarg("{$authority}/authority.cnf").' -section ours -queryfile '.escapeshellarg($in).' -out '.escapeshellarg($out).' 2>&1', $said, $code);
flock($lock, LOCK_UN);
$answer = is_file($out) ? (string) file_get_contents($out) : '';
@unlink($in);
@unlink($out);
if ($answer === '') {
    http_response_code(500);
    exit('The time stamp could not be made.');
}
header('Content-Type: application/timestamp-reply');
echo $answer;
