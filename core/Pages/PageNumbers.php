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
        $kids = implode(' ', array_map(static fn (int $index) => (4 + 2 * $index).' 0 R', array_keys($lines)));
        $objects = [
            '<< /Type /Catalog /Pages 2 0 R >>',
            "<< /Type /Pages /Kids [{$kids}] /Count ".count($lines)." /MediaBox [0 0 {$width} {$height}] /Resources << /Font << /F 3 0 R >> >> >>",
            '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >>',
        ];
        foreach ($lines as $index => $line) {
            $plain = (string) preg_replace('/[^\x20-\x7e]/', '', $line);
            // Digits are as wide as half the size and a little; the line ends where the margin does.
            $x = round($width - 36 - strlen($plain) * self::SIZE * 0.5, 2);
            $content = $plain === '' ? '' : '0.34 0.39 0.36 rg BT /F '.self::SIZE." Tf {$x} 9 Td (".addcslashes($plain, '()\\').') Tj ET';
            $objects[] = '<< /Type /Page /Parent 2 0 R /Contents '.(5 + 2 * $index).' 0 R >>';
            $objects[] = '<< /Length '.strlen($content)." >>\nstream\n{$content}\nendstream";
        }
        $pdf = "%PDF-1.4\n";
        $table = "0000000000 65535 f \n";
        foreach ($objects as $index => $object) {
            $table .= sprintf("%010d 00000 n \n", strlen($pdf));
            $pdf .= ($index + 1)." 0 obj\n{$object}\nendobj\n";
        }
        $count = count($objects) + 1;

        return "{$pdf}xref\n0 {$count}\n{$table}trailer << /Root 1 0 R /Size {$count} >>\nstartxref\n".strlen($pdf)."\n%%EOF\n";
    }
}
