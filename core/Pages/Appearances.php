<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Drawings as appearance streams, so that every reader shows a filled field as it was filled, in any script, and can
 * still change it.
 *
 * @link https://opensource.adobe.com/dc-acrobat-sdk-docs/pdfstandards/PDF32000_2008.pdf ISO 32000-1, section 12.5.5
 *
 * @internal to its area
 */
final class Appearances
{
    private const TURNS = [0 => [1, 0, 0, 1, 0, 0], 90 => [0, 1, -1, 0, 0, 0], 180 => [-1, 0, 0, -1, 0, 0], 270 => [0, -1, 1, 0, 0, 0]];

    /**
     * New objects to be written beside those of a PDF.
     *
     * @param non-empty-list<array{drawing: Drawing, turn: int}> $pieces each of the size of its widget as its text reads, and how it is
     *                                                                   turned against its page
     * @param int $after the highest object number in use
     * @return array{array<string, mixed>, list<string>} the objects as qpdf's JSON takes them, and the name of each piece's stream
     *
     * @throws ToolFailed when they cannot be drawn
     */
    public static function of(array $pieces, int $after, Press $press): array
    {
        $scratch = new Scratch();
        $pdf = $press->overlay($scratch, array_map(static fn (array $piece) => $piece['drawing'], $pieces));
        $json = (new NativeTool())->run(['qpdf', '--json=2', '--json-key=qpdf', '--json-stream-data=inline', '--decode-level=none', $pdf]);
        $objects = (array) json_decode($json, false, 512, JSON_THROW_ON_ERROR)->qpdf[1];
        $look = PdfLook::into($pdf, gate: false);
        $new = [];
        foreach ($objects as $name => $object) {
            if (preg_match('/^obj:(\d+) 0 R$/', $name, $m) === 1 && ! self::isFrame($object)) {
                $new['obj:'.($after + (int) $m[1]).' 0 R'] = self::moved($object, $after);
            }
        }
        $names = [];
        $number = $after + $look->highestObject();
        foreach ($look->frames() as $index => $frame) {
            $contents = $objects["obj:{$frame['dict']->{'/Contents'}}"]->stream;
            $name = ++$number.' 0 R';
            $box = [0, 0, round($pieces[$index]['drawing']->width, 2), round($pieces[$index]['drawing']->height, 2)];
            $dict = [
                ...(array) self::moved($contents->dict, $after),
                '/Type' => '/XObject',
                '/Subtype' => '/Form',
                '/BBox' => $box,
                '/Matrix' => self::TURNS[$pieces[$index]['turn']] ?? self::TURNS[0],
                '/Resources' => self::moved($frame['dict']->{'/Resources'} ?? new \stdClass(), $after),
            ];
            unset($dict['/Length']);
            $new["obj:{$name}"] = ['stream' => ['dict' => (object) $dict, 'data' => $contents->data]];
            $names[] = $name;
        }

        return [$new, $names];
    }

    /** Pages, their tree and the catalog stay behind. */
    private static function isFrame(object $object): bool
    {
        $type = $object->value->{'/Type'} ?? null;

        return in_array($type, ['/Page', '/Pages', '/Catalog'], true);
    }

    /** The same with every reference raised by so much. */
    private static function moved(mixed $value, int $by): mixed
    {
        if (PdfLook::isReference($value)) {
            return $by + (int) $value.' 0 R';
        }
        if ($value instanceof \stdClass) {
            $moved = array_map(static fn (mixed $part) => self::moved($part, $by), (array) $value);
            if (isset($moved['dict'], $moved['data'])) {
                $moved['dict'] = (object) array_diff_key((array) $moved['dict'], ['/Length' => 1]);
            }

            return (object) $moved;
        }

        return is_array($value) ? array_map(static fn (mixed $part) => self::moved($part, $by), $value) : $value;
    }
}
