<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A look inside a PDF: its pages as they are read, its link annotations, whether it carries signatures or needs a password.
 */
final class PdfLook
{
    /** The most pages that are taken. */
    public const MOST_PAGES = 1000;

    /** @param  array<string, \stdClass>  $objects by qpdf's name "obj:12 0 R" */
    private function __construct(private readonly array $objects)
    {
    }

    /**
     * Reads a PDF's structure.
     *
     * @param bool $gate whether its pages must be of a size and number that is taken; not asked of what is made here
     *
     * @throws PdfRefused when it is no PDF, damaged beyond reading, needs a password or has too many pages
     */
    public static function into(string $path, NativeTool $tool = new NativeTool(20), bool $gate = true): self
    {
        if (
            ! str_starts_with((string) file_get_contents($path, false, null, 0, 1024), '%PDF-') &&
            ! str_contains((string) file_get_contents($path, false, null, 0, 1024), '%PDF-')
        ) {
            throw PdfRefused::noPdf();
        }
        try {
            $json = $tool->run(['qpdf', '--json=2', '--json-key=qpdf', '--json-stream-data=none', '--warning-exit-0', $path]);
        } catch (ToolFailed $failed) {
            throw str_contains($failed->getMessage(), 'password') ? PdfRefused::password() : PdfRefused::damaged($failed);
        }
        // qpdf prints some numbers as they stand in the file ("60.", "+.5", "007.5"), which is no JSON.
        $json = (string) preg_replace_callback(
            '/^(\s*(?:"[^"\n]*": )?)([+-]?)0*(\d*)\.(\d*)(,?)$/m',
            static fn (array $m) => $m[1].
                ($m[2] === '-' ? '-' : '').
                ($m[3] === '' ? '0' : $m[3]).
                '.'.
                ($m[4] === '' ? '0' : $m[4]).
                $m[5],
            $json,
        );
        $data = json_decode(PdfString::asText($json), false, 512);
        if (! is_object($data) || ! isset($data->qpdf[1])) {
            throw PdfRefused::damaged();
        }
        $look = new self((array) $data->qpdf[1]);
        if (! $gate) {
            return $look;
        }
        $count = count($look->pages());
        if ($count < 1 || $count > self::MOST_PAGES) {
            throw PdfRefused::pages($count);
        }

        return $look;
    }

    /**
     * The pages in order, as they are read (turned as the file says).
     *
     * @return list<array{float, float}> width and height in points
     *
     * @throws PdfRefused when a page is smaller than an inch or larger than 200 inches
     */
    public function pages(): array
    {
        return array_map(function (array $page): array {
            [$left, $bottom, $right, $top] = $this->box($page['dict']);
            $size = [abs($right - $left), abs($top - $bottom)];
            if (min($size) < 72 || max($size) > 14_400) {
                throw PdfRefused::pageSize();
            }

            return $this->rotation($page['dict']) % 180 === 0 ? $size : [$size[1], $size[0]];
        }, $this->leaves());
    }

    /**
     * The links that point to an address beginning so, with their places.
     *
     * @return list<array{page: int, uri: string, place: Rect}>
     */
    public function links(string $beginning): array
    {
        $links = [];
        foreach ($this->leaves() as $index => $page) {
            [$left, , , $top] = $this->box($page['dict']);
            foreach ($this->resolve($page['dict']->{'/Annots'} ?? []) ?: [] as $reference) {
                $annotation = $this->resolve($reference);
                $uri = PdfString::text($this->resolve($this->resolve($annotation->{'/A'} ?? null)->{'/URI'} ?? ''));
                if (str_starts_with($uri, $beginning)) {
                    [$x1, $y1, $x2, $y2] = $annotation->{'/Rect'};
                    $links[] = [
                        'page' => $index + 1,
                        'uri' => substr($uri, strlen($beginning)),
                        'place' => new Rect(min($x1, $x2) - $left, $top - max($y1, $y2), abs($x2 - $x1), abs($y2 - $y1)),
                    ];
                }
            }
        }

        return $links;
    }

