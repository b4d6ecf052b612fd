<?php

declare(strict_types=1);

namespace Tests\Support;

use Unanimus\Pages\Scratch;

/** Workbooks as spreadsheet programs save them, with no more in them than a sheet needs. */
final class MadeWorkbook
{
    /** @param  list<list<string>>  $rows */
    public static function xlsx(array $rows): string
    {
        $cells = '';
        foreach ($rows as $row) {
            $cells .= '<row>'.implode('', array_map(
                static fn (string $cell) => '<c t="inlineStr"><is><t>'.htmlspecialchars($cell, ENT_XML1).'</t></is></c>',
                $row,
            )).'</row>';
        }
        $types = 'application/vnd.openxmlformats-officedocument.spreadsheetml.';
        $rel = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
        $main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
        $packed = 'http://schemas.openxmlformats.org/package/2006/';

        return self::zip([
            '[Content_Types].xml' => "<Types xmlns=\"{$packed}content-types\"><Default Extension=\"rels\" ContentType=\"application/vnd.".
                'openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/>'.
                "<Override PartName=\"/xl/workbook.xml\" ContentType=\"{$types}sheet.main+xml\"/>".
                "<Override PartName=\"/xl/worksheets/sheet1.xml\" ContentType=\"{$types}worksheet+xml\"/></Types>",
            '_rels/.rels' => "<Relationships xmlns=\"{$packed}relationships\"><Relationship Id=\"a\" Type=\"{$rel}/officeDocument\" ".
                'Target="xl/workbook.xml"/></Relationships>',
            'xl/workbook.xml' => "<workbook xmlns=\"{$main}\" xmlns:r=\"{$rel}\"><sheets><sheet name=\"Plans\" sheetId=\"1\" r:id=\"a\"/>".
                '</sheets></workbook>',
            'xl/_rels/workbook.xml.rels' => "<Relationships xmlns=\"{$packed}relationships\"><Relationship Id=\"a\" ".
                "Type=\"{$rel}/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>",
            'xl/worksheets/sheet1.xml' => "<worksheet xmlns=\"{$main}\"><sheetData>{$cells}</sheetData></worksheet>",
        ]);
    }

    /** @param  list<list<string>>  $rows */
    public static function ods(array $rows): string
    {
        $cells = '';
        foreach ($rows as $row) {
            $cells .= '<table:table-row>'.implode('', array_map(
                static fn (string $cell) => '<table:table-cell office:value-type="string"><text:p>'.htmlspecialchars($cell, ENT_XML1).
                    '</text:p></table:table-cell>',
                $row,
            )).'</table:table-row>';
        }
        $names = 'urn:oasis:names:tc:opendocument:xmlns:';
        $type = 'application/vnd.oasis.opendocument.spreadsheet';

        return self::zip([
            'mimetype' => $type,
            'META-INF/manifest.xml' => "<manifest:manifest xmlns:manifest=\"{$names}manifest:1.0\"><manifest:file-entry ".
                "manifest:full-path=\"/\" manifest:media-type=\"{$type}\"/><manifest:file-entry manifest:full-path=\"content.xml\" ".
                'manifest:media-type="text/xml"/></manifest:manifest>',
            'content.xml' => "<office:document-content xmlns:office=\"{$names}office:1.0\" xmlns:table=\"{$names}table:1.0\" ".
                "xmlns:text=\"{$names}text:1.0\" office:version=\"1.2\"><office:body><office:spreadsheet><table:table ".
                "table:name=\"Plans\">{$cells}</table:table></office:spreadsheet></office:body></office:document-content>",
        ]);
    }

    /** @param  array<string, string>  $files */
    private static function zip(array $files): string
    {
        $scratch = new Scratch();
        $zip = new \ZipArchive();
        $zip->open($scratch->path('book.zip'), \ZipArchive::CREATE);
        foreach ($files as $name => $text) {
            $zip->addFromString($name, $text);
            $name === 'mimetype' && $zip->setCompressionName($name, \ZipArchive::CM_STORE);
        }
        $zip->close();

        return $scratch->get('book.zip');
    }
}
