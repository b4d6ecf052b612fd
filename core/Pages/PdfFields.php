<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The fields of a fillable PDF: all kinds, inherited attributes, fields that stand on a page only, turned and cropped pages.
 */
final class PdfFields
{
    private const INHERITED = ['/FT', '/Ff', '/V', '/DV', '/MaxLen', '/Opt', '/DA', '/Q'];

    private const DEEPEST = 40;

    private const MOST = 20_000;

    /** @var array<string, list<int>> pages by the object name of a widget: one may stand on several */
    private array $pagesOf = [];

    /** @var list<array{name: string, dict: \stdClass, box: array{float, float, float, float}, turn: int}> */
    private readonly array $frames;

    /** @var list<PdfField> */
    private array $fields = [];

    /** @var array<string, true> */
    private array $seen = [];

    /** @var list<string> what cannot be kept when it is filled, in words */
    public array $notes = [];

    private function __construct(private readonly PdfLook $look)
    {
        $this->frames = $look->frames();
    }

    /** Reads the fields of a PDF. */
    public static function of(PdfLook $look): self
    {
        $fields = new self($look);
        $fields->read();

        return $fields;
    }

    /** @return list<PdfField> in the order of the pages, from the top */
    public function all(): array
    {
        return $this->fields;
    }

    /** @return list<PdfField> those of that full name */
    public function named(string $name): array
    {
        return array_values(array_filter($this->fields, static fn (PdfField $field) => $field->name === $name));
    }

    /** @return list<PdfField> signature fields that hold a signature */
    public function signed(): array
    {
        return array_values(
            array_filter($this->fields, fn (PdfField $field) => $field->kind === FieldKind::Signature && $this->signature($field) !== null),
        );
    }

    /** The dictionary of the signature a field holds (ISO 32000-1, 12.8.1); null when it holds none. */
    public function signature(PdfField $field): ?\stdClass
    {
        $value = $this->look->resolve($field->dict->{'/V'} ?? ($field->widgets[0]->dict->{'/V'} ?? null));

        return $value instanceof \stdClass && isset($value->{'/ByteRange'}, $value->{'/Contents'}) ? $value : null;
    }

    private function read(): void
    {
        foreach ($this->frames as $index => $frame) {
            $annotations = $frame['dict']->{'/Annots'} ?? [];
            foreach (
                PdfLook::isReference($annotations) ? [
                    $annotations,
                    ...(array) $this->look->resolve($annotations),
                ] : (array) $annotations as $annotation
            ) {
                PdfLook::isReference($annotation) &&
                    ($this->pagesOf[$annotation] = array_values(array_unique([...$this->pagesOf[$annotation] ?? [], $index + 1])));
            }
        }
        [$root, $catalog] = $this->look->catalog();
        $form = $this->look->resolve($catalog->{'/AcroForm'} ?? null);
        $given = array_intersect_key($form instanceof \stdClass ? (array) $form : [], ['/DA' => 1, '/Q' => 1]);
        $holder = PdfLook::isReference($catalog->{'/AcroForm'} ?? null) ? $catalog->{'/AcroForm'} : $root;
        $fields = $form instanceof \stdClass ? $form->{'/Fields'} ?? [] : [];
        foreach ((array) $this->look->resolve($fields) as $field) {
            $this->walk($field, '', $given, PdfLook::isReference($fields) ? $fields : $holder, 0);
        }
        $this->orphans($given);
        if ($form instanceof \stdClass) {
            ! isset($catalog->{'/Perms'}) ||
                ! isset($this->look->resolve($catalog->{'/Perms'})->{'/UR3'}) ||
                ($this->notes[] = 'Its usage rights end when it is filled here: programs that asked for them show it as any other form.');
            isset($form->{'/XFA'}) && ($this->notes[] = 'It also carries an XML form (XFA), which is dropped: the fields count.');
            ((array) $this->look->resolve($form->{'/CO'} ?? [])) !== [] &&
                ($this->notes[] = 'It computes some fields by script in an order of its own, which is not followed.');
        }
        usort($this->fields, static fn (PdfField $a, PdfField $b) => self::order($a) <=> self::order($b));
    }

