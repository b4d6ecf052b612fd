<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Fills the fields of a fillable PDF, as a form that can be filled on or as a part of the page, and reads back what it wrote.
 */
final class FieldFill
{
    private readonly PdfLook $look;

    private readonly PdfFields $fields;

    private readonly FieldEntry $entry;

    private function __construct(private readonly PdfEdit $edit)
    {
        $this->look = $edit->look;
        $this->fields = PdfFields::of($this->look);
        $this->entry = new FieldEntry($this->fields);
    }

    /**
     * A PDF with its fields filled.
     *
     * @param string $pdf its path
     * @param array<string, mixed> $values by full name; text, number, true or false for ticks, a list where several may be chosen
     * @return string the bytes
     *
     * @throws PdfRefused when it is no usable PDF, or is signed
     * @throws FieldRefused when it has no such field or the field cannot take the value
     * @throws EditLost when a value is not in what was written
     * @throws ToolFailed when it cannot be written
     */
    public static function into(string $pdf, array $values, bool $flatten, Press $press): string
    {
        $fill = new self(PdfEdit::of($pdf));
        if ($fill->fields->signed() !== []) {
            throw PdfRefused::signed();
        }
        $faults = [];
        foreach ($values as $name => $value) {
            try {
                $fill->entry->set((string) $name, $value);
            } catch (FieldRefused $refused) {
                $faults[] = $refused->getMessage();
            }
        }
        if ($faults !== []) {
            throw new FieldRefused(implode("\n", $faults));
        }

        return $flatten ? $fill->flattened($press) : $fill->fillable($press);
    }

    /**
     * A PDF with its fields as a part of the page, as they stand; of one that is signed a copy that shows the same.
     *
     * @param string $pdf its path
     * @return string the bytes
     *
     * @throws PdfRefused when it is no usable PDF
     * @throws EditLost when a field is not in what was written
     * @throws ToolFailed when it cannot be written
     */
    public static function flat(string $pdf, Press $press): string
    {
        return (new self(PdfEdit::of($pdf)))->flattened($press);
    }

    /**
     * A PDF's pages with its fields left empty and taken off, so that something else can be filled in their places.
     *
     * @param string $pdf its path
     * @return string the bytes
     *
     * @throws PdfRefused when it is no usable PDF, or is signed
     * @throws EditLost when a field is still in what was written
     * @throws ToolFailed when it cannot be written
     */
    public static function emptied(string $pdf, Press $press): string
    {
        $fill = new self(PdfEdit::of($pdf));
        if ($fill->fields->signed() !== []) {
            throw PdfRefused::signed();
        }
        foreach ($fill->fields->all() as $field) {
            match (true) {
                $field->kind === FieldKind::Button, $field->kind === FieldKind::Signature => null,
                $field->kind->isTicked() => $fill->entry->tick($field, ''),
                default => $fill->entry->write($field, ''),
            };
        }

        return $fill->flattened($press);
    }

    /** It stays a form: each field gets its picture, as any reader would draw it when it is changed there. */
    private function fillable(Press $press): string
    {
        $this->form();
        $pieces = [];
        $places = [];
        foreach ($this->fields->all() as $field) {
            foreach ($field->widgets as $widget) {
                if (
                    $widget->place !== null &&
                    ! isset($widget->dict->{'/AP'}) &&
                    ! $field->kind->isTicked() &&
                    ($text = self::shown($field)) !== ''
                ) {
                    $across = $widget->own % 180 === 0;
                    [$wide, $high] = [$widget->corners[2] - $widget->corners[0], $widget->corners[3] - $widget->corners[1]];
                    $piece = new Drawing($across ? $wide : $high, $across ? $high : $wide);
                    FieldDrawing::piece($piece, $field, $text);
                    $pieces[] = ['drawing' => $piece, 'turn' => $widget->own];
                    $places[] = $widget;
                }
            }
        }
        if ($pieces !== []) {
            [$new, $names] = Appearances::of($pieces, $this->look->highestObject(), $press);
            $this->edit->addNumbered($new);
            foreach ($places as $index => $widget) {
                $widget->dict->{'/AP'} = (object) ['/N' => $names[$index]];
                $this->entry->changed[$widget->object] = true;
            }
        }
        $this->put();

        return $this->edit->write(['--decrypt'], fn (PdfLook $written) => $this->lostValue(PdfFields::of($written)));
    }

