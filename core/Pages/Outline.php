<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The bookmarks of an assembled PDF.
 *
 * @link https://www.iso.org/standard/63534.html ISO 32000-1, 12.3.3 document outline
 *
 * @internal to its area
 */
final class Outline
{
    /**
     * The update for qpdf that gives a PDF one bookmark a paper, and no bookmarks of its own.
     *
     * @param non-empty-list<array{title: string, page: int}> $starts the page each paper begins on, from 1
     */
    public static function update(PdfLook $look, array $starts): string
    {
        [$rootName, $root] = $look->catalog();
        $first = $look->highestObject() + 1;
        $last = count($starts);
        $objects = ["obj:{$first} 0 R" => ['value' => ['/Type' => '/Outlines', '/First' => ($first + 1).' 0 R', '/Last' => ($first + $last).' 0 R', '/Count' => $last]]];
        foreach ($starts as $index => $start) {
            $number = $first + 1 + $index;
            $objects["obj:{$number} 0 R"] = ['value' => array_filter([
                '/Title' => 'u:'.$start['title'],
                '/Parent' => "{$first} 0 R",
                '/Dest' => [$look->pageObject($start['page']), '/XYZ', null, null, null],
                '/Prev' => $index > 0 ? ($number - 1).' 0 R' : null,
                '/Next' => $index < $last - 1 ? ($number + 1).' 0 R' : null,
            ])];
        }
        $catalog = [...(array) $root, '/Outlines' => "{$first} 0 R", '/PageMode' => '/UseOutlines'];
        unset($catalog['/OpenAction'], $catalog['/AA'], $catalog['/Names'], $catalog['/AcroForm']);
        $objects["obj:{$rootName}"] = ['value' => $catalog];

        return json_encode(['qpdf' => [['jsonversion' => 2, 'pushedinheritedpageresources' => false, 'calledgetallpages' => false, 'maxobjectid' => $first + $last], $objects]], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }
}
