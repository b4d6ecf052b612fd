<?php

// The post room's counter: every letter that went out, opened as its recipient; letters can be sent in with attachments.

declare(strict_types=1);

$env = parse_ini_file(getenv('UNANIMUS_STATE').'/.env', false, INI_SCANNER_RAW) ?: [];
$folder = rtrim($env['UNANIMUS_POST_ROOM_FOLDER'] ?? '', '/').'/out';
$path = rawurldecode((string) parse_url($_SERVER['REQUEST_URI'], PHP_URL_PATH));
header("Content-Security-Policy: default-src 'none'; style-src 'self'; form-action 'self'; img-src 'self' data:");
header('X-Content-Type-Options: nosniff');
header('Referrer-Policy: no-referrer');

require __DIR__.'/letter.php';

if ($path === '/style.css') {
    header('Content-Type: text/css');
    readfile(__DIR__.'/style.css');
    exit;
}
if (preg_match('~^/letters/([0-9.]+-[0-9a-f]{8})(?:/(\d+))?$~', $path, $m) === 1 && is_file("{$folder}/{$m[1]}.eml")) {
    $letter = Letter::read("{$folder}/{$m[1]}.eml");
    if (isset($m[2])) {
        $part = $letter->attachments[(int) $m[2]] ?? null;
        if ($part === null) {
            http_response_code(404);
            exit('There is no such attachment.');
        }
        header('Content-Type: '.$part['type']);
        header('Content-Disposition: inline; filename="'.preg_replace('/[^\w. -]/', '_', $part['name']).'"');
        exit($part['bytes']);
    }
    page('letter.phtml', ['letter' => $letter, 'id' => $m[1]]);
}
if ($path === '/send' && $_SERVER['REQUEST_METHOD'] === 'POST') {
    [$ok, $said] = Letter::sendIn($env, $_POST, $_FILES['attachment'] ?? null);
    http_response_code($ok ? 200 : 422);
    page('sent.phtml', ['ok' => $ok, 'said' => $said]);
}
if ($path !== '/') {
    http_response_code(404);
    exit('There is nothing at this address.');
}
$files = glob("{$folder}/*.eml") ?: [];
rsort($files);
$wanted = trim((string) ($_GET['to'] ?? ''));
$letters = [];
foreach (array_slice($files, 0, 400) as $file) {
    $letter = Letter::read($file);
    if ($wanted === '' || stripos($letter->to, $wanted) !== false) {
        $letters[basename($file, '.eml')] = $letter;
    }
}
page('list.phtml', ['letters' => array_slice($letters, 0, 100, true), 'wanted' => $wanted, 'app' => $env['APP_URL'] ?? '']);

function page(string $template, array $data): never
{
    extract($data);
    header('Content-Type: text/html; charset=utf-8');
    require __DIR__.'/'.$template;
    exit;
}

function e(string $text): string
{
    return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE);
}
