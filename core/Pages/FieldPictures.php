<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Which fields of a PDF show their value by a picture of their own, and which have to be drawn: a picture may be missing,
 * empty, of another state, or left to the reader.
 *
 * @link https://www.iso.org/standard/63534.html ISO 32000-1, 12.5.5 appearance streams; 12.7.3.3 variable text
 *
 * @internal to its area
 */
final class FieldPictures
{
    /** @param  array<string, string>  $contents  of the pictures, by the name of their stream */
    private function __construct(private readonly PdfLook $look, private readonly bool $needs, private readonly array $contents)
    {
    }

    /**
     * @param bool $needs whether readers were to make the pictures themselves
     *
     * @throws ToolFailed when the pictures cannot be read
     */
    public static function of(PdfEdit $edit, PdfFields $fields, bool $needs): self
    {
        $pictures = new self($edit->look, $needs, []);
        $wanted = [];
        foreach ($fields->all() as $field) {
            foreach ($field->widgets as $widget) {
                $stream = $pictures->stream($field, $widget);
                $stream === null || ($wanted[$stream] = true);
            }
        }

        return new self($edit->look, $needs, $edit->contents(array_map(strval(...), array_keys($wanted))));
    }

    /** Whether a place of a field shows nothing of what the field holds, so that it must be drawn. */
    public function lacks(PdfField $field, PdfWidget $widget): bool
    {
        if ($field->kind->isTicked()) {
            return $this->isOn($field, $widget) && ! $this->paints($this->stream($field, $widget), false);
        }
        if (in_array($field->kind, [FieldKind::Button, FieldKind::Signature], true)) {
            return false;
        }
        $stream = $this->stream($field, $widget);
        $value = $field->dict->{'/V'} ?? null;
        $holds = $value === null ? $field->value !== '' && $field->value !== [] : $this->look->resolve($value) !== 'u:' && $value !== [];

        return $holds ? $this->needs || ! $this->paints($stream, true) : $stream === null;
    }

    /** How a field's own picture is turned, where the field does not say it of itself: degrees counter-clockwise. */
    public static function turn(PdfLook $look, \stdClass $dict): int
    {
        $pictures = $look->resolve($dict->{'/AP'} ?? null);
        $now = $pictures instanceof \stdClass ? $look->resolve($pictures->{'/N'} ?? null) : null;
        $matrix = $now instanceof \stdClass ? (array) $look->resolve($now->{'/Matrix'} ?? []) : [];
        [$a, $b] = [...array_map(static fn (mixed $one) => $look->resolve($one), array_slice(array_values($matrix), 0, 2)), null, null];
        // Only a quarter turn is one: what is askew stays as it is drawn.
        if (! is_numeric($a) || ! is_numeric($b) || min(abs((float) $a), abs((float) $b)) > 0.001 || (float) $a === (float) $b) {
            return 0;
        }

        return ((int) round(rad2deg(atan2((float) $b, (float) $a)) / 90) * 90 + 360) % 360;
    }

    /** Whether this place of a field to tick is ticked. */
    private function isOn(PdfField $field, PdfWidget $widget): bool
    {
        $state = $this->look->resolve($widget->dict->{'/AS'} ?? null);
        if (is_string($state)) {
            return $state !== '/Off';
        }
        $value = $this->look->resolve($field->dict->{'/V'} ?? null);
        $value = is_string($value) && str_starts_with($value, '/') ? $value : '/'.(is_string($field->value) ? $field->value : '');

        return $widget->on !== null && $value === "/{$widget->on}";
    }

    private function stream(PdfField $field, PdfWidget $widget): ?string
    {
        $pictures = $this->look->resolve($widget->dict->{'/AP'} ?? null);
        $now = $pictures instanceof \stdClass ? $pictures->{'/N'} ?? null : null;
        if ($this->look->isStream($now)) {
            return is_string($now) ? $now : null;
        }
        $states = $this->look->resolve($now);
        $state = $this->look->resolve($widget->dict->{'/AS'} ?? null);
        $chosen = $states instanceof \stdClass && is_string($state) ? $states->{$state} ?? null : null;

        return $field->kind->isTicked() && is_string($chosen) && $this->look->isStream($chosen) ? $chosen : null;
    }

    /** Whether a picture puts something on the page: paths, pictures, or text in a font it has. */
    private function paints(?string $stream, bool $text): bool
    {
        $dict = $stream === null ? null : $this->look->resolve($stream);
        $box =
            $dict instanceof \stdClass
                ? array_map(
                    fn (mixed $edge) => (float) (is_numeric($edge = $this->look->resolve($edge)) ? $edge : 0),
                    (array) $this->look->resolve($dict->{'/BBox'} ?? []),
                )
                : [];
        if ($stream === null || count($box) !== 4 || abs($box[2] - $box[0]) < 0.1 || abs($box[3] - $box[1]) < 0.1) {
            return false;
        }
        // Texts may hold anything, also what looks like an operator.
        $bare = (string) preg_replace(
            '/\((?:[^\\\\()]|\\\\.|\((?:[^\\\\()]|\\\\.)*\))*\)|<[0-9A-Fa-f\s]*>/s',
            '()',
            $this->contents[$stream] ?? '',
        );
        $shows = preg_match('/\(\)\s*(Tj|\'|")|\]\s*TJ/', $bare) === 1;
        if ($shows) {
            $fonts = $this->look->resolve($this->look->resolve($dict->{'/Resources'} ?? null)->{'/Font'} ?? null);
            preg_match_all('~/([^\s/]+)\s+[-+\d.]+\s+Tf~', $bare, $named);

            return array_diff(
                $named[1],
                array_map(static fn (string $key) => ltrim($key, '/'), array_keys($fonts instanceof \stdClass ? (array) $fonts : [])),
            ) === [];
        }

        return preg_match('~/[^\s/]+\s+Do\b~', $bare) === 1 ||
            (! $text && preg_match('/(?:^|\s)(?:f\*?|F|S|s|B\*?|b\*?|sh)(?:\s|$)/', $bare) === 1);
    }
}
