<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A PDF of nothing but a short line of plain letters at the lower right of each page, to be laid over other pages. It needs
 * no drawing program, so that numbering hundreds of pages costs next to nothing.
 */
final class PageNumbers
{
    private const SIZE = 6.5;

    /**
     * The bytes; letters beyond ASCII are left out.
     *
     * @param non-empty-list<string> $lines one for each page
     */
    public static function pdf(array $lines, float $width = 612, float $height = 792): string
    {
        $font = require __DIR__.'/line-font.php';
        $kids = implode(' ', array_map(static fn (int $index) => 6 + 2 * $index.' 0 R', array_keys($lines)));
        $about = implode(
            ' ',
            array_map(
                static fn (string $key, mixed $value) => $key.' '.(is_array($value) ? '['.implode(' ', $value).']' : $value),
                array_map(strval(...), array_keys($font['about'])),
                array_values($font['about']),
            ),
        );
        $file = (string) base64_decode($font['file'], true);
        $objects = [
            '<< /Type /Catalog /Pages 2 0 R >>',
            "<< /Type /Pages /Kids [{$kids}] /Count ".
            count($lines).
            " /MediaBox [0 0 {$width} {$height}] /Resources << /Font << /F 3 0 R >> >> >>",
            "<< /Type /Font /Subtype /TrueType /BaseFont /{$font['name']} /FirstChar 32 /LastChar 126 /Widths [".
            implode(' ', $font['widths']).
            '] /FontDescriptor 4 0 R /Encoding /WinAnsiEncoding >>',
            "<< /Type /FontDescriptor /FontName /{$font['name']} {$about} /FontFile2 5 0 R >>",
            '<< /Filter /FlateDecode /Length1 '.$font['length'].' /Length '.strlen($file)." >>\nstream\n{$file}\nendstream",
        ];
        foreach ($lines as $index => $line) {
            $plain = (string) preg_replace('/[^\x20-\x7e]/', '', $line);
            // The line ends where the margin does.
            $x = round(
                $width -
                    36 -
                    self::SIZE *
                        array_sum(
                            array_map(
                                static fn (string $letter) => $font['widths'][ord($letter) - 32] / 1000,
                                str_split($plain === '' ? ' ' : $plain),
                            ),
                        ),
                2,
            );
            $content =
                $plain === '' ? '' : '0.34 0.39 0.36 rg BT /F '.self::SIZE." Tf {$x} 9 Td (".addcslashes($plain, '()\\').') Tj ET';
            $objects[] = '<< /Type /Page /Parent 2 0 R /Contents '.(7 + 2 * $index).' 0 R >>';
            $objects[] = '<< /Length '.strlen($content)." >>\nstream\n{$content}\nendstream";
        }
        $pdf = "%PDF-1.4\n";
        $table = "0000000000 65535 f \n";
        foreach ($objects as $index => $object) {
            $table .= sprintf("%010d 00000 n \n", strlen($pdf));
            $pdf .= $index + 1 ." 0 obj\n{$object}\nendobj\n";
        }
        $count = count($objects) + 1;

        return "{$pdf}xref\n0 {$count}\n{$table}trailer << /Root 1 0 R /Size {$count} >>\nstartxref\n".strlen($pdf)."\n%%EOF\n";
    }
}
