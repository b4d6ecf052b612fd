<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A field of a fillable PDF, with whatever it inherits from the fields above it.
 */
final readonly class PdfField
{
    /**
     * @param string $name its full name, parts joined by dots
     * @param list<PdfWidget> $widgets
     * @param list<array{value: string, label: string}> $options
     * @param string|list<string> $value as it stands; several where several may be chosen
     * @param float $size of its text in points; 0 fits itself
     * @param int $align 0 left, 1 middle, 2 right
     * @param string $object name of the object that holds the value, itself or the one it lies in
     */
    public function __construct(
        public string $name,
        public FieldKind $kind,
        public string $label,
        public array $widgets,
        public array $options,
        public string|array $value,
        public bool $required,
        public bool $readOnly,
        public bool $multiline,
        public bool $comb,
        public bool $secret,
        public bool $editable,
        public bool $several,
        public ?int $maxLength,
        public float $size,
        public int $align,
        public string $object,
        public \stdClass $dict,
    ) {
    }

    /**
     * @return array<string, mixed> as told to other programs; places in points from the page's lower left corner, in the file's own measure
     */
    public function toArray(): array
    {
        $first = $this->widgets[0] ?? null;
        $rect = static fn (?PdfWidget $widget) => $widget === null
            ? null
            : array_map(static fn (float $edge) => round($edge, 3), $widget->corners);

        return [
            'name' => $this->name,
            'kind' => $this->kind->value,
            'label' => $this->label,
            'page' => $first->page ?? null,
            'rect' => $rect($first),
            'options' => $this->options,
            'value' => $this->value,
            'required' => $this->required,
            'readOnly' => $this->readOnly,
            'multiline' => $this->multiline,
            'maxLength' => $this->maxLength,
            'widgets' => array_map(
                static fn (PdfWidget $widget) => array_filter(
                    [
                        'page' => $widget->page,
                        'rect' => $rect($widget),
                        'on' => $widget->on === null ? null : PdfString::nameText($widget->on),
                    ],
                    static fn (mixed $part) => $part !== null,
                ),
                $this->widgets,
            ),
        ];
    }
}
