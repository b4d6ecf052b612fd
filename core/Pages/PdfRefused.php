<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/** A PDF that is not taken; the message tells a person what to do. */
final class PdfRefused extends \RuntimeException
{
    /** It is something else. */
    public static function noPdf(): self
    {
        return new self('This is not a PDF. Save it as PDF and upload it again.');
    }

    /** It cannot be opened without a password. */
    public static function password(): self
    {
        return new self('This PDF is locked with a password. Ask for a copy without one.');
    }

    /** It opens with a certificate of whoever it was made for. */
    public static function lockedForOthers(): self
    {
        return new self('This PDF is locked for certain people by their certificates. Ask for a copy without a lock.');
    }

    /** It is a form that only some programs can build; all others show a page that asks to wait. */
    public static function onlyInItsProgram(): self
    {
        return new self('This PDF shows its form only in the program it was made for. Open it there, print it to PDF and upload that.');
    }

    /** Readers do not agree on how many pages it has. */
    public static function pagesUncertain(): self
    {
        return new self('Programs do not agree on how many pages this PDF has, so some could get lost. Print it to PDF and upload that.');
    }

    /** Something that acts by itself could not be taken out. */
    public static function notSafe(): self
    {
        return new self('This PDF has active parts that could not be taken out. Print it to PDF and upload that.');
    }

    /** It is broken or cut off. */
    public static function damaged(?\Throwable $why = null): self
    {
        return new self('This PDF is damaged or cut off. Ask for it to be sent again.', previous: $why);
    }

    /** It is signed: whatever is changed in it would break the signature. */
    public static function signed(): self
    {
        return new self('This PDF is signed digitally; filling it would break the signature. Ask for one that is not signed yet.');
    }

    /** Its end is missing, and pages with it. */
    public static function cutOff(): self
    {
        return new self('This PDF is cut off: its end is missing. Ask for it to be sent again.');
    }

    /** It has no pages, or too many. */
    public static function pages(int $count): self
    {
        return new self(
            $count < 1 ? 'This PDF has no pages.' : 'This PDF has more than '.PdfLook::MOST_PAGES.' pages. Upload it as several parts.',
        );
    }

    /** A page has no printable size. */
    public static function pageSize(): self
    {
        return new self('A page of this PDF is smaller than an inch or larger than 200 inches. Print it to PDF again and upload that.');
    }
}
