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

it('shows pictures that came along where the letter shows them, and no others', function () {
    $picture = imagecreatetruecolor(3, 3);
    ob_start();
    imagepng($picture);
    $png = (string) ob_get_clean();
    $letter = "From: a@b.cd\r\nSubject: x\r\nContent-Type: multipart/related; boundary=e\r\n\r\n--e\r\nContent-Type: text/html\r\n\r\n".
        '<p>Look: <img width=9 onerror=go() src="cid:one@x"> and <img src="cid:two@x"> and <img src="https://t.example/1.gif">.</p>'.
        "\r\n--e\r\nContent-Type: image/png; name=\"a\\\"b.png\"\r\nContent-ID: <one@x>\r\nContent-Transfer-Encoding: base64\r\n\r\n".
        chunk_split(base64_encode($png)).
        "--e\r\nContent-Type: image/png; name=two.png\r\nContent-ID: <two@x>\r\n\r\n<svg onload=go()>no picture</svg>\r\n--e--\r\n";
    $mail = Unanimus\Intake\MailReader::read($letter);
    $html = CleanLetter::of($mail->html, $mail->attachments);
    expect(substr_count($html, '<img'))->toBe(1)
        ->and($html)->toContain('<img src="data:image/png;base64,'.base64_encode($png).'" alt="')
        ->not->toContain('onerror')->not->toContain('t.example')->not->toContain('svg')
        ->and($html)->toEndWith(' and  and .</p>')
        ->and(CleanLetter::of('<p>'."\u{E000}0\u{E001}".'Hi</p>', $mail->attachments))->toBe('<p>0Hi</p>');
});
