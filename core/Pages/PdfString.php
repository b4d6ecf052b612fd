<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/** Texts and names as a PDF writes them and qpdf tells them. */
final class PdfString
{
    /** Where PDFDocEncoding differs from Latin-1. */
    private const DOC_ENCODING = [
        0x18 => '˘',
        0x19 => 'ˇ',
        0x1A => 'ˆ',
        0x1B => '˙',
        0x1C => '˝',
        0x1D => '˛',
        0x1E => '˚',
        0x1F => '˜',
        0x80 => '•',
        0x81 => '†',
        0x82 => '‡',
        0x83 => '…',
        0x84 => '—',
        0x85 => '–',
        0x86 => 'ƒ',
        0x87 => '⁄',
        0x88 => '‹',
        0x89 => '›',
        0x8A => '−',
        0x8B => '‰',
        0x8C => '„',
        0x8D => '“',
        0x8E => '”',
        0x8F => '‘',
        0x90 => '’',
        0x91 => '‚',
        0x92 => '™',
        0x93 => 'ﬁ',
        0x94 => 'ﬂ',
        0x95 => 'Ł',
        0x96 => 'Œ',
        0x97 => 'Š',
        0x98 => 'Ÿ',
        0x99 => 'Ž',
        0x9A => 'ı',
        0x9B => 'ł',
        0x9C => 'œ',
        0x9D => 'š',
        0x9E => 'ž',
        0x9F => '',
        0xA0 => '€',
    ];

    /** A string of the PDF as UTF-8; anything else is empty. */
    public static function text(mixed $value): string
    {
        return match (true) {
            ! is_string($value) => '',
            str_starts_with($value, 'u:') => substr($value, 2),
            str_starts_with($value, 'b:') => self::decoded((string) @hex2bin(substr($value, 2))),
            default => '',
        };
    }

    /** A name without its stroke, readable; bytes that are no UTF-8 are read as the file's own encoding. */
    public static function nameText(string $name): string
    {
        return (string) preg_replace_callback(
            '/[\x{10FF00}-\x{10FFFF}]/u',
            static fn (array $m) => self::decoded(chr(mb_ord($m[0], 'UTF-8') & 0xFF)),
            ltrim($name, '/'),
        );
    }

    /** qpdf prints a name's bytes as they stand, UTF-8 or not: others travel as characters beyond all that are used. */
    public static function asText(string $json): string
    {
        if (mb_check_encoding($json, 'UTF-8')) {
            return $json;
        }
        $well =
            '[\x00-\x7F]++|(?:[\xC2-\xDF][\x80-\xBF]|\xE0[\xA0-\xBF][\x80-\xBF]|[\xE1-\xEC\xEE\xEF][\x80-\xBF]{2}|'.
            '\xED[\x80-\x9F][\x80-\xBF]|\xF0[\x90-\xBF][\x80-\xBF]{2}|[\xF1-\xF3][\x80-\xBF]{3}|\xF4[\x80-\x8F][\x80-\xBF]{2})++';

        return (string) preg_replace_callback(
            "/{$well}|([\x80-\xFF])/",
            static fn (array $m) => isset($m[1]) ? mb_chr(0x10FF00 + ord($m[1]), 'UTF-8') : $m[0],
            $json,
        );
    }

    /** The reverse: such characters as the bytes they stand for. */
    public static function rawBytes(string $json): string
    {
        return (string) preg_replace_callback(
            '/[\x{10FF00}-\x{10FFFF}]/u',
            static fn (array $m) => chr(mb_ord($m[0], 'UTF-8') & 0xFF),
            $json,
        );
    }

    /** A text string's bytes as UTF-8: UTF-16 or UTF-8 with a mark, else PDFDocEncoding (ISO 32000-1, 7.9.2 and annex D.2). */
    private static function decoded(string $bytes): string
    {
        return match (true) {
            str_starts_with($bytes, "\xFE\xFF") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'),
            str_starts_with($bytes, "\xFF\xFE") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'),
            str_starts_with($bytes, "\xEF\xBB\xBF") => mb_scrub(substr($bytes, 3), 'UTF-8'),
            default => implode(
                '',
                array_map(static fn (string $byte) => self::DOC_ENCODING[ord($byte)] ?? mb_chr(ord($byte), 'UTF-8'), str_split($bytes)),
            ),
        };
    }
}
