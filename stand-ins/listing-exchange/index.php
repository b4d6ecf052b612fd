<?php

// A small listing exchange that answers as a RESO Web API does: GET /odata/Property with $filter, $top and a bearer token.

declare(strict_types=1);

header('Content-Type: application/json; odata.metadata=minimal');

$env = parse_ini_file(getenv('UNANIMUS_STATE').'/.env', false, INI_SCANNER_RAW) ?: [];
if (! hash_equals('Bearer '.($env['UNANIMUS_EXCHANGE_TOKEN'] ?? ''), $_SERVER['HTTP_AUTHORIZATION'] ?? '')) {
    http_response_code(401);
    exit(json_encode(['error' => ['code' => '401', 'message' => 'A valid token is needed.']]));
}
$path = parse_url($_SERVER['REQUEST_URI'], PHP_URL_PATH);
if (preg_match('#^/papers/([a-z-]+\.pdf)$#', (string) $path, $m) === 1 && is_file(__DIR__.'/papers/'.$m[1])) {
    header('Content-Type: application/pdf');
    readfile(__DIR__.'/papers/'.$m[1]);
    exit;
}
if ($path === '/odata/Media') {
    $key = preg_match("/^ResourceRecordKey eq '([A-Za-z0-9]+)'$/", (string) ($_GET['$filter'] ?? ''), $m) === 1 ? $m[1] : '';
    $media = json_decode((string) file_get_contents(__DIR__.'/media.json'), true);
    exit(json_encode(['@odata.context' => '/odata/$metadata#Media', 'value' => array_values(array_filter($media, static fn (array $one) => $one['ResourceRecordKey'] === $key))], JSON_UNESCAPED_UNICODE));
}
if ($path !== '/odata/Property') {
    http_response_code(404);
    exit(json_encode(['error' => ['code' => '404', 'message' => 'There is no such resource.']]));
}
$listings = json_decode((string) file_get_contents(__DIR__.'/listings.json'), true);
$filter = (string) ($_GET['$filter'] ?? '');
if (preg_match("/^ListingId eq '((?:[^']|'')*)'$/", $filter, $m) === 1) {
    $wanted = str_replace("''", "'", $m[1]);
    $listings = array_filter($listings, static fn (array $listing) => strcasecmp($listing['ListingId'], $wanted) === 0);
} elseif (preg_match("/^contains\(tolower\(UnparsedAddress\),'((?:[^']|'')*)'\)( or contains\(tolower\(ListingId\),'(?:[^']|'')*'\))?$/", $filter, $m) === 1) {
    $wanted = str_replace("''", "'", $m[1]);
    $listings = array_filter($listings, static fn (array $listing) => str_contains(strtolower($listing['UnparsedAddress'].' '.$listing['ListingId']), $wanted));
} elseif (preg_match("/^ListAgentFullName eq '((?:[^']|'')*)'$/", $filter, $m) === 1) {
    $listings = array_filter($listings, static fn (array $listing) => $listing['ListAgentFullName'] === str_replace("''", "'", $m[1]));
} elseif ($filter !== '') {
    http_response_code(400);
    exit(json_encode(['error' => ['code' => '400', 'message' => 'This filter is not understood.']]));
}
$top = max(1, min(200, (int) ($_GET['$top'] ?? 50)));
echo json_encode(['@odata.context' => '/odata/$metadata#Property', 'value' => array_slice(array_values($listings), 0, $top)], JSON_UNESCAPED_UNICODE);
