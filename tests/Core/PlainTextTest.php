<?php

declare(strict_types=1);

use Unanimus\Pages\Drawing;
use Unanimus\Pages\PlainText;

it('lets no character through that cannot be kept or drawn', function (string $given, string $kept) {
    expect(PlainText::of($given))
        ->toBe($kept)
        ->and((new Drawing(100, 100))->text(1, 20, 9, $given)->svg())
        ->not->toContain("\u{FFFE}")
        ->not->toContain("\0");
    expect(strlen(press()->print([(new Drawing(200, 100))->text(10, 20, 9, $given.'x')])))->toBeGreaterThan(200);
})->with([
    'a zero' => [fn () => "a\0b", 'ab'],
    'non-characters' => [fn () => "a\u{FFFE}b\u{1FFFF}c", 'abc'],
    'half a pair' => [fn () => "a\xED\xA0\x80b", 'ab'],
    'ends of lines' => [fn () => "a\r\nb\rc\td", "a\nb\nc\td"],
    'a reserved one' => [fn () => "\u{FDD0}José 张\u{200D}", "José 张\u{200D}"],
    'controls' => [fn () => "a\x0Bb\x1Fc", 'abc'],
]);
