<?php

declare(strict_types=1);

namespace Tests\Support;

use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

/** PDFs written by hand, object by object, so that a test can say exactly what is in them. */
final class MadePdf
{
    /** @param  array<int, string>  $objects */
    public static function of(array $objects): string
    {
        ksort($objects);
        $pdf = "%PDF-1.7\n";
        $table = '';
        $count = max(array_keys($objects)) + 1;
        for ($number = 1; $number < $count; $number++) {
            $table .= isset($objects[$number]) ? sprintf("%010d 00000 n \n", strlen($pdf)) : "0000000000 00000 f \n";
            $pdf .= isset($objects[$number]) ? "{$number} 0 obj\n{$objects[$number]}\nendobj\n" : '';
        }

        return "{$pdf}xref\n0 {$count}\n0000000000 65535 f \n{$table}trailer << /Root 1 0 R /Size {$count} >>\nstartxref\n".
            strlen($pdf).
            "\n%%EOF\n";
    }

    /** A page with a content stream in Helvetica. */
    public static function page(string $content): string
    {
        return self::of([
            1 => '<< /Type /Catalog /Pages 2 0 R >>',
            2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 /MediaBox [0 0 612 792] >>',
            3 => '<< /Type /Page /Parent 2 0 R /Contents 4 0 R /Resources << /Font << /F 5 0 R >> >> >>',
            4 => self::stream('', $content),
            5 => '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
        ]);
    }

    /** Pages as a scanner hands them over: pictures, without a word in them. */
    public static function scan(string $pdf, Scratch $scratch, string $size = ''): string
    {
        $tool = new NativeTool(60);
        $tool->run(['pdftoppm', '-r', '150', '-gray', '-jpeg', $scratch->put('paper.pdf', $pdf), $scratch->path('page')]);
        $sized = $size === '' ? [] : ['--pagesize', $size];
        $tool->run(['img2pdf', ...$sized, '--output', $scratch->path('scan.pdf'), ...glob($scratch->path('page').'*') ?: []]);

        return $scratch->get('scan.pdf');
    }

    /** A line of text at a place measured from the lower left. */
    public static function text(float $x, float $y, string $text, int $size = 11): string
    {
        return "BT /F {$size} Tf {$x} {$y} Td (".addcslashes($text, '()\\').") Tj ET\n";
    }

    /** Fields of every kind: inherited attributes, a turned and a cropped page, one that stands on a page only. */
    public static function form(): string
    {
        $look = static fn (string $on) => "/AS /Off /AP << /N << /{$on} 30 0 R /Off 31 0 R >> >>";

        return self::of([
            1 => '<< /Type /Catalog /Pages 2 0 R /AcroForm << /Fields [10 0 R 11 0 R 12 0 R 13 0 R 14 0 R 16 0 R 18 0 R 20 0 R 21 0 R 23 '.
                '0 R] /DA (/Helv 0 Tf 0 g) /CO [10 0 R] /XFA (x) >> >>',
            2 => '<< /Type /Pages /Kids [3 0 R 4 0 R 6 0 R] /Count 3 /MediaBox [0 0 612 792] >>',
            3 => '<< /Type /Page /Parent 2 0 R /Annots [10 0 R 11 0 R 12 0 R 13 0 R 15 0 R 17 0 R 19 0 R 20 0 R 21 0 R 24 0 R << /Type '.
                '/Annot /Subtype /Widget /FT /Tx /T (orphan) /Rect [300 100 500 120.] >>] >>',
            4 => '<< /Type /Page /Parent 2 0 R /Rotate 90 /Annots [22 0 R] >>',
            6 => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 700 900] /CropBox [50 60 650 860] /TrimBox [80 90 620 830] /Annots [23 '.
                '0 R] >>',
            10 => '<< /Type /Annot /Subtype /Widget /FT /Tx /T (name) /TU (Full name) /Ff 2 /Rect [100 700 400 720] /DA (/Helv 12 Tf '.
                '0 g) >>',
            11 => '<< /Type /Annot /Subtype /Widget /FT /Tx /T (notes) /Ff 4096 /Rect [100 600 400 680] /V (old) >>',
            12 => '<< /Type /Annot /Subtype /Widget /FT /Tx /T (zip) /Ff 16777216 /MaxLen 5 /Rect [100 560 200 580] >>',
            13 => "<< /Type /Annot /Subtype /Widget /FT /Btn /T (agree) /Rect [100 520 114 534] {$look('Ja')} >>",
            14 => '<< /FT /Btn /Ff 49152 /T (pay) /V /Off /Opt [(By cash) (By loan)] /Kids [15 0 R 24 0 R] >>',
            15 => "<< /Type /Annot /Subtype /Widget /Parent 14 0 R /Rect [100 480 114 494] {$look('0')} >>",
            24 => "<< /Type /Annot /Subtype /Widget /Parent 14 0 R /Rect [140 480 154 494] {$look('1')} >>",
            16 => '<< /FT /Ch /Ff 131072 /T (state) /Opt [[(MR) (Merrow)] [(QN) (Quoin)]] /V (QN) /Kids [17 0 R] >>',
            17 => '<< /Type /Annot /Subtype /Widget /Parent 16 0 R /Rect [100 440 200 460] >>',
            18 => '<< /FT /Tx /T (buyer) /Kids [19 0 R] /Q 2 /MaxLen 40 >>',
            19 => '<< /Type /Annot /Subtype /Widget /Parent 18 0 R /T (first) /Rect [400 420 100 400] >>',
            20 => '<< /Type /Annot /Subtype /Widget /FT /Ch /Ff 2097152 /T (colours) /Opt [(red) (green) (blue)] /Rect [100 340 200 '.
                '390] >>',
            21 => '<< /Type /Annot /Subtype /Widget /FT /Sig /T (sig) /Rect [100 300 300 330] >>',
            22 => '<< /Type /Annot /Subtype /Widget /FT /Tx /T (turned) /MK << /R 90 >> /Rect [100 100 120 400] /P 4 0 R >>',
            23 => '<< /Type /Annot /Subtype /Widget /FT /Tx /T (cropped) /Rect [150 700 400 720] >>',
            30 => self::stream('/Type /XObject /Subtype /Form /BBox [0 0 14 14]', 'q 1 w 2 2 m 12 12 l 2 12 m 12 2 l S Q'),
            31 => self::stream('/Type /XObject /Subtype /Form /BBox [0 0 14 14]', 'q Q'),
        ]);
    }

    public static function stream(string $dict, string $content): string
    {
        return "<< {$dict} /Length ".strlen($content)." >>\nstream\n{$content}\nendstream";
    }
}
