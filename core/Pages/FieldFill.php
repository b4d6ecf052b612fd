<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Fills the fields of a fillable PDF: it stays fillable, or what is filled becomes part of the page. All values are
 * looked at first; when one cannot be taken, nothing is made.
 */
final class FieldFill
{
    private readonly PdfLook $look;

    private readonly PdfFields $fields;

    /** @var array<string, true> names of the objects that changed */
    private array $changed = [];

    /** @throws PdfRefused when it is no usable PDF, or is signed */
    private function __construct(private readonly string $pdf)
    {
        $this->look = PdfLook::into($pdf);
        if ($this->look->isSigned()) {
            throw PdfRefused::signed();
        }
        $this->fields = PdfFields::of($this->look);
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
     * @throws ToolFailed when it cannot be written
     */
    public static function into(string $pdf, array $values, bool $flatten, Press $press): string
    {
        $fill = new self($pdf);
        $faults = [];
        foreach ($values as $name => $value) {
            try {
                $fill->set((string) $name, $value);
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
     * A PDF's pages with its fields left empty and taken off, so that something else can be filled in their places.
     *
     * @param string $pdf its path
     * @return string the bytes
     *
     * @throws PdfRefused when it is no usable PDF, or is signed
     * @throws ToolFailed when it cannot be written
     */
    public static function emptied(string $pdf, Press $press): string
    {
        $fill = new self($pdf);
        foreach ($fill->fields->all() as $field) {
            match (true) {
                $field->kind === FieldKind::Button, $field->kind === FieldKind::Signature => null,
                $field->kind->isTicked() => $fill->tick($field, ''),
                default => $fill->write($field, ''),
            };
        }

        return $fill->flattened($press);
    }

    private function set(string $name, mixed $value): void
    {
        $fields = $this->fields->named($name);
        if ($fields === []) {
            throw new FieldRefused("There is no field “{$name}”.".$this->nearest($name));
        }
        foreach ($fields as $field) {
            match (true) {
                $field->kind === FieldKind::Button, $field->kind === FieldKind::Signature => throw new FieldRefused("“{$name}” is a {$field->kind->value} field and holds no value."),
                $field->kind->isTicked() => $this->tick($field, $value),
                default => $this->write($field, $value),
            };
        }
    }

    private function nearest(string $name): string
    {
        $names = array_unique(array_map(static fn (PdfField $field) => $field->name, $this->fields->all()));
        usort($names, static fn (string $a, string $b) => levenshtein(substr(strtolower($name), 0, 200), substr(strtolower($a), 0, 200)) <=> levenshtein(substr(strtolower($name), 0, 200), substr(strtolower($b), 0, 200)));

        return $names === [] ? ' This PDF has no fields at all.' : ' Near to it: '.implode(', ', array_slice($names, 0, 3)).'.';
    }

    private function tick(PdfField $field, mixed $value): void
    {
        $states = array_values(array_filter(array_map(static fn (PdfWidget $widget) => $widget->on, $field->widgets), static fn (?string $on) => $on !== null));
        $on = $this->state($field, $value, $states);
        $field->dict->{'/V'} = $on === null ? '/Off' : "/{$on}";
        $this->changed[$field->object] = true;
        foreach ($field->widgets as $widget) {
            $widget->dict->{'/AS'} = $on !== null && ($widget->on ?? $on) === $on ? "/{$on}" : '/Off';
            $this->changed[$widget->object] = true;
        }
    }

    /** @param  list<string>  $states */
    private function state(PdfField $field, mixed $value, array $states): ?string
    {
        if ($value === null || $value === false || $value === '' || $value === 'Off' || $value === '/Off' || $value === 0) {
            return null;
        }
        $wanted = is_scalar($value) ? ltrim((string) $value, '/') : '';
        foreach ($field->options as $option) {
            if (is_string($value) && ($option['value'] === $wanted || $option['label'] === $wanted)) {
                return $option['value'];
            }
        }
        if (in_array($wanted, $states, true)) {
            return $wanted;
        }
        if ($field->kind === FieldKind::Checkbox || count(array_unique($states)) === 1) {
            $word = mb_strtolower($wanted);
            if ($value === true || $value === 1 || in_array($word, ['1', 'on', 'yes', 'true', 'x'], true)) {
                return $states[0] ?? 'Yes';
            }
            if (in_array($word, ['0', 'off', 'no', 'false'], true)) {
                return null;
            }
        }
        throw new FieldRefused("“{$field->name}” takes ".($field->options === [] ? 'true or false' : implode(', ', array_map(static fn (array $option) => $option['label'] === $option['value'] ? "“{$option['value']}”" : "“{$option['value']}” ({$option['label']})", $field->options)).' or an empty text').', not '.json_encode($value, JSON_UNESCAPED_UNICODE).'.');
    }

    private function write(PdfField $field, mixed $value): void
    {
        $texts = array_map(function (mixed $one) use ($field): string {
            if ($one !== null && ! is_scalar($one)) {
                throw new FieldRefused("“{$field->name}” takes a text.");
            }

            return is_bool($one) ? ($one ? 'true' : 'false') : (string) preg_replace('/[\x{00}-\x{08}\x{0B}\x{0C}\x{0E}-\x{1F}]/u', '', str_replace(["\r\n", "\r"], "\n", mb_scrub((string) $one)));
        }, is_array($value) ? array_values($value) : [$value]);
        if (count($texts) > 1 && ! $field->several) {
            throw new FieldRefused("“{$field->name}” takes one value, not several.");
        }
        if ($field->kind !== FieldKind::Text) {
            $texts = array_map(fn (string $text) => $this->option($field, $text), $texts);
            unset($field->dict->{'/I'});
        }
        if ($field->maxLength !== null && mb_strlen($texts[0] ?? '') > $field->maxLength) {
            throw new FieldRefused("“{$field->name}” takes at most {$field->maxLength} characters; this has ".mb_strlen($texts[0]).'.');
        }
        $field->dict->{'/V'} = count($texts) > 1 ? array_map(static fn (string $text) => "u:{$text}", $texts) : 'u:'.($texts[0] ?? '');
        unset($field->dict->{'/RV'});
        $this->changed[$field->object] = true;
        foreach ($field->widgets as $widget) {
            unset($widget->dict->{'/AP'});
            $this->changed[$widget->object] = true;
        }
    }

    private function option(PdfField $field, string $text): string
    {
        foreach ($field->options as $option) {
            if ($option['value'] === $text || $option['label'] === $text) {
                return $option['value'];
            }
        }
        if ($text === '' || $field->editable || $field->options === []) {
            return $text;
        }
        throw new FieldRefused("“{$field->name}” takes one of ".implode(', ', array_map(static fn (array $option) => "“{$option['label']}”", array_slice($field->options, 0, 20))).", not “{$text}”.");
    }

    /** It stays a form: each field gets its picture, as any reader would draw it when it is changed there. */
    private function fillable(Press $press): string
    {
        [$form, $holder] = $this->form();
        unset($form->{'/XFA'}, $form->{'/NeedAppearances'});
        $this->changed[$holder] = true;
        $pieces = [];
        $places = [];
        foreach ($this->fields->all() as $field) {
            foreach ($field->widgets as $widget) {
                if ($widget->place !== null && ! isset($widget->dict->{'/AP'}) && ! $field->kind->isTicked() && ($text = self::shown($field)) !== '') {
                    $across = $widget->own % 180 === 0;
                    [$wide, $high] = [$widget->corners[2] - $widget->corners[0], $widget->corners[3] - $widget->corners[1]];
                    $piece = new Drawing($across ? $wide : $high, $across ? $high : $wide);
                    FieldDrawing::piece($piece, $field, $text);
                    $pieces[] = ['drawing' => $piece, 'turn' => $widget->own];
                    $places[] = $widget;
                }
            }
        }
        if ($pieces === []) {
            return $this->qpdf(null, ['--decrypt']);
        }
        [$new, $names] = Appearances::of($pieces, $this->look->highestObject(), $press);
        foreach ($places as $index => $widget) {
            $widget->dict->{'/AP'} = (object) ['/N' => $names[$index]];
            $this->changed[$widget->object] = true;
        }

        return $this->qpdf(null, ['--decrypt'], $new);
    }

    private function flattened(Press $press): string
    {
        [$form, $holder] = $this->form();
        $drawings = [];
        $sizes = $this->look->pages();
        foreach ($this->fields->all() as $field) {
            foreach ($field->widgets as $widget) {
                if ($widget->page === 0 || ((int) $this->look->resolve($widget->dict->{'/F'} ?? 0) & 0b100010) !== 0) {
                    continue;
                }
                $drawing = $drawings[$widget->page] ??= new Drawing(...($sizes[$widget->page - 1] ?? [612.0, 792.0]));
                $this->drawn($drawing, $field, $widget);
            }
        }
        unset($form->{'/NeedAppearances'}, $form->{'/XFA'});
        $this->changed[$holder] = true;
        foreach ($this->look->frames() as $frame) {
            $page = $this->look->object($frame['name']);
            if ($page instanceof \stdClass && array_intersect_key((array) $page, ['/TrimBox' => 1, '/BleedBox' => 1, '/ArtBox' => 1]) !== []) {
                // An overlay is fitted to the innermost box; without these that is the part that is shown.
                unset($page->{'/TrimBox'}, $page->{'/BleedBox'}, $page->{'/ArtBox'});
                $this->changed[$frame['name']] = true;
            }
        }
        $drawings = array_filter($drawings, static fn (Drawing $drawing) => ! $drawing->isEmpty());
        ksort($drawings);
        $scratch = new Scratch;
        $overlay = $drawings === [] ? [] : ['--overlay', $press->overlay($scratch, array_values($drawings)), '--to='.implode(',', array_keys($drawings)), '--'];

        return $this->qpdf($scratch, ['--decrypt', '--flatten-annotations=all', ...$overlay]);
    }

    private function drawn(Drawing $drawing, PdfField $field, PdfWidget $widget): void
    {
        $ours = ! isset($widget->dict->{'/AP'});
        if ($field->kind->isTicked()) {
            $now = $this->look->resolve($widget->dict->{'/AS'} ?? null);
            $ours && is_string($now) && $now !== '/Off' && FieldDrawing::tick($drawing, $widget);

            return;
        }
        if ($ours && ! in_array($field->kind, [FieldKind::Button, FieldKind::Signature], true)) {
            FieldDrawing::text($drawing, $field, $widget, self::shown($field));
        }
    }

    private static function shown(PdfField $field): string
    {
        $labels = array_column($field->options, 'label', 'value');

        return implode($field->several ? ', ' : '', array_map(static fn (string $value) => $labels[$value] ?? $value, (array) self::valueOf($field)));
    }

    /** @return string|list<string> the value as it stands now */
    private static function valueOf(PdfField $field): string|array
    {
        $value = $field->dict->{'/V'} ?? null;

        return match (true) {
            is_array($value) => array_values(array_map(PdfLook::text(...), $value)),
            is_string($value) && ! PdfLook::isReference($value) => str_starts_with($value, '/') ? substr($value, 1) : PdfLook::text($value),
            default => $field->value,
        };
    }

    /** @return array{\stdClass, string} the form's dictionary and the object it lies in */
    private function form(): array
    {
        [$root, $catalog] = $this->look->catalog();
        $catalog->{'/AcroForm'} ??= (object) ['/Fields' => []];
        $form = $this->look->resolve($catalog->{'/AcroForm'});
        if (! $form instanceof \stdClass) {
            throw PdfRefused::damaged();
        }

        return [$form, PdfLook::isReference($catalog->{'/AcroForm'}) ? $catalog->{'/AcroForm'} : $root];
    }

    /**
     * @param list<string> $options
     * @param array<string, mixed> $objects new ones
     */
    private function qpdf(?Scratch $scratch, array $options, array $objects = []): string
    {
        $scratch ??= new Scratch;
        foreach (array_keys($this->changed) as $name) {
            $value = $this->look->object($name);
            $value === null || $objects["obj:{$name}"] = ['value' => $value];
        }
        $highest = max([$this->look->highestObject(), ...array_map(static fn (string $name) => (int) substr($name, 4), array_keys($objects))]);
        $head = ['jsonversion' => 2, 'pushedinheritedpageresources' => false, 'calledgetallpages' => false, 'maxobjectid' => $highest];
        $update = json_encode(['qpdf' => [$head, PdfLook::plain((object) $objects)]], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
        (new NativeTool)->run(['qpdf', '--warning-exit-0', '--deterministic-id', $this->pdf, '--update-from-json='.$scratch->put('fields.json', $update), ...$options, '--object-streams=generate', $scratch->path('filled.pdf')]);

        return $scratch->get('filled.pdf');
    }
}
