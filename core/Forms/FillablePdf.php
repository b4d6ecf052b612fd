<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\FieldFill;
use Unanimus\Pages\PdfEdit;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Terms\Kind;

/**
 * A form of ours as a fillable PDF that other readers can fill, blank or with what stands on it.
 *
 * @link https://opensource.adobe.com/dc-acrobat-sdk-docs/pdfstandards/PDF32000_2008.pdf ISO 32000-1, section 12.7
 */
final class FillablePdf
{
    /** Flags of a field, ISO 32000-1 tables 221, 226 and 228: required, on several lines, a list that folds out. */
    private const REQUIRED = 1 << 1;

    private const LINES = 1 << 12;

    private const COMBO = 1 << 17;

    /** The state in which a tick of ours is on. */
    private const ON = 'x';

    private const PICTURE = ['/Type' => '/XObject', '/Subtype' => '/Form', '/BBox' => [0, 0, 10, 10]];

    /**
     * The PDF's bytes. Fields are named as the blanks; ticks that exclude each other are fields of their own, as in the form.
     *
     * @param array<string, string> $values what stands in blanks, as printed; ticks as "x"
     *
     * @throws \Unanimus\Pages\EditLost when a field is not in what was written
     * @throws \Unanimus\Pages\ToolFailed when it cannot be written
     */
    public static function of(Form $form, array $values, Press $press): string
    {
        $edit = PdfEdit::of($form->pdf);
        $look = $edit->look;
        $font = $edit->add(
            (object) ['/Type' => '/Font', '/Subtype' => '/Type1', '/BaseFont' => '/Helvetica', '/Encoding' => '/WinAnsiEncoding'],
        );
        $cross = $edit->addStream(self::PICTURE, 'q 0.08 0.15 0.12 RG 1.3 w 2 2 m 8 8 l 2 8 m 8 2 l S Q');
        $empty = $edit->addStream(self::PICTURE, 'q Q');
        $fields = [];
        foreach ($form->pages as $index => [, $height]) {
            $name = $look->pageObject($index + 1);
            $page = $look->object($name);
            $widgets = array_map(
                static fn (Blank $blank) => $edit->add(self::field($blank, $height, $name, $cross, $empty)),
                $form->blanksOn($index + 1),
            );
            array_push($fields, ...$widgets);
            if ($widgets !== [] && $page instanceof \stdClass) {
                $page->{'/Annots'} = $widgets;
                $edit->put($name, $page);
            }
        }
        [$root, $catalog] = $look->catalog();
        $catalog->{'/AcroForm'} = (object) [
            '/Fields' => $fields,
            '/DA' => 'u:/Helv 0 Tf 0 g',
            '/DR' => (object) ['/Font' => (object) ['/Helv' => $font]],
        ];
        $edit->put($root, $catalog);
        $scratch = new Scratch();
        $scratch->put(
            'fillable.pdf',
            $edit->write([], static fn (PdfLook $written) => count(PdfFields::of($written)->all()) === count($fields) ? null : 'a field'),
        );
        $given = [];
        foreach ($values as $blank => $value) {
            $kind = $form->blank($blank)?->kind;
            $value === '' || $kind === null || ($given[$blank] = $kind === Kind::Tick ? self::ON : $value);
        }

        return $given === [] ? $scratch->get('fillable.pdf') : FieldFill::into($scratch->path('fillable.pdf'), $given, false, $press);
    }

    private static function field(Blank $blank, float $height, string $page, string $cross, string $empty): \stdClass
    {
        $place = $blank->place;
        $flags = ($blank->required ? self::REQUIRED : 0) | ($blank->kind === Kind::Lines ? self::LINES : 0);
        $field = [
            '/Type' => '/Annot',
            '/Subtype' => '/Widget',
            '/F' => 4,
            '/P' => $page,
            '/T' => "u:{$blank->name}",
            '/TU' => "u:{$blank->label}",
            '/Ff' => $flags,
            '/Rect' => [
                round($place->x, 2),
                round($height - $place->y - $place->height, 2),
                round($place->x + $place->width, 2),
                round($height - $place->y, 2),
            ],
        ];

        if ($blank->kind === Kind::Choice) {
            return (object) [
                ...$field,
                '/Ff' => $flags | self::COMBO,
                '/FT' => '/Ch',
                '/DA' => 'u:/Helv 0 Tf 0 g',
                '/Opt' => array_map(static fn (string $option) => "u:{$option}", $blank->options),
            ];
        }

        return (object) ($blank->kind === Kind::Tick
            ? [
                ...$field,
                '/FT' => '/Btn',
                '/V' => '/Off',
                '/AS' => '/Off',
                '/AP' => (object) ['/N' => (object) ['/'.self::ON => $cross, '/Off' => $empty]],
            ]
            : [...$field, '/FT' => '/Tx', '/DA' => 'u:/Helv '.($blank->kind === Kind::Lines ? '9' : '0').' Tf 0 g']);
    }
}