    /**
     * @param mixed $node a reference or a dictionary
     * @param array<string, mixed> $inherited
     */
    private function walk(mixed $node, string $above, array $inherited, string $holder, int $depth): void
    {
        $object = PdfLook::isReference($node) ? $node : $holder;
        $dict = $this->look->resolve($node);
        if (
            ! ($dict instanceof \stdClass) ||
            $depth > self::DEEPEST ||
            (PdfLook::isReference($node) && isset($this->seen[$node])) ||
            count($this->fields) >= self::MOST
        ) {
            return;
        }
        PdfLook::isReference($node) && ($this->seen[$node] = true);
        $part = PdfString::text($this->look->resolve($dict->{'/T'} ?? null));
        $name = $part === '' ? $above : ($above === '' ? $part : "{$above}.{$part}");
        foreach (self::INHERITED as $key) {
            isset($dict->{$key}) && ($inherited[$key] = $dict->{$key});
        }
        $kids = (array) $this->look->resolve($dict->{'/Kids'} ?? []);
        $below = [];
        $widgets = [];
        foreach ($kids as $kid) {
            $child = $this->look->resolve($kid);
            if ($child instanceof \stdClass) {
                isset($child->{'/T'}) || isset($child->{'/Kids'}) ? ($below[] = $kid) : ($widgets[] = $kid);
            }
        }
        foreach ($below as $kid) {
            $this->walk($kid, $name, $inherited, PdfLook::isReference($dict->{'/Kids'}) ? $dict->{'/Kids'} : $object, $depth + 1);
        }
        if ($below === [] || $widgets !== []) {
            $this->field($name, $dict, $object, $inherited, $widgets === [] ? [$node] : $widgets);
        }
    }

    /** @param  array<string, mixed>  $given  Widgets that stand on a page but in no list of fields. */
    private function orphans(array $given): void
    {
        foreach ($this->frames as $frame) {
            foreach ((array) $this->look->resolve($frame['dict']->{'/Annots'} ?? []) as $annotation) {
                $dict = $this->look->resolve($annotation);
                if (! ($dict instanceof \stdClass) || ($dict->{'/Subtype'} ?? '') !== '/Widget') {
                    continue;
                }
                // Up to the topmost of its line, as long as none of it has been read.
                $top = $annotation;
                for (
                    $steps = 0;
                    $steps < self::DEEPEST &&
                    PdfLook::isReference($up = $this->look->resolve($top)->{'/Parent'} ?? null) &&
                    ! isset($this->seen[$up]);
                    $steps++
                ) {
                    $top = $up;
                }
                $parent = $this->look->resolve($top)->{'/Parent'} ?? null;
                if (
                    (PdfLook::isReference($annotation) && isset($this->seen[$annotation])) ||
                    (PdfLook::isReference($parent) && isset($this->seen[$parent]))
                ) {
                    continue;
                }
                $this->walk(
                    $top,
                    '',
                    $given,
                    PdfLook::isReference($frame['dict']->{'/Annots'}) ? $frame['dict']->{'/Annots'} : $frame['name'],
                    0,
                );
            }
        }
    }