    /** qpdf's name of a page's object ("12 0 R"); pages count from 1. */
    public function pageObject(int $page): string
    {
        return $this->leaves()[$page - 1]['name'];
    }

    /** A page's dictionary as qpdf's JSON gives it. */
    public function pageDictionary(int $page): object
    {
        return $this->leaves()[$page - 1]['dict'];
    }

    /**
     * qpdf's name of the catalog, and the catalog.
     *
     * @return array{string, \stdClass}
     *
     * @throws PdfRefused when it has none
     */
    public function catalog(): array
    {
        $name = $this->objects['trailer']->value->{'/Root'} ?? null;
        $catalog = $this->resolve($name);
        if (! is_string($name) || ! ($catalog instanceof \stdClass)) {
            throw PdfRefused::damaged();
        }

        return [$name, $catalog];
    }

    /**
     * Takes the boxes off that lie inside what is shown of a page, since an overlay is fitted to the innermost one.
     *
     * @param \Closure(string, \stdClass): mixed $changed gets the name and the dictionary of each page that had some
     */
    public function withoutInnerBoxes(\Closure $changed): void
    {
        foreach ($this->leaves() as ['name' => $name]) {
            $page = $this->object($name);
            if (
                $page instanceof \stdClass &&
                array_intersect_key((array) $page, ['/TrimBox' => 1, '/BleedBox' => 1, '/ArtBox' => 1]) !== []
            ) {
                unset($page->{'/TrimBox'}, $page->{'/BleedBox'}, $page->{'/ArtBox'});
                $changed($name, $page);
            }
        }
    }

    /** Whether something has been laid over a page, under the name qpdf gives it; pages count from 1. */
    public function isDrawnOver(int $page): bool
    {
        $resources = $this->resolve($this->leaves()[$page - 1]['dict']->{'/Resources'} ?? null);
        $objects = $resources instanceof \stdClass ? $this->resolve($resources->{'/XObject'} ?? null) : null;

        return $objects instanceof \stdClass && preg_grep('~^/Fx\d+$~', array_keys((array) $objects)) !== [];
    }

    /** Whether objects lie packed in streams, where qpdf cannot change them. */
    public function hasObjectStreams(): bool
    {
        foreach ($this->objects as $object) {
            if (($object->stream->dict->{'/Type'} ?? null) === '/ObjStm') {
                return true;
            }
        }

        return false;
    }

    /** Whether a reference leads to a stream. */
    public function isStream(mixed $reference): bool
    {
        return is_string($reference) && isset($this->objects["obj:{$reference}"]->stream);
    }

    /** How many bytes a stream has; 0 when it is none. */
    public function streamLength(mixed $reference): int
    {
        $length = is_string($reference) ? $this->resolve($this->objects["obj:{$reference}"]->stream->dict->{'/Length'} ?? 0) : 0;

        return is_numeric($length) ? (int) $length : 0;
    }

    /** The name of the object that says title and author of the document; null when there is none. */
    public function information(): ?string
    {
        $name = $this->objects['trailer']->value->{'/Info'} ?? null;

        return is_string($name) && isset($this->objects["obj:{$name}"]) ? $name : null;
    }

    /** Its title as readers show it; empty when it has none. */
    public function title(): string
    {
        $info = $this->resolve($this->information());

        return $info instanceof \stdClass ? PdfString::text($this->resolve($info->{'/Title'} ?? null)) : '';
    }

    /** The highest object number in use. */
    public function highestObject(): int
    {
        return max([
            0,
            ...array_map(
                static fn (string $name) => preg_match('/^obj:(\d+)/', $name, $m) === 1 ? (int) $m[1] : 0,
                array_keys($this->objects),
            ),
        ]);
    }

