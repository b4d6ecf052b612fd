<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Values as the fields of a PDF take them: set on their dictionaries, each checked against what its field allows.
 *
 * @link https://opensource.adobe.com/dc-acrobat-sdk-docs/pdfstandards/PDF32000_2008.pdf ISO 32000-1, section 12.7.4
 *
 * @internal to its area
 */
final class FieldEntry
{
    /** @var array<string, true> names of the objects that are to be written */
    public array $changed = [];

    public function __construct(private readonly PdfFields $fields)
    {
    }

    /**
     * Sets the fields of that name.
     *
     * @throws FieldRefused when there is none or it cannot take the value
     */
    public function set(string $name, mixed $value): void
    {
        $fields = $this->fields->named($name);
        if ($fields === []) {
            throw new FieldRefused("There is no field “{$name}”.".$this->nearest($name));
        }
        foreach ($fields as $field) {
            match (true) {
                $field->kind === FieldKind::Button, $field->kind === FieldKind::Signature => throw new FieldRefused(
                    "“{$name}” is a {$field->kind->value} field and holds no value.",
                ),
                $field->kind->isTicked() => $this->tick($field, $value),
                default => $this->write($field, $value),
            };
        }
    }

    private function nearest(string $name): string
    {
        $names = array_unique(array_map(static fn (PdfField $field) => $field->name, $this->fields->all()));
        usort(
            $names,
            static fn (string $a, string $b) => levenshtein(substr(strtolower($name), 0, 200), substr(strtolower($a), 0, 200)) <=>
                levenshtein(substr(strtolower($name), 0, 200), substr(strtolower($b), 0, 200)),
        );

        return $names === [] ? ' This PDF has no fields at all.' : ' Near to it: '.implode(', ', array_slice($names, 0, 3)).'.';
    }

    /** Turns the ticks of a field on or off. @throws FieldRefused when it has no such state */
    public function tick(PdfField $field, mixed $value): void
    {
        $raw = array_values(
            array_filter(array_map(static fn (PdfWidget $widget) => $widget->on, $field->widgets), static fn (?string $on) => $on !== null),
        );
        $states = array_map(PdfString::nameText(...), $raw);
        $on = $this->state($field, $value, $states);
        $at = array_search($on, $states, true);
        $on = $at === false ? $on : $raw[$at];
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
        $takes = array_map(
            static fn (array $option) => $option['label'] === $option['value']
                ? "“{$option['value']}”"
                : "“{$option['value']}” ({$option['label']})",
            $field->options,
        );
        $takes = $takes === [] ? 'true or false' : implode(', ', $takes).' or an empty text';
        throw new FieldRefused("“{$field->name}” takes {$takes}, not ".json_encode($value, JSON_UNESCAPED_UNICODE).'.');
    }

    /** Writes a text or a choice. @throws FieldRefused when the field cannot take it */
    public function write(PdfField $field, mixed $value): void
    {
        $texts = array_map(
            function (mixed $one) use ($field): string {
                if ($one !== null && ! is_scalar($one)) {
                    throw new FieldRefused("“{$field->name}” takes a text.");
                }

                return is_bool($one) ? ($one ? 'true' : 'false') : PlainText::of((string) $one);
            },
            is_array($value) ? array_values($value) : [$value],
        );
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
        throw new FieldRefused(
            "“{$field->name}” takes one of ".
                implode(', ', array_map(static fn (array $option) => "“{$option['label']}”", array_slice($field->options, 0, 20))).
                ", not “{$text}”.",
        );
    }
}