    /**
     * @param array<string, mixed> $inherited
     * @param list<mixed> $places
     */
    private function field(string $name, \stdClass $dict, string $object, array $inherited, array $places): void
    {
        $has = array_map(fn (mixed $value) => $this->look->resolve($value), $inherited);
        $flags = (int) ($has['/Ff'] ?? 0);
        $kind = FieldKind::of(is_string($has['/FT'] ?? null) ? $has['/FT'] : null, $flags);
        if ($kind === null) {
            return;
        }
        $widgets = [];
        foreach ($places as $place) {
            PdfLook::isReference($place) && ($this->seen[$place] = true);
            array_push(
                $widgets,
                ...$this->widgets(
                    $place,
                    PdfLook::isReference($dict->{'/Kids'} ?? null) && $place !== $dict ? $dict->{'/Kids'} : $object,
                    $kind,
                ),
            );
        }
        $text = $kind === FieldKind::Text;
        $options = $this->options($has['/Opt'] ?? null, $kind, $widgets);
        $this->fields[] = new PdfField(
            $name,
            $kind,
            PdfString::text($this->look->resolve($dict->{'/TU'} ?? null)),
            $widgets,
            $options,
            $this->value($has['/V'] ?? null, $kind, $widgets),
            ($flags & (1 << 1)) !== 0,
            ($flags & 1) !== 0,
            $text && ($flags & (1 << 12)) !== 0,
            $text && ($flags & (1 << 24)) !== 0 && isset($has['/MaxLen']),
            $text && ($flags & (1 << 13)) !== 0,
            $kind === FieldKind::Choice && ($flags & (1 << 18)) !== 0,
            $kind === FieldKind::List && ($flags & (1 << 21)) !== 0,
            $text && is_numeric($has['/MaxLen'] ?? null) && (int) $has['/MaxLen'] > 0 ? (int) $has['/MaxLen'] : null,
            preg_match('/([\d.]+)\s+Tf\b/', PdfString::text($has['/DA'] ?? null), $m) === 1 ? (float) $m[1] : 0.0,
            max(0, min(2, (int) ($has['/Q'] ?? 0))),
            $object,
            $dict,
        );
    }

    /** @return list<PdfWidget> one for each page it stands on */
    private function widgets(mixed $place, string $holder, FieldKind $kind): array
    {
        $dict = $this->look->resolve($place);
        $corners = $dict instanceof \stdClass ? (array) $this->look->resolve($dict->{'/Rect'} ?? []) : [];
        $corners = array_map(
            fn (mixed $edge) => is_numeric($edge = $this->look->resolve($edge)) ? (float) $edge : 0.0,
            array_values($corners),
        );
        if (! ($dict instanceof \stdClass) || count($corners) !== 4) {
            return [];
        }
        $corners = [
            min($corners[0], $corners[2]),
            min($corners[1], $corners[3]),
            max($corners[0], $corners[2]),
            max($corners[1], $corners[3]),
        ];
        $pages = PdfLook::isReference($place)
            ? $this->pagesOf[$place] ?? [$this->pageByName($dict->{'/P'} ?? null)]
            : [$this->pageByName($dict->{'/P'} ?? $holder)];
        $look = $this->look->resolve($dict->{'/MK'} ?? null);
        $said = $look instanceof \stdClass ? $this->look->resolve($look->{'/R'} ?? null) : null;
        $own = is_numeric($said) ? ((((int) round((int) $said / 90) * 90) % 360) + 360) % 360 : FieldPictures::turn($this->look, $dict);

        return array_map(function (int $page) use ($place, $holder, $kind, $dict, $corners, $own): PdfWidget {
            $frame = $this->frames[$page - 1] ?? null;

            return new PdfWidget(
                $page,
                $corners,
                $frame === null ? null : self::asRead($corners, $frame['box'], $frame['turn']),
                (($frame['turn'] ?? 0) - $own + 360) % 360,
                $own,
                PdfLook::isReference($place) ? $place : $holder,
                $dict,
                $kind->isTicked() ? $this->onState($dict) : null,
            );
        }, $pages);
    }

    private function pageByName(mixed $name): int
    {
        foreach ($this->frames as $index => $frame) {
            if ($frame['name'] === $name) {
                return $index + 1;
            }
        }

        return is_string($name) ? $this->pagesOf[$name][0] ?? 0 : 0;
    }