    /** @return list<array{name: string, dict: \stdClass}> */
    private function leaves(): array
    {
        $leaves = [];
        // A page may stand in the tree more than once; a node may not stand beneath itself.
        $walk = function (string $name, array $inherited, array $above) use (&$walk, &$leaves): void {
            $node = $this->resolve($name);
            if (! ($node instanceof \stdClass) || isset($above[$name]) || count($above) > 200 || count($leaves) > self::MOST_PAGES) {
                return;
            }
            $above[$name] = true;
            foreach (['/MediaBox', '/CropBox', '/Rotate'] as $key) {
                if (isset($node->{$key})) {
                    $inherited[$key] = $this->resolve($node->{$key});
                }
            }
            if (isset($node->{'/Kids'})) {
                foreach ((array) $this->resolve($node->{'/Kids'}) as $kid) {
                    is_string($kid) && $walk($kid, $inherited, $above);
                }

                return;
            }
            $leaves[] = ['name' => $name, 'dict' => (object) [...(array) $node, ...$inherited]];
        };
        [, $catalog] = $this->catalog();
        is_string($catalog->{'/Pages'} ?? null) && $walk($catalog->{'/Pages'}, [], []);

        return $leaves;
    }

    /** @return array{float, float, float, float} */
    private function box(object $page): array
    {
        $box = $page->{'/CropBox'} ?? ($page->{'/MediaBox'} ?? [0, 0, 612, 792]);

        $box =
            is_array($box) && count($box) === 4
                ? array_map(fn (mixed $edge) => (float) (is_numeric($edge = $this->resolve($edge)) ? $edge : 0), $box)
                : [0.0, 0.0, 612.0, 792.0];

        return [min($box[0], $box[2]), min($box[1], $box[3]), max($box[0], $box[2]), max($box[1], $box[3])];
    }

    private function rotation(object $page): int
    {
        $turn = $this->resolve($page->{'/Rotate'} ?? 0);

        return is_numeric($turn) ? ((((int) round((int) $turn / 90) * 90) % 360) + 360) % 360 : 0;
    }

    /** What a value is, once references are followed; an object that is a stream gives its dictionary. */
    public function resolve(mixed $value): mixed
    {
        for ($steps = 0; $steps < 8 && self::isReference($value); $steps++) {
            $object = $this->objects["obj:{$value}"] ?? null;
            $value = $object->value ?? ($object->stream->dict ?? null);
        }

        return $value;
    }

    /** @return list<string> the names of all objects ("12 0 R") */
    public function names(): array
    {
        return array_values(
            array_map(
                static fn (string $name) => substr($name, 4),
                array_filter(array_keys($this->objects), static fn (string $name) => str_starts_with($name, 'obj:')),
            ),
        );
    }

    /** Whether it is encrypted, though it opens without a password. */
    public function isLocked(): bool
    {
        return isset($this->objects['trailer']->value->{'/Encrypt'});
    }

    /** A value as it may be written back: PHP writes small numbers with an exponent, which is no number in a PDF. */
    public static function plain(mixed $value): mixed
    {
        if (is_float($value)) {
            return abs($value) < 0.0001 ? 0 : round($value, 5);
        }
        if ($value instanceof \stdClass) {
            return (object) array_map(self::plain(...), (array) $value);
        }

        return is_array($value) ? array_map(self::plain(...), $value) : $value;
    }

    /**
     * An object as it stands in the file, of a stream its dictionary, to be written back with changes; null when there is none of that
     * name.
     */
    public function object(string $name): mixed
    {
        if ($name === 'trailer') {
            return $this->objects['trailer']->value ?? null;
        }

        return $this->objects["obj:{$name}"]->value ?? ($this->objects["obj:{$name}"]->stream->dict ?? null);
    }

    /** Whether a value is a reference to an object ("12 0 R"). */
    public static function isReference(mixed $value): bool
    {
        return is_string($value) && preg_match('/^\d+ \d+ R$/', $value) === 1;
    }

    /**
     * The frames of the pages in the file's own measure: what of it is shown, and by how many degrees it is turned clockwise.
     *
     * @return list<array{name: string, dict: \stdClass, box: array{float, float, float, float}, turn: int}>
     */
    public function frames(): array
    {
        return array_map(
            fn (array $page) => [...$page, 'box' => $this->box($page['dict']), 'turn' => $this->rotation($page['dict'])],
            $this->leaves(),
        );
    }
}
