<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/**
 * The few pieces of ASN.1 DER a signature is written and read with.
 *
 * @link https://www.itu.int/rec/T-REC-X.690 X.690, distinguished encoding rules
 *
 * @internal to its area
 */
final class Der
{
    /** An element of that tag byte around its content. */
    public static function element(int $tag, string ...$content): string
    {
        $body = implode('', $content);
        $length = strlen($body);
        if ($length < 128) {
            return chr($tag).chr($length).$body;
        }
        $bytes = ltrim(pack('N', $length), "\0");

        return chr($tag).chr(0x80 | strlen($bytes)).$bytes.$body;
    }

    /** A SEQUENCE of elements. */
    public static function sequence(string ...$content): string
    {
        return self::element(0x30, ...$content);
    }

    /** A SET OF elements, in the order DER asks for. */
    public static function set(string ...$content): string
    {
        sort($content, SORT_STRING);

        return self::element(0x31, ...$content);
    }

    /** An OBJECT IDENTIFIER from its dotted text. */
    public static function oid(string $dotted): string
    {
        $arcs = array_map(intval(...), explode('.', $dotted));
        $body = chr($arcs[0] * 40 + $arcs[1]);
        foreach (array_slice($arcs, 2) as $arc) {
            $septets = chr($arc & 0x7F);
            while (($arc >>= 7) > 0) {
                $septets = chr(0x80 | ($arc & 0x7F)).$septets;
            }
            $body .= $septets;
        }

        return self::element(0x06, $body);
    }

    /** A small non-negative INTEGER. */
    public static function integer(int $value): string
    {
        $bytes = ltrim(pack('J', $value), "\0");

        return self::element(0x02, $bytes === '' || ord($bytes[0]) > 127 ? "\0".$bytes : $bytes);
    }

    /** An OCTET STRING. */
    public static function octets(string $bytes): string
    {
        return self::element(0x04, $bytes);
    }

    /** NULL. */
    public static function null(): string
    {
        return "\x05\x00";
    }

    /**
     * The element that begins at an offset.
     *
     * @return array{tag: int, content: string, whole: string, end: int}
     *
     * @throws SealBroken when the bytes are no element
     */
    public static function read(string $bytes, int $at = 0): array
    {
        if (! isset($bytes[$at + 1])) {
            throw SealBroken::unreadable();
        }
        $length = ord($bytes[$at + 1]);
        $head = 2;
        if ($length > 127) {
            $count = $length & 0x7F;
            if ($count < 1 || $count > 4 || ! isset($bytes[$at + 1 + $count])) {
                throw SealBroken::unreadable();
            }
            $length = (int) hexdec(bin2hex(substr($bytes, $at + 2, $count)));
            $head += $count;
        }
        if ($at + $head + $length > strlen($bytes)) {
            throw SealBroken::unreadable();
        }

        return [
            'tag' => ord($bytes[$at]),
            'content' => substr($bytes, $at + $head, $length),
            'whole' => substr($bytes, $at, $head + $length),
            'end' => $at + $head + $length,
        ];
    }

    /** @return list<array{tag: int, content: string, whole: string, end: int}> the elements standing one after the other */
    public static function children(string $content): array
    {
        $children = [];
        for ($at = 0; $at < strlen($content); $at = $child['end']) {
            $children[] = $child = self::read($content, $at);
        }

        return $children;
    }
}