    /**
     * @param array{float, float, float, float} $corners
     * @param array{float, float, float, float} $box
     */
    private static function asRead(array $corners, array $box, int $turn): ?Rect
    {
        [$x1, $y1, $x2, $y2] = $corners;
        [$left, $bottom, $right, $top] = $box;
        if ($x2 - $x1 < 0.1 || $y2 - $y1 < 0.1) {
            return null;
        }

        return match ($turn) {
            90 => new Rect($y1 - $bottom, $x1 - $left, $y2 - $y1, $x2 - $x1),
            180 => new Rect($right - $x2, $y1 - $bottom, $x2 - $x1, $y2 - $y1),
            270 => new Rect($top - $y2, $right - $x2, $y2 - $y1, $x2 - $x1),
            default => new Rect($x1 - $left, $top - $y2, $x2 - $x1, $y2 - $y1),
        };
    }

    private function onState(\stdClass $dict): ?string
    {
        foreach (['/N', '/D'] as $which) {
            $states = $this->look->resolve($dict->{'/AP'} ?? null)->{$which} ?? null;
            // Some writers leave the pictures out and only name the states; a stream is a picture for all states.
            $states = $this->look->isStream($states) ? null : $this->look->resolve($states);
            foreach ($states instanceof \stdClass ? array_keys((array) $states) : [] as $state) {
                if ($state !== '/Off' && str_starts_with((string) $state, '/')) {
                    return substr((string) $state, 1);
                }
            }
        }
        $now = $this->look->resolve($dict->{'/AS'} ?? null);

        return is_string($now) && $now !== '/Off' ? substr($now, 1) : null;
    }

    /**
     * @param list<PdfWidget> $widgets
     * @return list<array{value: string, label: string}>
     */
    private function options(mixed $given, FieldKind $kind, array $widgets): array
    {
        $options = [];
        foreach ((array) ($given ?? []) as $index => $option) {
            $option = $this->look->resolve($option);
            [$value, $label] = is_array($option)
                ? [PdfString::text($this->look->resolve($option[0] ?? null)), PdfString::text($this->look->resolve($option[1] ?? null))]
                : [PdfString::text($option), PdfString::text($option)];
            // A tick's options are the texts of its places, in their order; what is stored is the place's state.
            $options[] = $kind->isTicked()
                ? ['value' => isset($widgets[$index]->on) ? PdfString::nameText($widgets[$index]->on) : $value, 'label' => $label]
                : ['value' => $value, 'label' => $label];
        }
        if ($options === [] && $kind->isTicked()) {
            foreach (
                array_unique(
                    array_filter(
                        array_map(static fn (PdfWidget $widget) => $widget->on, $widgets),
                        static fn (?string $on) => $on !== null,
                    ),
                ) as $on
            ) {
                $options[] = ['value' => PdfString::nameText($on), 'label' => PdfString::nameText($on)];
            }
        }

        return $options;
    }

    /**
     * @param list<PdfWidget> $widgets
     * @return string|list<string>
     */
    private function value(mixed $value, FieldKind $kind, array $widgets): string|array
    {
        if ($kind->isTicked()) {
            if (is_string($value) && str_starts_with($value, '/')) {
                return $value === '/Off' ? '' : PdfString::nameText($value);
            }
            foreach ($widgets as $widget) {
                $state = $this->look->resolve($widget->dict->{'/AS'} ?? null);
                if (is_string($state) && $state !== '/Off') {
                    return PdfString::nameText($state);
                }
            }

            return '';
        }
        if (is_array($value)) {
            return array_values(array_map(fn (mixed $one) => PdfString::text($this->look->resolve($one)), $value));
        }

        return str_replace(["\r\n", "\r"], "\n", PdfString::text($value));
    }

    /** @return array{int, float, float, string} */
    private static function order(PdfField $field): array
    {
        $first = $field->widgets[0] ?? null;

        return [$first->page ?? 0, round(($first->place->y ?? 0) / 4), $first->place->x ?? 0, $field->name];
    }
}
