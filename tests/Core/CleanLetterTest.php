<?php

declare(strict_types=1);

use Unanimus\Intake\CleanLetter;

it('keeps what a letter says, and nothing that runs, is fetched or dresses up', function (string $html, string $clean) {
    expect(CleanLetter::of($html))->toBe($clean);
})->with([
    'words' => ['<p>Good <b>morning</b></p>', '<p>Good <b>morning</b></p>'],
    'a list and a table' => [
        '<ul><li>one</li></ul><table width="600" bgcolor="red"><tr><td style="color:white">two</td></tr></table>',
        '<ul><li>one</li></ul><table><tr><td>two</td></tr></table>',
    ],
    'a script' => ['<p>Hi<script>alert(1)</script></p>', '<p>Hi</p>'],
    'a handler' => ['<p onclick="go()">Hi</p>', '<p>Hi</p>'],
    'a picture that reports' => ['<p>Hi<img src="https://track.example/1.gif"></p>', '<p>Hi</p>'],
    'a style that covers the page' => ['<div style="position:fixed;inset:0">Hi</div>', '<div>Hi</div>'],
    'a form' => ['<form action="https://x.example"><input name="p">Hi</form>', 'Hi'],
    'elements of old' => ['<center><font face="Arial">Hi</font><o:p>there</o:p></center>', 'Hithere'],
    'a frame' => ['<iframe src="https://x.example"></iframe><p>Hi</p>', '<p>Hi</p>'],
    'a script for a link' => ['<a href="javascript:go()">Hi</a>', '<a rel="noopener noreferrer nofollow" target="_blank">Hi</a>'],
    'nothing but a picture' => ['<div><img src="cid:1"></div>', ''],
]);

it('says where a link leads that calls itself otherwise', function (string $said, string $after) {
    $html = CleanLetter::of("<p>Go to <a href=\"https://elsewhere.example/pay\">{$said}</a> now</p>");
    expect(strip_tags($html))->toBe("Go to {$said}{$after} now");
})->with([
    ['www.ourbank.example', ' (leads to elsewhere.example)'],
    ['https://elsewhere.example/x', ''],
    ['our page', ''],
]);
