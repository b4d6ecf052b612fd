<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * Values of a form as XFDF, the XML that PDF readers exchange them in, out and in.
 *
 * @link https://www.iso.org/standard/77583.html ISO 19444-1, XML Forms Data Format
 */
final class Xfdf
{
    private const SPACE = 'http://ns.adobe.com/xfdf/';

    private const LARGEST = 4 * 1024 * 1024;

    /**
     * Writes values; a dot in a name makes a field of a field.
     *
     * @param array<string, string> $values by full name
     * @param string $file what it belongs to
     */
    public static function write(array $values, string $file = ''): string
    {
        $document = new \DOMDocument('1.0', 'UTF-8');
        $document->formatOutput = true;
        $root = $document->appendChild($document->createElementNS(self::SPACE, 'xfdf'));
        $fields = $root->appendChild($document->createElementNS(self::SPACE, 'fields'));
        $open = ['' => $fields];
        foreach ($values as $name => $value) {
            $parent = '';
            foreach (explode('.', (string) $name) as $part) {
                $path = $parent === '' ? $part : "{$parent}.{$part}";
                if (! isset($open[$path])) {
                    $field = $document->createElementNS(self::SPACE, 'field');
                    $field->setAttribute('name', self::plain($part));
                    $open[$path] = $open[$parent]->appendChild($field);
                }
                $parent = $path;
            }
            $text = $document->createElementNS(self::SPACE, 'value');
            $text->appendChild($document->createTextNode(self::plain($value)));
            $open[$parent]->appendChild($text);
        }
        if ($file !== '') {
            $of = $document->createElementNS(self::SPACE, 'f');
            $of->setAttribute('href', self::plain($file));
            $root->appendChild($of);
        }

        return (string) $document->saveXML();
    }

    /**
     * Reads values by full name.
     *
     * @return array<string, string>
     *
     * @throws XfdfUnreadable when it is no XFDF, or declares a document type
     */
    public static function read(string $xml): array
    {
        if (strlen($xml) > self::LARGEST) {
            throw new XfdfUnreadable('This XFDF file is larger than 4 MB.');
        }
        // Entities could name files of the server or grow without end: none are read at all.
        if (preg_match('/<!DOCTYPE|<!ENTITY/i', $xml) === 1) {
            throw new XfdfUnreadable('This XFDF file declares a document type, which is not taken. Export it again.');
        }
        $document = new \DOMDocument();
        if (
            trim($xml) === '' ||
            ! @$document->loadXML($xml, LIBXML_NONET | LIBXML_NOERROR | LIBXML_NOWARNING) ||
            $document->documentElement?->localName !== 'xfdf'
        ) {
            throw new XfdfUnreadable('This is no XFDF file, or it is cut off. Export it again.');
        }
        $values = [];
        foreach ($document->documentElement->childNodes as $child) {
            $child instanceof \DOMElement && $child->localName === 'fields' && self::fields($child, '', $values, 0);
        }

        return $values;
    }

    /** @param  array<string, string>  $values */
    private static function fields(\DOMElement $element, string $above, array &$values, int $depth): void
    {
        foreach ($element->childNodes as $child) {
            if (! ($child instanceof \DOMElement) || $depth > 20) {
                continue;
            }
            if ($child->localName === 'field') {
                $part = $child->getAttribute('name');
                self::fields($child, $above === '' ? $part : "{$above}.{$part}", $values, $depth + 1);
            } elseif ($child->localName === 'value' && $above !== '') {
                $values[$above] = str_replace(["\r\n", "\r"], "\n", $child->textContent);
            }
        }
    }

    private static function plain(string $text): string
    {
        return (string) preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', mb_scrub($text));
    }
}
