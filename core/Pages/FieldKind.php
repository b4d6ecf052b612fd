<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The kinds of field a fillable PDF knows.
 *
 * @link https://opensource.adobe.com/dc-acrobat-sdk-docs/pdfstandards/PDF32000_2008.pdf ISO 32000-1, section 12.7.4
 */
enum FieldKind: string
{
    case Text = 'text';
    case Checkbox = 'checkbox';
    case Radio = 'radio';
    case Choice = 'choice';
    case List = 'list';
    case Button = 'button';
    case Signature = 'signature';

    /** The kind by the field's type and flags; null when the type is none. */
    public static function of(?string $type, int $flags): ?self
    {
        return match ($type) {
            '/Tx' => self::Text,
            '/Btn' => ($flags & (1 << 16)) !== 0 ? self::Button : (($flags & (1 << 15)) !== 0 ? self::Radio : self::Checkbox),
            '/Ch' => ($flags & (1 << 17)) !== 0 ? self::Choice : self::List,
            '/Sig' => self::Signature,
            default => null,
        };
    }

    /** Whether it is on or off rather than written in. */
    public function isTicked(): bool
    {
        return $this === self::Checkbox || $this === self::Radio;
    }
}