    private function flattened(Press $press): string
    {
        $needs = $this->form();
        $drawings = [];
        $sizes = $this->look->pages();
        $pictures = FieldPictures::of($this->edit, $this->fields, $needs);
        foreach ($this->fields->all() as $field) {
            foreach ($field->widgets as $widget) {
                if ($pictures->lacks($field, $widget) && isset($widget->dict->{'/AP'})) {
                    unset($widget->dict->{'/AP'});
                    $this->entry->changed[$widget->object] = true;
                }
                if ($widget->page === 0 || ((int) $this->look->resolve($widget->dict->{'/F'} ?? 0) & 0b100010) !== 0) {
                    continue;
                }
                $drawing = $drawings[$widget->page] ??= new Drawing(...$sizes[$widget->page - 1] ?? [612.0, 792.0]);
                $this->drawn($drawing, $field, $widget, $pictures->lacks($field, $widget));
            }
        }
        $drawings = array_filter($drawings, static fn (Drawing $drawing) => ! $drawing->isEmpty());
        ksort($drawings);
        // An overlay is fitted to the innermost box; without these that is the part that is shown.
        $this->look->withoutInnerBoxes(fn (string $name, \stdClass $page) => $this->edit->put($name, $page));
        $this->put();
        $scratch = new Scratch();
        $overlay =
            $drawings === []
                ? []
                : ['--overlay', $press->overlay($scratch, array_values($drawings)), '--to='.implode(',', array_keys($drawings)), '--'];

        return $this->edit->write(
            ['--decrypt', '--flatten-annotations=all', ...$overlay],
            fn (PdfLook $written) => $this->lostDrawing($written, array_keys($drawings)),
        );
    }

    private function drawn(Drawing $drawing, PdfField $field, PdfWidget $widget, bool $ours): void
    {
        if (! $ours || in_array($field->kind, [FieldKind::Button, FieldKind::Signature], true)) {
            return;
        }
        $field->kind->isTicked()
            ? FieldDrawing::tick($drawing, $widget)
            : FieldDrawing::text($drawing, $field, $widget, self::shown($field));
    }

    private static function shown(PdfField $field): string
    {
        $labels = array_column($field->options, 'label', 'value');
        $values = array_map(static fn (string $value) => $labels[$value] ?? $value, (array) self::valueOf($field));

        return PlainText::of(implode($field->several ? ', ' : '', $values));
    }

    /** @return string|list<string> the value as it stands now */
    private static function valueOf(PdfField $field): string|array
    {
        $value = $field->dict->{'/V'} ?? null;

        return match (true) {
            is_array($value) => array_values(array_map(PdfString::text(...), $value)),
            is_string($value) && ! PdfLook::isReference($value) => str_starts_with($value, '/')
                ? PdfString::nameText($value)
                : PdfString::text($value),
            default => $field->value,
        };
    }

    /** Readies the form's dictionary; gives whether its readers were to make the pictures of its fields themselves. */
    private function form(): bool
    {
        [$root, $catalog] = $this->look->catalog();
        $catalog->{'/AcroForm'} ??= (object) ['/Fields' => []];
        $form = $this->look->resolve($catalog->{'/AcroForm'});
        if (! ($form instanceof \stdClass)) {
            throw PdfRefused::damaged();
        }
        $needs = $this->look->resolve($form->{'/NeedAppearances'} ?? false) === true;
        unset($form->{'/XFA'}, $form->{'/NeedAppearances'});
        $this->entry->changed[PdfLook::isReference($catalog->{'/AcroForm'}) ? $catalog->{'/AcroForm'} : $root] = true;
        if (isset($catalog->{'/Perms'}) || isset($catalog->{'/NeedsRendering'})) {
            // Rights that some program gave the file as it was; a changed file has none of them.
            unset($catalog->{'/Perms'}, $catalog->{'/NeedsRendering'});
            $this->entry->changed[$root] = true;
        }

        return $needs;
    }

    private function put(): void
    {
        foreach (array_keys($this->entry->changed) as $name) {
            $value = $this->look->object($name);
            $value === null || $this->edit->put($name, $value);
        }
    }

    private function lostValue(PdfFields $written): ?string
    {
        $now = [];
        foreach ($written->all() as $field) {
            $now[$field->name][] = [
                (array) $field->value,
                array_map(fn (PdfWidget $widget) => $widget->dict->{'/AS'} ?? null, $field->widgets),
            ];
        }
        foreach ($this->fields->all() as $field) {
            if (! isset($this->entry->changed[$field->object]) || in_array($field->kind, [FieldKind::Button, FieldKind::Signature], true)) {
                continue;
            }
            $value = (array) self::valueOf($field);
            $value = $field->kind->isTicked() && $value === ['Off'] ? [''] : $value;
            $marks = $field->kind->isTicked() ? array_map(fn (PdfWidget $widget) => $widget->dict->{'/AS'} ?? null, $field->widgets) : null;
            $found = array_filter(
                $now[$field->name] ?? [],
                static fn (array $one) => $one[0] === $value && ($marks === null || $one[1] === $marks),
            );
            if ($found === []) {
                return "the value of “{$field->name}”";
            }
        }

        return null;
    }

    /** @param  list<int>  $pages  those that were drawn over */
    private function lostDrawing(PdfLook $written, array $pages): ?string
    {
        if (count($written->frames()) !== count($this->look->frames())) {
            return 'a page';
        }
        if (array_filter(PdfFields::of($written)->all(), static fn (PdfField $field) => $field->widgets !== []) !== []) {
            return 'a field that was to become a part of its page';
        }
        foreach ($pages as $page) {
            if (! $written->isDrawnOver($page)) {
                return "what was drawn on page {$page}";
            }
        }

        return null;
    }
}
